import { traitsOf } from '../duties';
import { brentRoot, type MonotoneCubic } from '../numeric';
import { kinematicViscosity } from '../physics';
import type { Result } from '../result';
import type { Station } from '../station';
import { branchOf, runningFlow, standingFlow, surplusOf, weepOf, type Around, type Branch } from './branch';
import { flowTable } from './flowTable';
import { lateralSystem, type LateralSystem } from './laterals';
import { pipelineOf, type Pipeline } from './pipeline';
import { sharedLine } from './sharedLine';

/** One pump of those running. */
export interface PumpDuty {
  /** Flow that this pump sends into the line, m³/s; below zero: it is pushed back through it. */
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
  /** What of their flow comes back through pumps that stand, and is not delivered, m³/s. */
  readonly shortCircuit: number;
}

export type NoDuty =
  /** No pump can lift the water to the outlet at all: static head m against the best shut-off head m. */
  | { readonly reason: 'below-static-head'; readonly needs: number; readonly has: number }
  /** A pump would run past the last point of its curve: together they deliver at least this, m³/s, and how much more is not known. */
  | { readonly reason: 'run-out'; readonly atLeast: number };

/** Where pumps and pipe agree at one water level, or the reason that they do not. */
export type OperatingPoint = Result<Duty, NoDuty>;

/** Which pumps run: so many of the first, or these, by their numbers from 0. */
export type Running = number | readonly number[];

/** Water that falls back into the vessel after a stop, m³, and how long it takes, s. */
export interface Drainback {
  readonly volume: number;
  readonly time: number;
}

export interface Hydraulics {
  /** Each pump's curve. */
  readonly curves: readonly MonotoneCubic[];
  /** The line that all pumps share, and each pump's own before it. */
  readonly main: Pipeline;
  readonly risers: readonly Pipeline[];
  readonly laterals: LateralSystem | null;
  /** Pumps in the order in which they are called. */
  readonly count: number;
  /** Groups of pumps that are alike: the number of the first of each that is like it. */
  readonly likeness: readonly number[];
  /** Water that falls back into the vessel, whose water is at `level`, after those pumps stop: what stands above it, and nothing holds. */
  drainback(running: Running, level: number): Drainback;
  /** Head that the shared line asks for where the risers join, to take `flow` from `level`, m. */
  jointHead(flow: number, level: number): number;
  /** How far the water is lifted with the water at `level`, m. */
  staticHead(level: number): number;
  /** The operating point of the pumps that run, with the water at `level` m above the floor. The answer is computed once and kept. */
  at(level: number, running?: Running): OperatingPoint;
  /** Flow of that point, m³/s, read from a table to six digits: for integrals over level; null where there is none. */
  flowAt(level: number, running?: Running): number | null;
  /** The same as a function of level alone. */
  table(running: Running): (level: number) => number | null;
  /**
   * Flow while no pump runs and the line is full, m³/s: above zero it leaves by its own fall, below zero it comes back out of the tank that
   * is filled.
   */
  still(level: number): number;
  /** Height that the water must stand over for anything to flow without a pump, once the line is full, m. */
  standingHeight(level: number): number;
  /** Whether anything flows without a pump, at any level up to `height`. */
  flowsStill(height: number): boolean;
  /** The highest place that the water passes, m, and whether beyond it a siphon pulls. */
  readonly crest: number;
  readonly siphons: boolean;
}

/** The part of a station that its hydraulics are made from. */
export type HydraulicStation = Pick<Station, 'pumps' | 'discharge' | 'settings' | 'duty'>;

/** What of it is out of order: pumps, by number from 0, whose check valves do not close. */
export interface Disorder {
  readonly checksOpen?: readonly number[];
}

/** Pumps that are alike and do the same, and how many there are. */
interface Group {
  readonly branch: Branch;
  readonly runs: boolean;
  readonly members: readonly number[];
}

const BOTH_WAYS = 1e-12;

