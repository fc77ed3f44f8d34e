import { bestFacing, kindOf, pressureForLevel, tidied, tripsOf, worldOf, type Trips } from '../sensing';
import { depthOf, FLOAT_ANGLES, type Sensor, type SensorRole, type Station } from '../station';
import { INCH, tapeStep, toTape, type UnitSystem } from '../units';

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
  const least = tapeStep(system);
  return replaceSensor(station, id, (sensor) => {
    const kind = kindOf(sensor);
    const range = kind
      .measures(sensor)
      .find((m) => m.field === (sensor.kind === 'tilt' ? 'tether' : kind.measures(sensor)[0]!.field))!;
    const wider = kind.widened(sensor, toTape(range.value + by, system) - range.value);
    if (!wider) return sensor;
    const { rise, fall } = tripsOf(wider, worldOf(station));
    const within =
      wider.kind === 'tilt'
        ? wider.tether >= 0.02 && wider.tether + wider.body <= depth
        : rise - fall >= least && rise <= depth;
    return within ? tidied(wider) : sensor;
  });
}

/** A float turned to face another way: round its pole, or where it is clipped. @param bearing degrees, any; taken into one turn */
export function turnFloat(station: Station, id: string, bearing: number): Station {
  const to = ((Math.round(bearing) % 360) + 360) % 360;
  return replaceSensor(station, id, (sensor) => {
    const { place } = sensor;
    const now = place.from === 'pole' ? place.bearing : place.facing;
    if (now === to) return sensor;
    return { ...sensor, place: place.from === 'pole' ? { ...place, bearing: to } : { ...place, facing: to } };
  });
}

/** What a sensor has whatever its kind. */
type Common = Pick<
  Sensor,
  'id' | 'role' | 'duty' | 'contact' | 'changeover' | 'contactRating' | 'cordLength' | 'place'
>;

const commonOf = ({ id, role, duty, contact, changeover, contactRating, cordLength, place }: Sensor): Common => ({
  id,
  role,
  duty,
  contact,
  changeover,
  contactRating,
  cordLength,
  place,
});

/** A sensor of a kind that acts at these trips, as near as a tape can set it. */
function hung(
  station: Station,
  common: Common,
  kind: Sensor['kind'],
  { rise, fall }: Trips,
  system: UnitSystem,
): Sensor {
  const tape = (x: number) => Math.max(toTape(x, system), 0);
  const us = system === 'us';
  switch (kind) {
    case 'tilt': {
      const angle = FLOAT_ANGLES[common.duty];
      const body = us ? 4 * INCH : 0.1;
      const arm = (rise - fall) / 2 / Math.sin((angle * Math.PI) / 180);
      const tether = Math.max(tape(arm - body / 2), tape(us ? 3.25 * INCH : 0.08));
      return {
        ...common,
        kind,
        clip: tape((rise + fall) / 2),
        tether,
        body,
        thickness: us ? 3 * INCH : 0.08,
        riseDeg: angle,
        fallDeg: angle,
        measured: null,
        weight: null,
      };
    }
    case 'rod':
      return {
        ...common,
        kind,
        latch: 'magnet',
        upperStop: tape(rise),
        lowerStop: Math.min(tape(fall), tape(rise) - tapeStep(system)),
      };
    case 'side':
      return { ...common, kind, height: tape(rise), differential: us ? INCH / 2 : 0.01 };
    case 'bell': {
      const bell = {
        area: (Math.PI / 4) * 0.01,
        height: 0.15,
        air: (Math.PI / 4) * 0.01 * 0.15 + 0.0002,
        mouth: tape(Math.max(fall - 0.1, 0)),
      };
      const pascals = (level: number) => Math.round(pressureForLevel(bell, level, worldOf(station)));
      return { ...common, kind, ...bell, on: pascals(rise), off: pascals(fall) };
    }
    case 'transmitter':
      return {
        ...common,
        kind,
        zero: 0,
        span: depthOf(station.vessel.shape),
        on: tape(rise),
        off: Math.min(tape(fall), tape(rise) - tapeStep(system)),
      };
  }
}

/** The same sensor as another kind, set to the trips it had, on the marks of the tape. */
export const withKind = (station: Station, id: string, kind: Sensor['kind'], system: UnitSystem): Station =>
  replaceSensor(station, id, (sensor) =>
    sensor.kind === kind ? sensor : hung(station, commonOf(sensor), kind, tripsOf(sensor, worldOf(station)), system),
  );

