import { traitsOf } from '../duties';
import { brentRoot, monotoneCubic, type MonotoneCubic } from '../numeric';
import type { Result } from '../result';
import type { CurvePoint, Pump, Station } from '../station';
import { flowTable } from './flowTable';
import { lateralSystem, type LateralSystem } from './laterals';
import { orificeFlow } from './orifice';
import { pipelineOf, type Pipeline } from './pipeline';
import { kinematicViscosity } from '../physics';

/** One pump of those running. */
export interface PumpDuty {
  /** Flow that this pump sends into the line, m³/s. */
  readonly flow: number;
  /** Flow through its weep hole, back into the vessel, m³/s. */
  readonly weep: number;
  /** Flow through the pump: the two together, m³/s. */
  readonly pumpFlow: number;
  /** Head across the pump, m. */
  readonly head: number;
}

interface Duty extends PumpDuty {
  /** Of its head, what lifts the water from its level to where it goes, m. */
  readonly staticHead: number;
  /** Each pump that runs, in their order; flows above are of all together, the head is of the first. */
  readonly pumps: readonly PumpDuty[];
}

export type NoDuty =
  /** No pump can lift the water to the outlet at all: static head m against the best shut-off head m. */
  | { readonly reason: 'below-static-head'; readonly needs: number; readonly has: number }
  /** A pump would run past the last point of its curve: together they deliver at least this, m³/s, and how much more is not known. */
  | { readonly reason: 'run-out'; readonly atLeast: number };

/** Where pumps and pipe agree at one water level, or the reason that they do not. */
export type OperatingPoint = Result<Duty, NoDuty>;

export interface Hydraulics {
  /** Each pump's curve. */
  readonly curves: readonly MonotoneCubic[];
  /** The line that all pumps share, and each pump's own before it. */
  readonly main: Pipeline;
  readonly risers: readonly Pipeline[];
  readonly laterals: LateralSystem | null;
  /** Pumps in the order in which they are called. */
  readonly count: number;
  /** Water that falls back into the vessel after `running` pumps stop, m³. */
  drainback(running: number): number;
  /** Head that the shared line asks for where the risers join, to take `flow` from `level`, m. */
  jointHead(flow: number, level: number): number;
  /** How far the water is lifted with the water at `level`, m. */
  staticHead(level: number): number;
  /** The operating point of the first `running` pumps with the water at `level` m above the floor. The answer is computed once and kept. */
  at(level: number, running?: number): OperatingPoint;
  /** Flow of that point, m³/s, read from a table to six digits: for integrals over level; null where there is none. */
  flowAt(level: number, running?: number): number | null;
}

/** Head against flow as the maker prints it; defined between its first and last point and nowhere else. */
export const pumpCurve = (points: readonly CurvePoint[]): MonotoneCubic =>
  monotoneCubic(
    points.map((p) => p.flow),
    points.map((p) => p.head),
  );

interface Branch {
  readonly curve: MonotoneCubic;
  readonly riser: Pipeline;
  /** Pumps that are alike share one branch in the solving. */
  readonly key: string;
}

const branchOf = (pump: Pump, viscosity: number, friction: Station['settings']['friction']): Branch => ({
  curve: pumpCurve(pump.curve),
  riser: pipelineOf(pump.riser, viscosity, friction),
  key: JSON.stringify([pump.curve, pump.riser]),
});

/** The part of a station that its hydraulics are made from. */
export type HydraulicStation = Pick<Station, 'pumps' | 'discharge' | 'settings' | 'duty'>;

/** How far the water is lifted to a height m above the floor: from its own level, or, filling a tank, from the source, against the water over a drowned outlet. */
function liftTo(top: number, station: HydraulicStation): (level: number) => number {
  const { mover, drowned } = traitsOf(station);
  if (mover.kind === 'pump' && mover.stands === 'in-vessel') return (level) => top - level;
  const source = mover.kind === 'pump' ? mover.sourceLevel : 0;
  return drowned ? (level) => Math.max(top, level) - source : () => top - source;
}

/**
 * The hydraulics of a station with its pumps running.
 *
 * Each pump pushes q through its riser to the shared line, whose loss depends on the sum; there all have one head. The head just above
 * a pump is that of its riser's beginning; its weep hole leaks Cd·A·√(2g·h), h counted from the hole, or from the water when that
 * stands above it, less the velocity head; the pump passes q plus the leak. For a given sum the head at the shared line is known,
 * and each pump's flow falls strictly as that head rises: so there is at most one answer, found by bracketing. Pumps that are alike share
 * it evenly, and one solve does for all of them. A pump whose shut-off head is below the line's is held shut by its check valve.
 * Parallel pumps: F. M. White, "Fluid Mechanics", 7th ed., section 11.6.
 * @example
 * const point = hydraulicsOf(newStation('Sump', 'Yard', 'metric-230')).at(0.6, 1);
 * (point.flow * 1000).toFixed(2) // → '2.86'
 */
