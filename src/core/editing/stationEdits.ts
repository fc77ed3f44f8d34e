import { DUTIES, dutyOf, traitsOf, wayOf, type Duty, type DutyKind, type DutyName } from '../duties';
import { startsOf } from '../form';
import { flowsOf } from '../inflow';
import { ROLE, type Sensor } from '../sensors';
import { depthOf, type InflowSource, type Pump, type Station } from '../station';
import { standingOf, withConfirmed, withStandings } from '../surveyed';

/** Sensors that have something to do in another duty: those that control pumps turned to what it needs, others left out that it does not know. */
function turned({ sensors }: Station, made: Station): Station['sensors'] {
  const { roles } = traitsOf(made);
  const { contact } = wayOf(made);
  return sensors
    .filter((s) => ROLE[s.role].controls || roles.includes(s.role))
    .map((s) => (ROLE[s.role].controls ? { ...s, contact } : s));
}

/** Another duty, with its own figures to begin from, and the contacts that it needs. */
export function withDuty(station: Station, kind: DutyName): Station {
  if (station.duty.kind === kind) return station;
  const { fields, source } = DUTIES[kind] as DutyKind<Duty>;
  const made: Station = { ...station, duty: { kind, ...startsOf(fields, station.profile) } as Duty };
  const fitted = { ...made, sensors: turned(station, made) };
  return source ? withSource(fitted, source) : fitted;
}

/** A choice of the duty’s own made otherwise, and the sensors left out that then have nothing to do. */
export function withDutyChoice(station: Station, field: string, value: string): Station {
  const { fields } = dutyOf(station.duty) as DutyKind<Duty>;
  const spec = fields[field];
  const now = (station.duty as Record<string, unknown>)[field];
  const wanted =
    spec?.kind === 'variants' ? { kind: value, ...startsOf(spec.of[value] ?? {}, station.profile) } : value;
  if (spec?.kind === 'variants' ? (now as { kind: string }).kind === value : now === value) return station;
  const made: Station = { ...station, duty: { ...station.duty, [field]: wanted } as Duty };
  const { roles, mover } = traitsOf(made);
  const idle = (s: Sensor) =>
    ROLE[s.role].controls ? mover.kind === 'valve' && (ROLE[s.role].calls ?? 0) > 1 : !roles.includes(s.role);
  return { ...made, sensors: station.sensors.filter((s) => !idle(s)) };
}

const HOURS = [
  0.2, 0.1, 0.1, 0.1, 0.2, 0.6, 1.4, 2.0, 1.7, 1.3, 1.1, 1.0, 1.2, 1.1, 0.9, 0.9, 1.1, 1.6, 1.9, 1.7, 1.4, 1.1, 0.8,
  0.5,
];

/** Another way of telling what comes in, with about the flows that were surveyed before. */
export function withSource(station: Station, kind: InflowSource['kind']): Station {
  if (station.inflow.source.kind === kind) return station;
  const { low, design, peak } = flowsOf({ ...station.inflow, infiltration: 0 });
  const tidy = (x: number) => Number(x.toPrecision(4));
  const source: InflowSource = (() => {
    switch (kind) {
      case 'steady':
        return { kind, low: tidy(low), design: tidy(design), peak: tidy(peak) };
      case 'pattern':
        return { kind, mean: tidy(design), factors: [...HOURS] };
      case 'fixtures':
        return {
          kind,
          hours: 16,
          uses: [
            { name: 'basin', volume: 0.003, flow: 0.1e-3, perDay: 40, atOnce: 2 },
            { name: 'closet', volume: 0.006, flow: 1.2e-3, perDay: 30, atOnce: 1 },
          ],
        };
      case 'storm':
        return {
          kind,
          base: tidy(low),
          rows: [
            { time: 0, flow: tidy(low) },
            { time: 900, flow: tidy(Math.max(peak, 2 * low)) },
            { time: 3600, flow: tidy(design) },
            { time: 7200, flow: tidy(low) },
          ],
        };
      case 'appliances':
        return { kind, list: [{ name: 'cooling coil', rate: 2e-6, after: 0.1e-3, over: null }] };
    }
  })();
  return { ...station, inflow: { ...station.inflow, source } };
}

