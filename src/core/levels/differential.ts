import type { LevelContext } from './context';
import type { SensorTrips } from './geometry';

/** What the differential of a sensor costs: the water that must come, or go, before it acts again. */
export interface Differential {
  /** m */
  readonly height: number;
  /** m³ */
  readonly volume: number;
  /** At the design inflow, s. */
  readonly time: number;
}

/** How much water lies between the trips of a sensor, and how long the design inflow (or draw) takes for it. */
export function differentialOf({ vessel, inflow }: LevelContext, { rise, fall }: SensorTrips): Differential {
  const volume = vessel.volume(rise) - vessel.volume(fall);
  return { height: rise - fall, volume, time: volume / inflow.design };
}
