import type { Inflow } from '../station';
import { flowsOf, inflowAt } from './flows';

/** Steps of a day that the surge is counted over, s: pattern and hours of use change on none but whole and half hours. */
const STEP = 1800;

/** Water of a design day, m³. A storm counts from its first row to its last, at most a day of it. */
export function dailyVolume(inflow: Inflow): number {
  if (inflow.source.kind === 'storm') {
    const { rows } = inflow.source;
    const lasts = Math.min(rows[rows.length - 1]!.time - rows[0]!.time, 86400);
    const { low, design } = flowsOf(inflow);
    return design * lasts + low * (86400 - lasts);
  }
  if (inflow.source.kind === 'fixtures')
    return flowsOf({ ...inflow, infiltration: 0 }).low * 86400 + inflow.infiltration * 86400;
  return flowsOf(inflow).design * 86400;
}

/**
 * Most water that stands over what is taken out evenly through the day, m³: what a tank must hold between the start of its timer
 * and its alarm. Ripple's mass curve, run over two like days so that a surge across midnight counts. A steady inflow tells no
 * hours: there the peak is taken to last `surge` s.
 * Source: W. Rippl, "The capacity of storage-reservoirs for water supply", Minutes Proc. ICE 71 (1883) 270–278.
 *
 * @param factor how much wetter than a design day the day is, 1 or more
 */
export function daySurge(inflow: Inflow, takenPerDay: number, surge: number, factor: number): number {
  const out = takenPerDay / 86400;
  const { kind } = inflow.source;
  if (kind === 'steady' || kind === 'appliances') return Math.max(flowsOf(inflow).peak - out, 0) * surge;
  let stands = 0;
  let most = 0;
  for (let t = 0; t < 2 * 86400; t += STEP) {
    const at = kind === 'storm' ? t : t % 86400;
    const flow = (inflowAt(inflow, at) + inflowAt(inflow, at + STEP - 1e-6)) / 2;
    stands = Math.max(stands + (flow * factor - out) * STEP, 0);
    most = Math.max(most, stands);
  }
  return most;
}
