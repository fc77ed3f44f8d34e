import type { NoDuty } from '../hydraulics';
import { goldenMinimum, integrate } from '../numeric';
import type { Result } from '../result';
import type { LevelGeometry } from './geometry';

export interface Cycle {
  /** m³/s */
  readonly inflow: number;
  /** Time from stop to lead, s. */
  readonly fill: number;
  /** Time from lead to stop, s; Infinity when the inflow holds the pump running. */
  readonly run: number;
  /** fill + run, s */
  readonly cycle: number;
  readonly startsPerHour: number;
  /** False when the pump cannot draw this inflow down to its stop. */
  readonly keepsUp: boolean;
}

export type CycleResult = Result<Cycle, NoDuty>;

/** Why there is no operating point anywhere between stop and lead, or null. Flow falls as the level falls, but run-out comes at the top. */
function noDutyBetween({ atStop, atLead }: LevelGeometry): NoDuty | null {
  if (!atStop.ok) return atStop;
  return atLead.ok ? null : atLead;
}

/** Flow out of the station at a level known to have an operating point, m³/s. */
function flowAt({ hydraulics }: LevelGeometry, level: number): number {
  const point = hydraulics.at(level);
  if (!point.ok) throw new RangeError(`no operating point at ${level} m`);
  return point.flow;
}

/** Time for the pump to draw the level from `from` down to `to` against an inflow that it overcomes, s: ∫ A dh / (Q(h) − Qi), piece by piece between the breaks of the vessel. */
export function drawTime(context: LevelGeometry, from: number, to: number, inflow: number, tolerance = 1e-9): number {
  const pace = (h: number) => context.vessel.area(h) / (flowAt(context, h) - inflow);
  const marks = [to, ...context.vessel.breaks.filter((h) => h > to && h < from), from];
  return marks.slice(1).reduce((time, upper, i) => time + integrate(pace, marks[i]!, upper, tolerance), 0);
}

function cycleAt(context: LevelGeometry, inflow: number, leastFlow: number, tolerance?: number): Cycle {
  const fill = Math.max(context.drawdown - context.hydraulics.drainback, 0) / inflow;
  const keepsUp = inflow < leastFlow;
  const run = keepsUp ? drawTime(context, context.lead, context.stop, inflow, tolerance) : Infinity;
  const cycle = fill + run;
  return { inflow, fill, run, cycle, startsPerHour: 3600 / cycle, keepsUp };
}

/**
 * One fill and one run at a steady inflow. The water that drains back after a stop shortens the fill.
 * @param inflow above zero, m³/s
 */
export function cycleOf(context: LevelGeometry, inflow: number): CycleResult {
  const none = noDutyBetween(context);
  if (none) return { ok: false, ...none };
  return { ok: true, ...cycleAt(context, inflow, flowAt(context, context.stop)) };
}

/**
 * The inflow at which the pump starts most often, and that cycle. Fill time V/Qi and run time ∫ A dh/(Q(h) − Qi) are both
 * convex in Qi, so their sum has one valley between no inflow and the pump's least flow. Where Q is constant this
 * is the classical Qi = Q/2, T = 4·V/Q.
 */
export function worstCycle(context: LevelGeometry): CycleResult {
  const none = noDutyBetween(context);
  if (none) return { ok: false, ...none };
  const leastFlow = flowAt(context, context.stop);
  const { x } = goldenMinimum((q) => cycleAt(context, q, leastFlow, 1e-6).cycle, 0, leastFlow);
  return { ok: true, ...cycleAt(context, x, leastFlow) };
}
