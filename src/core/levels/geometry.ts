import type { Hydraulics, OperatingPoint } from '../hydraulics';
import type { Flows } from '../inflow';
import type { Trips } from '../sensors';
import type { Sensor } from '../sensors';
import type { Station } from '../station';
import type { Vessel } from '../vessel';
import type { Mark } from './marks';

export interface SensorTrips extends Trips {
  readonly sensor: Sensor;
  /** Order from the floor, by rise trip: 1 is the lowest. The number that its drawing carries. */
  readonly order: number;
}

/** Levels, geometry and hydraulics of a station: what its cycles are worked out from. Heights in m above the floor. */
export interface LevelGeometry {
  readonly station: Station;
  readonly vessel: Vessel;
  readonly hydraulics: Hydraulics;
  /** What comes in; of a tank that is being filled, what is drawn from it. */
  readonly inflow: Flows;
  readonly sensors: readonly SensorTrips[];
  /** Where the pump stops and starts. */
  readonly stop: number;
  readonly lead: number;
  /** Where the first, the second and the third pump are called, as far as there is one and something calls it. */
  readonly calls: readonly number[];
  /** Where the alarm begins to ring and where it clears; null without one. */
  readonly alarm: Trips | null;
  /** Redundant off, or the low alarm of a tank. */
  readonly low: Trips | null;
  readonly peak: Trips | null;
  readonly cutoff: Trips | null;
  readonly overflow: number;
  /** Every level that is fitted, in the order in which they must stand from the floor up. */
  readonly marks: readonly Mark[];
  /** Water between stop and start, m³. */
  readonly drawdown: number;
  /** One pump running. */
  readonly atStop: OperatingPoint;
  readonly atLead: OperatingPoint;
}
