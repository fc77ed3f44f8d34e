import { wayOf } from '../duties';
import { bestFacing, surroundsOf, tidied, tripsOf } from '../sensing';
import {
  facingOf,
  KINDS,
  kindOf,
  ROLE,
  type KindName,
  type Sensor,
  type SensorCommon,
  type SensorRole,
  type Trips,
} from '../sensors';
import { depthOf, type Station } from '../station';
import { tapeStep, toTape, type UnitSystem } from '../units';

const replaceSensor = (station: Station, id: string, change: (sensor: Sensor) => Sensor): Station => {
  const sensors = station.sensors.map((s) => (s.id === id ? change(s) : s));
  return sensors.every((s, i) => s === station.sensors[i]) ? station : { ...station, sensors };
};

/** A float moved by `by` m and set on a mark of the tape, held between floor and rim. */
export function moveFloat(station: Station, id: string, by: number, system: UnitSystem): Station {
  const depth = depthOf(station.vessel.shape);
  return replaceSensor(station, id, (sensor) => {
    const kind = kindOf(sensor);
    const at = kind.setting(sensor);
    const [low, high] = kind.extent(sensor);
    const held = Math.min(Math.max(toTape(at + by, system), at - low), depth - (high - at));
    return Math.abs(held - at) < 1e-9 ? sensor : tidied(kind.moved(sensor, held - at));
  });
}

/** A sensor's range widened by `by` m: a longer tether, or a higher upper stop. Never to nothing, never past the vessel; a range that is built in stays. */
export function widenFloat(station: Station, id: string, by: number, system: UnitSystem): Station {
  const depth = depthOf(station.vessel.shape);
  return replaceSensor(station, id, (sensor) => {
    const kind = kindOf(sensor);
    const range = kind.measures(sensor).find((m) => m.field === kind.range)!;
    const wider = kind.widened(sensor, toTape(range.value + by, system) - range.value);
    return wider && kind.possible(wider, depth, surroundsOf(station), tapeStep(system)) ? tidied(wider) : sensor;
  });
}

/** A float turned to face another way: round its pole, or where it is clipped. @param bearing degrees, any; taken into one turn */
export function turnFloat(station: Station, id: string, bearing: number): Station {
  const to = ((Math.round(bearing) % 360) + 360) % 360;
  return replaceSensor(station, id, (sensor) => {
    const { place } = sensor;
    if (facingOf(sensor) === to) return sensor;
    return { ...sensor, place: place.from === 'pole' ? { ...place, bearing: to } : { ...place, facing: to } };
  });
}

/** What a sensor has whatever its kind. */
const commonOf = ({
  id,
  role,
  duty,
  contact,
  changeover,
  contactRating,
  cordLength,
  place,
}: SensorCommon): SensorCommon => ({ id, role, duty, contact, changeover, contactRating, cordLength, place });

/** A sensor of a kind that acts at these trips, as near as a tape can set it. */
const hung = (station: Station, common: SensorCommon, kind: KindName, trips: Trips, system: UnitSystem): Sensor =>
  KINDS[kind].hung({
    ...trips,
    common,
    system,
    depth: depthOf(station.vessel.shape),
    step: tapeStep(system),
    surrounds: surroundsOf(station),
    tape: (x) => Math.max(toTape(x, system), 0),
  });

/** The same sensor as another kind, set to the trips it had, on the marks of the tape. */
export const withKind = (station: Station, id: string, kind: Sensor['kind'], system: UnitSystem): Station =>
  replaceSensor(station, id, (sensor) =>
    sensor.kind === kind
      ? sensor
      : hung(station, commonOf(sensor), kind, tripsOf(sensor, surroundsOf(station)), system),
  );

/** A part of a sensor that need not be there, as it begins; or taken away. A counterweight, a range as it was measured. */
export function withSensorPart(station: Station, id: string, part: string, fitted: boolean): Station {
  return replaceSensor(station, id, (sensor) => {
    const begins = kindOf(sensor).begins?.[part];
    return begins ? { ...sensor, [part]: fitted ? begins(sensor, surroundsOf(station)) : null } : sensor;
  });
}