/**
 * The hydraulics of a station with some of its pumps running.
 *
 * Each pump pushes q through its riser to the shared line, whose head depends on the sum; there all have one head. The head just above
 * a pump is that of its riser's beginning; its weep hole leaks Cd·A·√(2g·h), h counted from the hole, or from the water when that
 * stands above it, less the velocity head; the pump passes q plus the leak. A pump that stands is a resistance of so many velocity heads, which
 * lets water through forwards, and back where its check valve does not close. For a given sum the head at the shared line is known, and each
 * pump's flow falls strictly as that head rises: so there is at most one answer, found by bracketing. Pumps that are alike share it evenly,
 * and one solve does for all of them. A pump whose shut-off head is below the line's is held shut by its check valve.
 * Parallel pumps: F. M. White, "Fluid Mechanics", 7th ed., section 11.6.
 * @example
 * const point = hydraulicsOf(newStation('Sump', 'Yard', 'metric-230')).at(0.6, 1);
 * (point.flow * 1000).toFixed(2) // → '2.86'
 */
export function hydraulicsOf(station: HydraulicStation, { checksOpen = [] }: Disorder = {}): Hydraulics {
  const { discharge, settings, pumps } = station;
  const { mover, direction, drowned } = traitsOf(station);
  const viscosity = kinematicViscosity(settings.waterTemperature);
  const school = settings.friction;
  const main = pipelineOf(discharge.segments, viscosity, school);
  const branches = pumps.map((p, i) =>
    branchOf(p, discharge.segments[0]!, {
      viscosity,
      school,
      standingLoss: settings.standingLoss,
      open: discharge.checkValve === null || checksOpen.includes(i),
    }),
  );
  const laterals = discharge.laterals ? lateralSystem(discharge.laterals, viscosity, school) : null;
  const line = sharedLine(discharge, { riser: branches[0]?.riser.length ?? 0, viscosity, school, laterals, drowned });
  const inVessel = mover.kind === 'pump' && mover.stands === 'in-vessel';
  const source = mover.kind === 'pump' && mover.stands === 'at-source' ? mover.sourceLevel : 0;
  const hole =
    direction === 'fill' || !discharge.weepHole
      ? null
      : { ...discharge.weepHole, coefficient: settings.weepCoefficient };
  const aroundOf = (level: number, b: Branch): Around => ({
    suction: inVessel ? level : source,
    level,
    hole,
    entryHead: (b.riser.length > 0 ? b.riser : main).entryHead,
  });
  const likeness = branches.map((b) => branches.findIndex((x) => x.key === b.key));
  const allAlike = likeness.every((l) => l === 0);
  const allOf = (running: Running): readonly number[] =>
    typeof running === 'number' ? branches.slice(0, running).map((_, i) => i) : running;
  /** Of pumps that are all alike it does not matter which run: what is known of some serves for others. */
  const plain = (running: Running): Running => (typeof running === 'object' && allAlike ? running.length : running);

  const flowOf = ({ branch, runs }: Group, head: number, level: number): number =>
    (runs ? runningFlow : standingFlow)(branch, head, aroundOf(level, branch));

  /** Pumps by what they are and do; of those that stand only such as may let something through. */
  function groupsOf(running: readonly number[], level: number): Group[] {
    const made = new Map<string, { branch: Branch; runs: boolean; members: number[] }>();
    for (const [i, branch] of branches.entries()) {
      const runs = running.includes(i);
      if (!runs && !branch.open && line.standing(level) >= aroundOf(level, branch).suction) continue;
      const key = `${runs}${branch.key}`;
      const there = made.get(key);
      if (there) there.members.push(i);
      else made.set(key, { branch, runs, members: [i] });
    }
    return [...made.values()];
  }

  /** The sum that a lone group of running pumps sends on, by one root; null where more than one group takes part. */
  function ofOne(groups: readonly Group[], level: number): number | null {
    const [only] = groups;
    if (groups.length !== 1 || !only?.runs || only.branch.open) return null;
    const n = only.members.length;
    const around = aroundOf(level, only.branch);
    const excess = (total: number) => surplusOf(only.branch, total / n, line.headFor(total, level), around);
    const most = n * only.branch.curve.to;
    return excess(most) > 0 ? most : brentRoot(excess, 0, most, 1e-13);
  }

  const sumOf = (groups: readonly Group[], head: number, level: number): number =>
    groups.reduce((sum, g) => sum + g.members.length * flowOf(g, head, level), 0);

  /** The head at the joint, and what leaves through the line, in a full line: below zero it comes back. */
  function balance(groups: readonly Group[], level: number): { readonly head: number; readonly total: number } {
    const lone = ofOne(groups, level);
    if (lone !== null) return { head: line.headFor(lone, level), total: lone };
    const rest = line.standing(level);
    const most = sumOf(groups, rest, level);
    if (most > BOTH_WAYS) {
      const total = brentRoot((q) => sumOf(groups, line.headFor(q, level), level) - q, 0, most, 1e-13);
      return { head: line.headFor(total, level), total };
    }
    const back = line.headBack(0, level);
    if (most < -BOTH_WAYS && back > -Infinity) {
      const total = -brentRoot((q) => -sumOf(groups, line.headBack(q, level), level) - q, 0, -most, 1e-13);
      return { head: line.headBack(-total, level), total };
    }
    // Nothing passes the line: what some pump in and pushes goes back through others, at the head where the two agree.
    const low = Math.min(...groups.map((g) => aroundOf(level, g.branch).suction), rest);
    const open = groups.some((g) => g.branch.open);
    const head = open && most < -BOTH_WAYS ? brentRoot((h) => sumOf(groups, h, level), low, rest, 1e-12) : rest;
    return { head, total: 0 };
  }

  const solve = (level: number, running: readonly number[]): OperatingPoint => {
    const groups = groupsOf(running, level);
    const needs = line.climb(level);
    const suction = inVessel ? level : source;
    // Before anything flows the water stands at the crest, if the pumps bring it there through whatever short-circuits them.
    const reached = sumOf(groups, needs, level);
    const active = running.map((i) => branches[i]!);
    const best = Math.max(...active.map((b) => surplusOf(b, 0, needs, aroundOf(level, b))));
    if (best <= 0)
      return { ok: false, reason: 'below-static-head', needs: needs - suction, has: needs - suction + best };
    if (reached <= 0) {
      const { head } = balance(groups, level);
      return { ok: false, reason: 'below-static-head', needs: needs - suction, has: head - suction };
    }
    const { head: joint, total } = balance(groups, level);
    const duties = running.map((i, k): PumpDuty => {
      const b = active[k]!;
      const around = aroundOf(level, b);
      const alone = groups.length === 1 ? total / running.length : runningFlow(b, joint, around);
      const weep = alone > 0 ? weepOf(b, alone, joint, around) : 0;
      const through = alone + weep;
      return {
        flow: alone,
        weep,
        pumpFlow: through,
        head: b.curve.at(Math.min(Math.max(through, b.curve.from), b.curve.to)),
      };
    });
    const sum = (of: (d: PumpDuty) => number) => duties.reduce((s, d) => s + of(d), 0);
    const passing = groups.filter((g) => !g.runs).reduce((s, g) => s + g.members.length * flowOf(g, joint, level), 0);
    // A pump whose end of curve still has head to spare is past it, whether or not its flow was held there.
    if (!duties.every((d, k) => d.pumpFlow < active[k]!.curve.to * (1 - 1e-12)))
      return {
        ok: false,
        reason: 'run-out',
        atLeast: Math.max(
          duties.reduce((s, d, k) => s + Math.min(d.flow, Math.max(active[k]!.curve.to - d.weep, 0)), 0) + passing,
          0,
        ),
      };
    return {
      ok: true,
      flow: total,
      weep: sum((d) => d.weep),
      pumpFlow: sum((d) => d.pumpFlow),
      head: duties[0]!.head,
      staticHead: lift(level),
      pumps: duties,
      shortCircuit: Math.max(-passing, 0),
    };
  };

  /** How far the water is lifted: to its end, or to a crest with air in it. */
  const lift = (level: number): number => line.standing(level) - (inVessel ? level : source);

  const drainback = (which: Running, level: number): Drainback => {
    const running = plain(which);
    if (direction === 'fill') return { volume: 0, time: 0 };
    const key = `${String(running)}|${typeof running}|${level}`;
    const before = fallen.get(key);
    if (before) return before;
    const made = fallBack(allOf(running), level);
    fallen.set(key, made);
    return made;
  };
  const fallen = new Map<string, Drainback>();

  /** Those that ran leave their columns, and those that nothing closes what the others brought into theirs. */
  const fallBack = (ran: readonly number[], level: number): Drainback => {
    const { checkValve, highPoint } = discharge;
    const set = branches.flatMap((b, i) => (ran.includes(i) || (b.open && ran.length > 0) ? [i] : []));
    const crestAt = highPoint?.along ?? Infinity;
    const reachOf = (i: number) => Math.min(branches[i]!.open ? Infinity : checkValve!.pipeBefore, crestAt);
    const reach = Math.max(...set.map(reachOf));
    // What stands under the water stays: pipes are taken to rise straight from the pump.
    const foot = (i: number) => (pumps[i]!.intake + pumps[i]!.volute) / 2;
    const under = (i: number) => Math.max(level - foot(i), 0);
    const part = (pipe: Pipeline, from: number, to: number) =>
      Math.max(
        pipe.volumeOf(Math.min(Math.max(to, 0), pipe.length)) - pipe.volumeOf(Math.min(Math.max(from, 0), pipe.length)),
        0,
      );
    const own = set.reduce((sum, i) => sum + part(branches[i]!.riser, under(i), reachOf(i)), 0);
    const first = set[0] ?? 0;
    const riser = branches[first]?.riser.length ?? 0;
    const shared = set.length > 0 ? part(main, under(first) - riser, reach - riser) : 0;
    const whole = reach === Infinity && laterals ? laterals.volume : 0;
    const volume = own + shared + whole;
    if (volume <= 0) return { volume: 0, time: 0 };
    // It falls from the top of its column through pumps that stand, ever slower: twice the time of its first flow.
    const top = Math.min(line.crest, foot(first) + reach);
    const drop = Math.max(top - level, 1e-3);
    const flow = set.reduce(
      (sum, i) => sum - standingFlow({ ...branches[i]!, open: true }, level + drop, aroundOf(level, branches[i]!)),
      0,
    );
    return { volume, time: (2 * volume) / flow };
  };

  // A tank filled through a valve has no pump: what comes through the valve is known, whatever the level.
  const valve = mover.kind === 'valve' ? mover.flow : null;
  const known = new Map<string | number, OperatingPoint>();
  const point = (level: number, running: readonly number[]): OperatingPoint =>
    valve === null
      ? solve(level, running)
      : { ok: true, flow: valve, weep: 0, pumpFlow: valve, head: 0, staticHead: 0, pumps: [], shortCircuit: 0 };
  const at = (level: number, which: Running = 1): OperatingPoint => {
    const running = plain(which);
    const key = running === 1 ? level : `${String(running)}${typeof running === 'number' ? ':' : ';'}${level}`;
    const before = known.get(key);
    if (before) return before;
    const made = point(level, allOf(running));
    known.set(key, made);
    return made;
  };
  const still = (level: number): number => {
    if (valve !== null) return 0;
    const groups = groupsOf([], level);
    return groups.length === 0 ? 0 : balance(groups, level).total;
  };
  const flowsStill = (height: number): boolean =>
    valve === null && (inVessel ? line.standing(height) < height : still(height) !== 0);
  const tables = new Map<string, (level: number) => number | null>();
  const tableOf = (running: Running) => {
    const set = allOf(plain(running));
    const key = String(set);
    const there = tables.get(key);
    if (there) return there;
    const made = flowTable(
      (level) => {
        const p = point(level, set);
        return p.ok ? p.flow : null;
      },
      hole ? hole.height : drowned ? line.crest : 0,
    );
    tables.set(key, made);
    return made;
  };
  return {
    curves: branches.map((b) => b.curve),
    main,
    risers: branches.map((b) => b.riser),
    laterals,
    count: valve === null ? branches.length : 1,
    likeness,
    drainback,
    staticHead: lift,
    jointHead: (flow, level) => line.headFor(flow, level) - (inVessel ? level : source),
    at,
    flowAt: (level, running = 1) => tableOf(running)(level),
    table: tableOf,
    still,
    standingHeight: line.standing,
    flowsStill,
    crest: line.crest,
    siphons: line.siphons,
  };
}
