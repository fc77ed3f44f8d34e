import { hydraulicsOf } from '../hydraulics';
import { tripsOf } from '../sensing';
import type { Station } from '../station';
import { vesselOf } from '../vessel';
import { worstCycle, type CycleResult } from './cycle';
import type { LevelGeometry } from './geometry';

/** What every rule and every figure is made from: worked out once for a station. */
export interface LevelContext extends LevelGeometry {
  /** The cycle at the inflow that makes the pump start most often. */
  readonly worst: CycleResult;
}

/** @throws RangeError when no float runs the pump; a checked station always has one */
export function levelContext(station: Station): LevelContext {
  const vessel = vesselOf(station.vessel);
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
