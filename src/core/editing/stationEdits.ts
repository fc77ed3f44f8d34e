import { flowsOf } from '../inflow';
import type { Duty, InflowSource, Pump, Station } from '../station';
import { depthOf } from '../station';

/** Duties as they begin; each figure is a default to be surveyed over. */
const DUTIES: { readonly [K in Duty['kind']]: Extract<Duty, { kind: K }> } = {
  empty: { kind: 'empty' },
  dose: {
    kind: 'dose',
    mode: 'timed',
    dosesPerDay: 4,
    on: 240,
    off: 3360,
    peakOff: 1500,
    minimumRest: 1200,
    peakDay: 1.5,
    surge: 3600,
  },
  fill: { kind: 'fill', from: { kind: 'valve', flow: 0.5e-3 }, drowned: false, runOn: 5, keep: 0.2 },
  transfer: { kind: 'transfer', usefulRun: 0.1 },
  condensate: { kind: 'condensate' },
};

/** What decides whether a pump's float closes on the rise or opens: floats that control it are turned to what the new duty needs. */
function turned(station: Station, filling: boolean): Station['sensors'] {
  return station.sensors
    .filter((s) => s.role !== 'peak' && !(filling && s.role === 'cutoff'))
    .map((s) =>
      ['pump', 'stop', 'lead', 'lag', 'lag2'].includes(s.role)
        ? { ...s, contact: filling ? 'opens-on-rise' : 'closes-on-rise' }
        : s,
    );
}

/** Another duty, with its own figures to begin from, and the contacts that it needs. */
export function withDuty(station: Station, kind: Duty['kind']): Station {
  if (station.duty.kind === kind) return station;
  const made: Station = { ...station, duty: DUTIES[kind], sensors: turned(station, kind === 'fill') };
  return kind === 'condensate' ? withSource(made, 'appliances') : made;
}

/** Dosing by a timer, or on demand; on demand a peak float has nothing to shorten. */
export function withDoseMode(station: Station, mode: 'timed' | 'demand'): Station {
  if (station.duty.kind !== 'dose') return station;
  return {
    ...station,
    duty: { ...station.duty, mode },
    sensors: mode === 'demand' ? station.sensors.filter((s) => s.role !== 'peak') : station.sensors,
  };
}

/** Filled through a valve, or by a pump from a lower water. */
export function withFilling(station: Station, from: 'valve' | 'pump'): Station {
  if (station.duty.kind !== 'fill' || station.duty.from.kind === from) return station;
  const to = from === 'valve' ? { kind: from, flow: 0.5e-3 } : { kind: from, level: -2 };
  return {
    ...station,
    duty: { ...station.duty, from: to },
    sensors: from === 'valve' ? station.sensors.filter((s) => s.role !== 'lag' && s.role !== 'lag2') : station.sensors,
  };
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
        return { kind, list: [{ name: 'cooling coil', rate: 2e-6, after: 0.1e-3 }] };
    }
  })();
  return { ...station, inflow: { ...station.inflow, source } };
}

/** One more pump like the last, standing opposite it; or one fewer, and with it the floats that called it. */
export function withPumpCount(station: Station, count: number): Station {
  const { pumps } = station;
  if (count === pumps.length) return station;
  const roles = count < 2 ? ['lag', 'lag2'] : count < 3 ? ['lag2'] : [];
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
    sensors: station.sensors.filter((s) => !roles.includes(s.role)),
  };
}

/** A pump of the library in the place of one that is there; where it stands stays. */
export function withPumpModel(station: Station, index: number, model: Partial<Pump>): Station {
  return { ...station, pumps: station.pumps.map((p, i) => (i === index ? { ...p, ...model } : p)) };
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
