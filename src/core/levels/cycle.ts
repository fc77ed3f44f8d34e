import type { NoDuty } from '../hydraulics';
import { goldenMinimum, integrate } from '../numeric';
import type { Result } from '../result';
import type { LevelGeometry } from './geometry';

export interface Cycle {
  /** What comes in; of a tank being filled, what is drawn; m³/s. */
  readonly inflow: number;
  /** Time in which no pump runs, s: from stop to start. */
  readonly fill: number;
  /** Time in which one pump or more runs, from start to stop, s; Infinity when the inflow holds it running. */
  readonly run: number;
  /** fill + run, s */
  readonly cycle: number;
  /** Of the pump that starts most. Pumps that take turns share the starts. */
  readonly startsPerHour: number;
  /** False when the pumps cannot bring the water to their stop against this inflow. */
  readonly keepsUp: boolean;
  /** How many pumps run at once. */
  readonly pumps: number;
}

export type CycleResult = Result<Cycle, NoDuty>;

/** Flow of the first `running` pumps at a level known to have an operating point, m³/s. */
function flowAt({ hydraulics }: Pick<LevelGeometry, 'hydraulics'>, level: number, running: number): number {
  const flow = hydraulics.flowAt(level, running);
  if (flow === null) throw new RangeError(`no operating point at ${level} m`);
  return flow;
}

/** ∫ A dh / |Q(h) − Qi| between two levels, s, piece by piece between the breaks of the vessel. */
function passTime(
  context: LevelGeometry,
  a: number,
  b: number,
  inflow: number,
  running: number,
  tolerance: number,
): number {
  const [low, high] = [Math.min(a, b), Math.max(a, b)];
  const pace = (h: number) =>
    context.vessel.area(h) / Math.abs((running > 0 ? flowAt(context, h, running) : 0) - inflow);
  const marks = [low, ...context.vessel.breaks.filter((h) => h > low && h < high), high];
  return marks.slice(1).reduce((time, upper, i) => time + integrate(pace, marks[i]!, upper, tolerance), 0);
}

/** Time for `running` pumps to bring the level from `from` to `to` against an inflow that they overcome, s. */
export const drawTime = (
  context: LevelGeometry,
  from: number,
  to: number,
  inflow: number,
  running = 1,
  tolerance = 1e-9,
): number => passTime(context, from, to, inflow, running, tolerance);

/** A way in which the station can cycle: `running` pumps at once, at inflows between two ends. */
interface Regime {
  readonly running: number;
  readonly least: number;
  readonly most: number;
}

/** Why there is no operating point somewhere between stop and a call, or null: flow changes one way with level, so the ends tell. */
function noDutyIn({ hydraulics, stop, calls }: LevelGeometry): NoDuty | null {
  for (const [i, call] of calls.entries()) {
    for (const level of [stop, call]) {
      const point = hydraulics.at(level, i + 1);
      if (!point.ok) return point;
    }
  }
  return null;
}

/**
 * Pump k is called only when k − 1 pumps lose ground all the way to its call, and k pumps end a cycle only where they gain all the way
 * to the stop. Between two regimes the pumps run on without a stop.
 */
function regimesOf({ stop, calls, hydraulics }: LevelGeometry): Regime[] {
  const flow = (level: number, running: number) => flowAt({ hydraulics }, level, running);
  return calls.map((call, i) => ({
    running: i + 1,
    least: i === 0 ? 0 : Math.max(flow(call, i), flow(calls[i - 1]!, i)),
    most: Math.min(flow(stop, i + 1), flow(call, i + 1)),
  }));
}

/** Share of the cycles in which one pump starts. */
const turn = ({ station, hydraulics }: LevelGeometry, running: number): number =>
  station.control.alternates ? running / hydraulics.count : 1;

function cycleIn(context: LevelGeometry, { running }: Regime, inflow: number, tolerance = 1e-9): Cycle {
  const { calls, stop, drawdown, hydraulics } = context;
  const fill = Math.max(drawdown - hydraulics.drainback(running), 0) / inflow;
  let run = drawTime(context, calls[running - 1]!, stop, inflow, running, tolerance);
  for (let k = 1; k < running; k++) run += passTime(context, calls[k - 1]!, calls[k]!, inflow, k, tolerance);
  const cycle = fill + run;
  return {
    inflow,
    fill,
    run,
    cycle,
    startsPerHour: (3600 / cycle) * turn(context, running),
    keepsUp: true,
    pumps: running,
  };
}

/**
 * One fill and one run at a steady inflow. The water that drains back after a stop shortens the fill.
 * @param inflow above zero, m³/s
 */
export function cycleOf(context: LevelGeometry, inflow: number): CycleResult {
  const none = noDutyIn(context);
  if (none) return { ok: false, ...none };
  const regimes = regimesOf(context);
  const regime = regimes.find((r) => inflow > r.least && inflow < r.most);
  if (regime) return { ok: true, ...cycleIn(context, regime, inflow) };
  const running = regimes.filter((r) => inflow > r.least).at(-1)?.running ?? 1;
  return {
    ok: true,
    inflow,
    fill: Math.max(context.drawdown - context.hydraulics.drainback(running), 0) / inflow,
    run: Infinity,
    cycle: Infinity,
    startsPerHour: 0,
    keepsUp: false,
    pumps: running,
  };
}

/**
 * The inflow at which a pump starts most often, and that cycle. In each regime fill time V/Qi and the times ∫ A dh/|Q(h) − Qi|
 * are convex in Qi, so their sum has one valley between its ends. With one pump of constant flow this is the classical
 * Qi = Q/2, T = 4·V/Q.
 */
export function worstCycle(context: LevelGeometry): CycleResult {
  const none = noDutyIn(context);
  if (none) return { ok: false, ...none };
  const worst = regimesOf(context)
    .filter((r) => r.least < r.most)
    .map((r) => {
      const { x } = goldenMinimum((q) => cycleIn(context, r, q, 1e-6).cycle, r.least, r.most);
      return cycleIn(context, r, x);
    })
    .reduce<Cycle | null>((most, c) => (most && most.startsPerHour >= c.startsPerHour ? most : c), null);
  return worst ? { ok: true, ...worst } : cycleOf(context, context.inflow.design);
}
