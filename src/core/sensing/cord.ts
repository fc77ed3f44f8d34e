import { kindOf, type Sensor } from '../sensors';

/** Cord or tube that a sensor needs from itself up to the rim and on to its plug or splice, without slack, m. */
export function cordNeeded(sensor: Sensor, depth: number, cordRun: number): number {
  const { from, own } = kindOf(sensor).cord(sensor);
  return own + Math.max(depth - from, 0) + cordRun;
}