/** One more pump like the last, standing opposite it; or one fewer, and with it the floats that called it. */
export function withPumpCount(station: Station, count: number): Station {
  const { pumps } = station;
  if (count === pumps.length) return station;
  const turn = (p: Pump, by: number): Pump => ({
    ...p,
    bearing: (p.bearing + by) % 360,
    riserBearing: (p.riserBearing + by) % 360,
  });
  const next = Array.from({ length: count }, (_, i) => pumps[i] ?? turn(structuredClone(pumps[0]!), (360 / count) * i));
  return {
    ...station,
    pumps: next,
    control: { ...station.control, alternates: count > 1 },
    sensors: station.sensors.filter((s) => (ROLE[s.role].calls ?? 0) <= count),
  };
}

/** A pump of the library in the place of one that is there; where it stands stays. What the library knows of it was typed once, from its plate. */
export function withPumpModel(station: Station, index: number, model: Partial<Pump>): Station {
  const taken = { ...station, pumps: station.pumps.map((p, i) => (i === index ? { ...p, ...model } : p)) };
  const known = Object.keys(model).map((field) => `pumps.${index}.${field}`);
  return withConfirmed(taken, (path) => known.some((k) => path === k || path.startsWith(`${k}.`)));
}

/** Every pump like one of them, each where it stands; what nobody measured of that one nobody measured of the others. */
export function withPumpsLike(station: Station, index: number): Station {
  const model = station.pumps[index]!;
  const pumps = station.pumps.map(({ bearing, offset, riserBearing, riserOffset }) => ({
    ...model,
    bearing,
    offset,
    riserBearing,
    riserOffset,
  }));
  return withStandings({ ...station, pumps }, (path) =>
    standingOf(
      station,
      /\.(bearing|offset|riserBearing|riserOffset)$/.test(path)
        ? path
        : path.replace(/^pumps\.\d+\./, `pumps.${index}.`),
    ),
  );
}

/** What hangs there now taken down as found, before anything is moved; or the record of it thrown away. */
export const withFound = (station: Station, kept: boolean): Station => ({
  ...station,
  found: kept ? station.sensors : null,
});

/** Something more that floats could swing against. */
export function withObstacle(station: Station, kind: 'round' | 'flat'): Station {
  const depth = depthOf(station.vessel.shape);
  const base = { name: kind === 'round' ? 'post' : 'ladder', bearing: 180, offset: 0.2, from: 0, to: depth };
  const made =
    kind === 'round' ? { ...base, kind, diameter: 0.06 } : { ...base, kind, width: 0.35, thickness: 0.05, facing: 0 };
  return { ...station, obstacles: [...station.obstacles, made] };
}

/** A point of a pump's curve moved, held between its neighbours so that the curve still falls; shut-off stays at no flow. */
export function moveCurvePoint(
  station: Station,
  pump: number,
  index: number,
  to: { flow: number; head: number },
): Station {
  const { curve } = station.pumps[pump]!;
  const [before, after] = [curve[index - 1], curve[index + 1]];
  const hold = (x: number, least: number, most: number) => Number(Math.min(Math.max(x, least), most).toPrecision(4));
  const span = curve.at(-1)!.flow * 0.01;
  const tall = curve[0]!.head * 0.01;
  const flow = before ? hold(to.flow, before.flow + span, after ? after.flow - span : Infinity) : 0;
  const head = hold(to.head, after ? after.head + tall : 0, before ? before.head - tall : 500);
  const moved = { flow, head };
  const sound =
    (!before || (moved.flow > before.flow && moved.head < before.head)) &&
    (!after || (moved.flow < after.flow && moved.head > after.head));
  return sound ? withPumpModel(station, pump, { curve: curve.map((p, i) => (i === index ? moved : p)) }) : station;
}
