import type { Hydraulics, OperatingPoint } from '../hydraulics';
import type { Trips } from '../sensing';
import type { Sensor, Station } from '../station';
import type { Vessel } from '../vessel';

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
  readonly sensors: readonly SensorTrips[];
  /** Where the pump stops and starts: the trips of its float. */
  readonly stop: number;
  readonly lead: number;
  /** Where the bell begins to ring and where it clears; null without an alarm float. */
  readonly alarm: Trips | null;
  readonly overflow: number;
  /** Water between stop and lead, m³. */
  readonly drawdown: number;
  readonly atStop: OperatingPoint;
  readonly atLead: OperatingPoint;
}
