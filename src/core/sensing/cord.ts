import type { Sensor } from '../station';
import { kindOf } from './kinds';

/** Cord or tube that a sensor needs from itself up to the rim and on to its plug or splice, without slack, m. */
export function cordNeeded(sensor: Sensor, depth: number, cordRun: number): number {
  const own = sensor.kind === 'tilt' ? sensor.tether : 0;
  const from = sensor.kind === 'transmitter' ? sensor.zero : kindOf(sensor).setting(sensor);
  return own + Math.max(depth - from, 0) + cordRun;
}