/** A tilt float's range as measured, beginning from the one worked out; or worked out again. */
export function withMeasuredRange(station: Station, id: string, measured: boolean): Station {
  return replaceSensor(station, id, (sensor) => {
    if (sensor.kind !== 'tilt') return sensor;
    const { rise, fall } = tripsOf({ ...sensor, measured: null }, worldOf(station));
    const mm = (x: number) => Number(x.toFixed(3));
    return { ...sensor, measured: measured ? { above: mm(rise - sensor.clip), below: mm(sensor.clip - fall) } : null };
  });
}

/** A tilt float on a counterweight of its own cord, or clipped to something that stands. */
export function withWeight(station: Station, id: string, hangs: boolean): Station {
  return replaceSensor(station, id, (sensor) =>
    sensor.kind === 'tilt'
      ? { ...sensor, weight: hangs ? { mass: 1.6, volume: 0.0002, below: 0.08, lift: 0.4 } : null }
      : sensor,
  );
}

/** A sensor on the common pole, or on its own where it stands now. */
export function withPlace(station: Station, id: string, from: 'pole' | 'axis'): Station {
  return replaceSensor(station, id, (sensor) => {
    if (sensor.place.from === from) return sensor;
    const facing = sensor.place.from === 'pole' ? sensor.place.bearing : sensor.place.facing;
    return {
      ...sensor,
      place:
        from === 'pole'
          ? { from, bearing: facing, offset: station.pole.diameter / 2 }
          : { from, bearing: station.pole.bearing, offset: station.pole.offset, facing },
    };
  });
}

/** Where each role belongs among the others, from the floor up. */
const UP: readonly SensorRole[] = ['low', 'stop', 'pump', 'lead', 'peak', 'lag', 'lag2', 'alarm', 'cutoff'];
const FILLING_UP: readonly SensorRole[] = ['low', 'lag2', 'lag', 'lead', 'pump', 'stop', 'alarm', 'cutoff'];

/** A narrow float of a role hung half way between its neighbours and facing where it has most room; or the role taken out. */
export function withRole(station: Station, role: SensorRole, fitted: boolean, system: UnitSystem): Station {
  const others = station.sensors.filter((s) => s.role !== role);
  if (!fitted) return { ...station, sensors: others };
  if (others.length < station.sensors.length) return station;
  const filling = station.duty.kind === 'fill';
  const order = filling ? FILLING_UP : UP;
  const world = worldOf(station);
  const rank = (s: Sensor) => order.indexOf(s.role) - order.indexOf(role);
  const below = Math.max(0, ...others.filter((s) => rank(s) < 0).map((s) => tripsOf(s, world).rise));
  const above = Math.min(
    station.vessel.overflow,
    ...others.filter((s) => rank(s) > 0).map((s) => tripsOf(s, world).fall),
  );
  const middle = (below + Math.max(above, below)) / 2;
  const control = ['pump', 'stop', 'lead', 'lag', 'lag2'].includes(role);
  const model = station.sensors[0];
  const common: Common = {
    id: freeId(station, role),
    role,
    duty: 'control',
    contact: control && filling ? 'opens-on-rise' : 'closes-on-rise',
    changeover: false,
    contactRating: model?.duty === 'control' ? model.contactRating : 1,
    cordLength: Math.max(10, model?.cordLength ?? 0),
    place: { from: 'pole', bearing: 0, offset: station.pole.diameter / 2 },
  };
  const sensor = hung(station, common, 'tilt', { rise: middle + 0.02, fall: middle - 0.02 }, system);
  const added = { ...station, sensors: [...others, sensor] };
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
  const world = worldOf(station);
  const filling = station.duty.kind === 'fill';
  if (floats === 'two' && pump) {
    const { rise, fall } = tripsOf(pump, world);
    const common = { ...commonOf(pump), duty: 'control' as const };
    const [low, high] = filling ? (['lead', 'stop'] as const) : (['stop', 'lead'] as const);
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
  const [stop, lead] = [station.sensors.find((s) => s.role === 'stop'), station.sensors.find((s) => s.role === 'lead')];
  if (floats === 'one' && stop && lead) {
    const [low, high] = filling ? [lead, stop] : [stop, lead];
    const rest = station.sensors.filter((s) => s !== stop && s !== lead);
    const common: Common = {
      ...commonOf(low),
      id: freeId({ ...station, sensors: rest }, 'pump'),
      role: 'pump',
      duty: 'motor',
    };
    return {
      ...station,
      sensors: [
        hung(station, common, 'tilt', { rise: tripsOf(high, world).rise, fall: tripsOf(low, world).fall }, system),
        ...rest,
      ],
    };
  }
  return station;
}
