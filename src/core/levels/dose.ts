import type { NoDuty } from '../hydraulics';
import { dailyVolume, daySurge } from '../inflow';
import type { Result } from '../result';
import type { LevelGeometry } from './geometry';

interface Dosed {
  /** Water that one dose puts out, net of what drains back, m³. */
  readonly volume: number;
  /** Water of a design day, m³. */
  readonly perDay: number;
  /** Pipe that each dose must fill first, m³: the laterals, which empty between doses. */
  readonly fills: number;
  /** Water that gathers in a design day while it comes faster than it is dosed, m³. */
  readonly surge: number;
}

/** What a timer makes of a day: starts an hour, doses a day, water a day, m³. */
export interface Timed {
  readonly rest: number;
  readonly startsPerHour: number;
  readonly dosesPerDay: number;
  readonly takesPerDay: number;
}

/** A timer that runs the pump `on` s and rests it `rest` s, at so much a dose. */
export function timedDay(on: number, rest: number, volume: number): Timed {
  const dosesPerDay = 86400 / (on + rest);
  return { rest, startsPerHour: dosesPerDay / 24, dosesPerDay, takesPerDay: dosesPerDay * volume };
}

export type DoseResult = Result<Dosed, NoDuty>;

/**
 * One dose and one day. On demand a dose is the water between start and stop; timed it is the time on at the flow that the pump
 * gives where its float enables the timer. The peak of a steady inflow is taken to last as long as the duty says.
 */
export function doseFigures({
  station,
  hydraulics,
  drawdown,
  stop,
  atLead,
}: Pick<LevelGeometry, 'station' | 'hydraulics' | 'drawdown' | 'stop' | 'atLead'>): DoseResult {
  const { duty, inflow } = station;
  if (duty.kind !== 'dose') throw new RangeError('nothing is dosed');
  if (!atLead.ok) return atLead;
  const pumped = duty.mode === 'timed' ? atLead.flow * duty.on : drawdown;
  const volume = Math.max(pumped - hydraulics.drainback(1, stop).volume, 0);
  const perDay = dailyVolume(inflow);
  const taken = duty.mode === 'timed' ? (86400 / (duty.on + duty.off)) * volume : perDay;
  return {
    ok: true,
    volume,
    perDay,
    fills: hydraulics.laterals?.volume ?? 0,
    surge: daySurge(inflow, taken, duty.surge, 1),
  };
}
