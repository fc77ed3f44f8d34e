import { traitsOf } from '../duties';
import type { LevelContext } from './context';

/** The room from the alarm to the overflow, m³, and how long it lasts at each inflow with nothing that takes it away, s. */
export interface Reserve {
  readonly volume: number;
  readonly low: number;
  readonly design: number;
  readonly peak: number;
}

/**
 * How long the room over the alarm lasts: at each inflow, with the pumps dead. A tank that is filled runs over by its filling, stuck open while
 * nothing is drawn: that is one flow, whatever the draw.
 * @returns null without an alarm float, and where nothing is known of what fills it
 */
export function reserveOf({ station, vessel, alarm, overflow, inflow, atStop }: LevelContext): Reserve | null {
  if (!alarm) return null;
  const volume = Math.max(vessel.volume(overflow) - vessel.volume(alarm.rise), 0);
  if (traitsOf(station).direction !== 'fill')
    return { volume, low: volume / inflow.low, design: volume / inflow.design, peak: volume / inflow.peak };
  if (!atStop.ok || atStop.flow <= 0) return null;
  const lasts = volume / atStop.flow;
  return { volume, low: lasts, design: lasts, peak: lasts };
}