export function hydraulicsOf(station: HydraulicStation): Hydraulics {
  const { discharge, settings, pumps } = station;
  const viscosity = kinematicViscosity(settings.waterTemperature);
  const main = pipelineOf(discharge.segments, viscosity, settings.friction);
  const branches = pumps.map((p) => branchOf(p, viscosity, settings.friction));
  const laterals = discharge.laterals ? lateralSystem(discharge.laterals, viscosity, settings.friction) : null;
  const crest = Math.max(discharge.outlet, discharge.highPoint?.height ?? -Infinity);
  // Beyond a high point that is not vented a siphon pulls, once the pump has brought the water over it.
  const lift = liftTo(discharge.highPoint?.vented ? crest : discharge.outlet, station);
  const climb = liftTo(crest, station);
  const { mover, direction, drowned } = traitsOf(station);
  const hole = direction === 'fill' ? null : discharge.weepHole;
  const mainLoss = (q: number) => main.friction(q) + (laterals ? laterals.headAt(q) : main.exitHead(q));

  /** Leak of a pump that sends q into its riser while the shared line stands at `joint` m of loss beyond the static head. */
  const weepAt = (b: Branch, q: number, joint: number, level: number): number => {
    if (!hole) return 0;
    const entry = b.riser.length > 0 ? b.riser : main;
    const above = level + lift(level) + joint + b.riser.friction(q) - entry.entryHead(q) - Math.max(hole.height, level);
    return orificeFlow(settings.weepCoefficient, hole.diameter, above);
  };
  /** What is left of the pump's head after lift, riser and shared line: it delivers more while this is above zero. */
  const surplus = (b: Branch, q: number, joint: number, level: number): number =>
    b.curve.at(Math.min(q + weepAt(b, q, joint, level), b.curve.to)) - lift(level) - joint - b.riser.friction(q);

  /** Flow of one pump against a known loss of the shared line; past its last point it is held there. */
  const flowAgainst = (b: Branch, joint: number, level: number): number => {
    if (surplus(b, 0, joint, level) <= 0) return 0;
    const end = b.curve.to;
    return surplus(b, end, joint, level) > 0 ? end : brentRoot((q) => surplus(b, q, joint, level), 0, end, 1e-12);
  };

  const solve = (level: number, running: number): OperatingPoint => {
    const active = branches.slice(0, running);
    const alike = active.every((b) => b.key === active[0]!.key);
    const best = Math.max(...active.map((b) => surplus(b, 0, mainLoss(0) + climb(level) - lift(level), level)));
    if (best <= 0) return { ok: false, reason: 'below-static-head', needs: climb(level), has: climb(level) + best };
    const most = active.reduce((sum, b) => sum + b.curve.to, 0);
    const flows = (total: number) =>
      alike ? active.map(() => total / running) : active.map((b) => flowAgainst(b, mainLoss(total), level));
    const excess = alike
      ? (total: number) => surplus(active[0]!, total / running, mainLoss(total), level)
      : (total: number) => flows(total).reduce((a, b) => a + b, 0) - total;
    // Where even all curves' ends leave a surplus, the pumps run out.
    const total = excess(most) > 0 ? most : brentRoot(excess, 0, most, 1e-13);
    const joint = mainLoss(total);
    const duties = flows(total).map((flow, i): PumpDuty => {
      const b = active[i]!;
      const weep = flow > 0 ? weepAt(b, flow, joint, level) : 0;
      return { flow, weep, pumpFlow: flow + weep, head: b.curve.at(Math.min(flow + weep, b.curve.to)) };
    });
    const sum = (of: (d: PumpDuty) => number) => duties.reduce((s, d) => s + of(d), 0);
    // A pump whose end of curve still has head to spare is past it, whether or not its flow was held there.
    const spent = duties.every((d, i) => d.pumpFlow < active[i]!.curve.to * (1 - 1e-12));
    if (!spent)
      return {
        ok: false,
        reason: 'run-out',
        atLeast: sum((d) => Math.min(d.flow, Math.max(active[duties.indexOf(d)]!.curve.to - d.weep, 0))),
      };
    return {
      ok: true,
      flow: sum((d) => d.flow),
      weep: sum((d) => d.weep),
      pumpFlow: sum((d) => d.pumpFlow),
      head: duties[0]!.head,
      staticHead: lift(level),
      pumps: duties,
    };
  };

  const drainback = (running: number): number => {
    if (direction === 'fill') return 0;
    const { checkValve, highPoint } = discharge;
    const reach = Math.min(checkValve?.pipeBefore ?? Infinity, highPoint?.along ?? Infinity);
    const own = branches
      .slice(0, running)
      .reduce((sum, { riser }) => sum + riser.volumeOf(Math.min(reach, riser.length)), 0);
    const shared = Math.max(reach - (branches[0]?.riser.length ?? 0), 0);
    return own + main.volumeOf(Math.min(shared, main.length)) + (reach === Infinity && laterals ? laterals.volume : 0);
  };

  // A tank filled through a valve has no pump: what comes through the valve is known, whatever the level.
  const valve = mover.kind === 'valve' ? mover.flow : null;
  const known = new Map<string | number, OperatingPoint>();
  const point = (level: number, running: number): OperatingPoint =>
    valve === null
      ? solve(level, running)
      : { ok: true, flow: valve, weep: 0, pumpFlow: valve, head: 0, staticHead: 0, pumps: [] };
  const tables = branches.map((_, i) =>
    flowTable(
      (level) => {
        const p = point(level, i + 1);
        return p.ok ? p.flow : null;
      },
      hole ? hole.height : drowned ? crest : 0,
    ),
  );
  return {
    curves: branches.map((b) => b.curve),
    main,
    risers: branches.map((b) => b.riser),
    laterals,
    count: valve === null ? branches.length : 1,
    drainback,
    staticHead: lift,
    jointHead: (flow, level) => lift(level) + mainLoss(flow),
    at(level, running = 1) {
      const key = running === 1 ? level : `${running}:${level}`;
      const before = known.get(key);
      if (before) return before;
      const made = point(level, running);
      known.set(key, made);
      return made;
    },
    flowAt: (level, running = 1) => tables[running - 1]!(level),
  };
}
