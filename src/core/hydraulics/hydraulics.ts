import { traitsOf } from '../duties';
import type { MonotoneCubic } from '../numeric';
import { kinematicViscosity } from '../physics';
import type { Station } from '../station';
import { branchOf } from './branch';
import { fallBack, type Drainback } from './drainback';
import { flowTable } from './flowTable';
import { lateralSystem, type LateralSystem } from './laterals';
import { operatingPoint, stillFlow, type Network, type OperatingPoint } from './network';
import { pipelineOf, type Pipeline } from './pipeline';
import { sharedLine } from './sharedLine';

/** Which pumps run: so many of the first, or these, by their numbers from 0. */
export type Running = number | readonly number[];

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
/** The settings on which the flow of water depends; every other leaves it as it is. */
export const WATER_SETTINGS = ['waterTemperature', 'friction', 'standingLoss', 'weepCoefficient'] as const;
export type HydraulicStation = Pick<Station, 'pumps' | 'discharge' | 'duty'> & {
  readonly settings: Pick<Station['settings'], (typeof WATER_SETTINGS)[number]>;
};

/** What of it is out of order: pumps, by number from 0, whose check valves do not close. */
export interface Disorder {
  readonly checksOpen?: readonly number[];
}

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
  const { pumps, discharge, duty, settings } = station;
  const key = JSON.stringify([pumps, discharge, duty, WATER_SETTINGS.map((s) => settings[s]), checksOpen]);
  const before = LAST.get(key);
  if (before) return before;
  if (LAST.size >= KEPT) LAST.delete(LAST.keys().next().value!);
  const made = hydraulicsMade(station, checksOpen);
  LAST.set(key, made);
  return made;
}

/** Those that were asked for last: what is judged, predicted and rehearsed of one station flows through one pipe. */
const LAST = new Map<string, Hydraulics>();
const KEPT = 8;

function hydraulicsMade(station: HydraulicStation, checksOpen: readonly number[]): Hydraulics {
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
  const suction = (level: number) => (inVessel ? level : source);
  const network: Network = {
    branches,
    line,
    suction,
    around: (level, b) => ({
      suction: suction(level),
      level,
      hole,
      entryHead: (b.riser.length > 0 ? b.riser : main).entryHead,
    }),
  };
  const likeness = branches.map((b) => branches.findIndex((x) => x.key === b.key));
  const allAlike = likeness.every((l) => l === 0);
  const allOf = (running: Running): readonly number[] =>
    typeof running === 'number' ? branches.slice(0, running).map((_, i) => i) : running;
  /** Of pumps that are all alike it does not matter which run: what is known of some serves for others. */
  const plain = (running: Running): Running => (typeof running === 'object' && allAlike ? running.length : running);

  /** How far the water is lifted: to its end, or to a crest with air in it. */
  const lift = (level: number): number => line.standing(level) - suction(level);

  const drainback = (which: Running, level: number): Drainback => {
    const running = plain(which);
    if (direction === 'fill') return { volume: 0, time: 0 };
    const key = `${String(running)}|${typeof running}|${level}`;
    const before = fallen.get(key);
    if (before) return before;
    const made = fallBack(station, network, { main, laterals }, allOf(running), level);
    fallen.set(key, made);
    return made;
  };
  const fallen = new Map<string, Drainback>();

  // A tank filled through a valve has no pump: what comes through the valve is known, whatever the level.
  const valve = mover.kind === 'valve' ? mover.flow : null;
  const known = new Map<string | number, OperatingPoint>();
  const point = (level: number, running: readonly number[]): OperatingPoint =>
    valve === null
      ? operatingPoint(network, level, running)
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
  const still = (level: number): number => (valve === null ? stillFlow(network, level) : 0);
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
    jointHead: (flow, level) => line.headFor(flow, level) - suction(level),
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
