import type { NoDuty } from '../hydraulics';
import type { Result } from '../result';

/** How a station cycles at a steady inflow. */
export interface Cycle {
  /** What comes in; of a tank being filled, what is drawn; m³/s. */
  readonly inflow: number;
  /** Time in which no pump runs, s: from stop to start; Infinity where the water leaves by itself and never calls. */
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
  /** Which pump leads in it, by number from 0: of unlike pumps that take turns, the one whose turn is the shortest, or does not end. */
  readonly lead: number;
}

export type CycleResult = Result<Cycle, NoDuty>;
