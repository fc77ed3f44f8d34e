import { toTape, type UnitSystem } from '../units';
import { moved, tripsOf, widened } from '../sensing';
import { depthOf, FLOAT_ANGLES, type Sensor, type Station, type VesselShape } from '../station';

/*
 * What a person does to a station, each a function from document to document. Setting a single field is setAt.
 */

/** The other supply profile, with the voltage and frequency that go with it. What was measured stays as it is. */
export function withProfile(station: Station, profile: Station['profile']): Station {
  if (station.profile === profile) return station;
  const mains = profile === 'us-120' ? ({ voltage: 120, frequency: 60 } as const) : ({ voltage: 230, frequency: 50 } as const);
  return { ...station, profile, supply: { ...station.supply, ...mains } };
}

/** How wide a shape is across, as a starting value for another, m. */
function acrossOf(shape: VesselShape): number {
  switch (shape.kind) {
    case 'cylinder':
    case 'lying':
      return shape.diameter;
    case 'box':
      return Math.min(shape.length, shape.width);
    case 'frustum':
      return shape.topDiameter;
    case 'stacked':
      return acrossOf(shape.sections[0]!);
    case 'table':
      return Math.sqrt(shape.rows[0]!.area);
  }
}

function shapeOf(kind: VesselShape['kind'], across: number, depth: number): VesselShape {
  switch (kind) {
    case 'cylinder':
      return { kind, diameter: across, depth };
    case 'box':
      return { kind, length: across, width: across, depth };
    case 'frustum':
      return { kind, bottomDiameter: across, topDiameter: across, depth };
    case 'lying':
      return { kind, diameter: depth, length: Math.max(across, depth) };
    case 'stacked':
      return {
        kind,
        sections: [
          { kind: 'cylinder', diameter: across, depth: depth / 2 },
          { kind: 'cylinder', diameter: across, depth: depth / 2 },
        ],
      };
    case 'table':
      return {
        kind,
        rows: [
          { height: 0, area: across ** 2 },
          { height: depth, area: across ** 2 },
        ],
      };
  }
}

/** Another shape with the same depth, and about as wide as the one before. */
export function withShape(station: Station, kind: VesselShape['kind']): Station {
  const { shape } = station.vessel;
  if (shape.kind === kind) return station;
  return { ...station, vessel: { ...station.vessel, shape: shapeOf(kind, acrossOf(shape), depthOf(shape)) } };
}

/** One section of a stacked vessel as another shape, of the same height. */
export function withSection(station: Station, index: number, kind: 'cylinder' | 'box'): Station {
  const { shape } = station.vessel;
  if (shape.kind !== 'stacked') return station;
  const sections = shape.sections.map((s, i) => (i === index && s.kind !== kind ? (shapeOf(kind, acrossOf(s), s.depth) as typeof s) : s));
  return { ...station, vessel: { ...station.vessel, shape: { kind: 'stacked', sections } } };
}

const replaceSensor = (station: Station, id: string, change: (sensor: Sensor) => Sensor): Station => ({
  ...station,
  sensors: station.sensors.map((s) => (s.id === id ? change(s) : s)),
});

/** A float moved by `by` m and set on a mark of the tape, held between floor and rim. */
export function moveFloat(station: Station, id: string, by: number, system: UnitSystem): Station {
  const depth = depthOf(station.vessel.shape);
  return replaceSensor(station, id, (sensor) => {
    const [low, high] = sensor.kind === 'tilt' ? [sensor.clip, sensor.clip] : [sensor.lowerStop, sensor.upperStop];
    const target = toTape(high + by, system);
    const held = Math.min(Math.max(target, high - low), depth);
    return held === high ? sensor : tidy(moved(sensor, held - high));
  });
}

/** A float's range widened by `by` m: a longer tether, or a higher upper stop. Never to nothing, never past the vessel. */
export function widenFloat(station: Station, id: string, by: number, system: UnitSystem): Station {
  const depth = depthOf(station.vessel.shape);
  return replaceSensor(station, id, (sensor) => {
    const [now, least, most] = sensor.kind === 'tilt' ? [sensor.tether, 0.02, depth - sensor.body] : [sensor.upperStop, sensor.lowerStop + 0.01, depth];
    const target = toTape(now + by, system);
    return target < least || target > most ? sensor : tidy(widened(sensor, target - now));
  });
}

/** Sums of tape steps carry rounding; a tenth of a micrometre is beyond any tape. */
function tidy(sensor: Sensor): Sensor {
  const round = (x: number) => Number(x.toFixed(7));
  return sensor.kind === 'tilt'
    ? { ...sensor, clip: round(sensor.clip), tether: round(sensor.tether) }
    : { ...sensor, upperStop: round(sensor.upperStop), lowerStop: round(sensor.lowerStop) };
}

/** The same float as the other kind, set to the trips it had, on the marks of the tape. */
export function withKind(station: Station, id: string, kind: Sensor['kind'], system: UnitSystem): Station {
  return replaceSensor(station, id, (sensor) => {
    if (sensor.kind === kind) return sensor;
    const { rise, fall } = tripsOf(sensor);
    const { role, duty, contact, contactRating, cordLength } = sensor;
    const common = { id, role, duty, contact, contactRating, cordLength };
    if (kind === 'rod') return { ...common, kind, upperStop: toTape(rise, system), lowerStop: toTape(fall, system) };
    const angle = FLOAT_ANGLES[duty];
    const arm = (rise - fall) / 2 / Math.sin((angle * Math.PI) / 180);
    return { ...common, kind, clip: toTape((rise + fall) / 2, system), tether: Math.max(toTape(arm - 0.05, system), toTape(0.08, system)), body: 0.1, riseDeg: angle, fallDeg: angle, measured: null };
  });
}

/** A tilt float's range as measured, beginning from the one worked out; or worked out again. */
export function withMeasuredRange(station: Station, id: string, measured: boolean): Station {
  return replaceSensor(station, id, (sensor) => {
    if (sensor.kind !== 'tilt') return sensor;
    const { rise, fall } = tripsOf({ ...sensor, measured: null });
    const mm = (x: number) => Number(x.toFixed(3));
    return { ...sensor, measured: measured ? { above: mm(rise - sensor.clip), below: mm(sensor.clip - fall) } : null };
  });
}

/** With an alarm float half way from the pump's start to the overflow, or without one. */
export function withAlarmFloat(station: Station, fitted: boolean, system: UnitSystem): Station {
  const others = station.sensors.filter((s) => s.role !== 'alarm');
  if (!fitted) return { ...station, sensors: others };
  if (others.length < station.sensors.length) return station;
  const pump = station.sensors.find((s) => s.role === 'pump');
  const from = pump ? tripsOf(pump).rise : 0;
  const alarm: Sensor = {
    id: 'alarm',
    role: 'alarm',
    kind: 'tilt',
    duty: 'control',
    contact: 'closes-on-rise',
    contactRating: 1,
    cordLength: 10,
    clip: toTape((from + station.vessel.overflow) / 2, system),
    tether: toTape(0.1, system),
    body: 0.1,
    riseDeg: FLOAT_ANGLES.control,
    fallDeg: FLOAT_ANGLES.control,
    measured: null,
  };
  return { ...station, sensors: [...others, alarm] };
}