/** A sensor on the common pole, or on its own where it stands now. */
export function withPlace(station: Station, id: string, from: 'pole' | 'axis'): Station {
  return replaceSensor(station, id, (sensor) => {
    if (sensor.place.from === from) return sensor;
    const facing = facingOf(sensor);
    return {
      ...sensor,
      place:
        from === 'pole'
          ? { from, bearing: facing, offset: station.pole.diameter / 2 }
          : { from, bearing: station.pole.bearing, offset: station.pole.offset, facing },
    };
  });
}

/** A narrow float of a role hung half way between its neighbours and facing where it has most room; or the role taken out. */
export function withRole(station: Station, role: SensorRole, fitted: boolean, system: UnitSystem): Station {
  const others = station.sensors.filter((s) => s.role !== role);
  if (!fitted) return { ...station, sensors: others };
  if (others.length < station.sensors.length) return station;
  const way = wayOf(station);
  const world = surroundsOf(station);
  const rank = (s: Sensor) => way.order.indexOf(s.role) - way.order.indexOf(role);
  const below = Math.max(0, ...others.filter((s) => rank(s) < 0).map((s) => tripsOf(s, world).rise));
  const above = Math.min(
    station.vessel.overflow,
    ...others.filter((s) => rank(s) > 0).map((s) => tripsOf(s, world).fall),
  );
  const middle = (below + Math.max(above, below)) / 2;
  const model = station.sensors[0];
  const common: SensorCommon = {
    id: freeId(station, role),
    role,
    duty: 'control',
    contact: ROLE[role].controls ? way.contact : 'closes-on-rise',
    changeover: false,
    contactRating: model?.duty === 'control' ? model.contactRating : 1,
    cordLength: Math.max(10, model?.cordLength ?? 0),
    place: { from: 'pole', bearing: 0, offset: station.pole.diameter / 2 },
  };
  const sensor = hung(station, common, 'tilt', { rise: middle + 0.02, fall: middle - 0.02 }, system);
  // A low float cuts no pump that fills: of a tank it is there to ring.
  const rings = role === 'low' && way.direction === 'fill';
  const alarm = rings ? { ...station.alarm, low: true } : station.alarm;
  const added = { ...station, alarm, sensors: [...others, sensor] };
  return turnFloat(added, sensor.id, bestFacing(added, sensor.id).facing);
}

function freeId(station: Station, role: string): string {
  const taken = new Set(station.sensors.map((s) => s.id));
  for (let n = 1; ; n++) {
    const id = n === 1 ? role : `${role}-${n}`;
    if (!taken.has(id)) return id;
  }
}

/** One float that starts and stops the pump with its two trips, or a stop float and a lead float, at the same two levels. */
export function withControlFloats(station: Station, floats: 'one' | 'two', system: UnitSystem): Station {
  const pump = station.sensors.find((s) => s.role === 'pump');
  const world = surroundsOf(station);
  // From the floor up: a pump that fills is called low and stopped high.
  const { order } = wayOf(station);
  const [low, high] =
    order.indexOf('stop') < order.indexOf('lead') ? (['stop', 'lead'] as const) : (['lead', 'stop'] as const);
  if (floats === 'two' && pump) {
    const { rise, fall } = tripsOf(pump, world);
    const common = { ...commonOf(pump), duty: 'control' as const };
    const half = 0.02;
    const rest = station.sensors.filter((s) => s !== pump);
    const bare = { ...station, sensors: rest };
    const lower = hung(
      station,
      { ...common, id: freeId(bare, low), role: low },
      'tilt',
      { rise: fall + 2 * half, fall },
      system,
    );
    const upper = hung(
      station,
      { ...common, id: freeId(bare, high), role: high },
      'tilt',
      { rise, fall: rise - 2 * half },
      system,
    );
    const made: Station = { ...station, sensors: [lower, upper, ...rest] };
    return turnFloat(made, upper.id, bestFacing(made, upper.id).facing);
  }
  const [lower, upper] = [station.sensors.find((s) => s.role === low), station.sensors.find((s) => s.role === high)];
  if (floats === 'one' && lower && upper) {
    const rest = station.sensors.filter((s) => s !== lower && s !== upper);
    const common: SensorCommon = {
      ...commonOf(lower),
      id: freeId({ ...station, sensors: rest }, 'pump'),
      role: 'pump',
      duty: 'motor',
    };
    return {
      ...station,
      sensors: [
        hung(station, common, 'tilt', { rise: tripsOf(upper, world).rise, fall: tripsOf(lower, world).fall }, system),
        ...rest,
      ],
    };
  }
  return station;
}
