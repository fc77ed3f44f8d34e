import { hydraulicsOf, type Hydraulics, type OperatingPoint } from '../hydraulics';
import { tripsOf, type Trips } from '../sensing';
import type { Sensor, Station } from '../station';
import { vesselOf, type Vessel } from '../vessel';
import { worstCycle, type CycleResult } from './cycle';

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

/** What every rule and every figure is made from: worked out once for a station. */
export interface LevelContext extends LevelGeometry {
  /** The cycle at the inflow that makes the pump start most often. */
  readonly worst: CycleResult;
}

/** @throws RangeError when no float runs the pump; a checked station always has one */
export function levelContext(station: Station): LevelContext {
  const vessel = vesselOf(station.vessel.shape);
  const hydraulics = hydraulicsOf(station);
  const sensors = station.sensors
    .map((sensor) => ({ sensor, ...tripsOf(sensor) }))
    .sort((a, b) => a.rise - b.rise)
    .map((s, i) => ({ ...s, order: i + 1 }));
  const pump = sensors.find((s) => s.sensor.role === 'pump');
  if (!pump) throw new RangeError('no float runs the pump');
  const alarm = sensors.find((s) => s.sensor.role === 'alarm') ?? null;
  const { rise: lead, fall: stop } = pump;
  const geometry: LevelGeometry = {
    station,
    vessel,
    hydraulics,
    sensors,
    stop,
    lead,
    alarm,
    overflow: station.vessel.overflow,
    drawdown: vessel.volume(lead) - vessel.volume(stop),
    atStop: hydraulics.at(stop),
    atLead: hydraulics.at(lead),
  };
  return { ...geometry, worst: worstCycle(geometry) };
}
