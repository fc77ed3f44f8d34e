import { countsOf } from './clean';
import { meterOf } from './meters';
import type { Readings } from './spans';

const WEEK = 7 * 86_400_000;

/** How often the pumps of a station started, week by week, for a line that is read at a glance. */
export interface Spark {
  /** Starts a day of all pumps, the oldest week first; null: nobody read all of them. */
  readonly weeks: readonly (number | null)[];
  /** When they were read last, ms since 1970. */
  readonly to: number;
}

/**
 * Starts a day in each of the last weeks: each reading’s count is spread evenly over the time since the one before. Readings that do not fit are left out.
 * @param readings of start counters @returns null where less than two weeks were read
 */
export function sparkOf(readings: Readings, rolls: Readonly<Record<string, number>>, weeks = 26): Spark | null {
  const meters = Object.keys(readings).filter((id) => /^starts-\d$/.test(id));
  const counts = meters.map((id) => countsOf(meterOf(id, rolls[id] ?? null)!, readings[id]!).counts);
  if (counts.length === 0 || counts.some((c) => c.length === 0)) return null;
  const to = Math.min(...counts.map((c) => c.at(-1)!.to.at));
  const from = Math.max(...counts.map((c) => c[0]!.from.at));
  const row = Array.from({ length: weeks }, (_, i) => {
    const [a, b] = [to - (weeks - i) * WEEK, to - (weeks - i - 1) * WEEK];
    if (a < from - WEEK / 2) return null;
    const begun = Math.max(a, from);
    const total = counts.flat().reduce((sum, { from: x, to: y, count }) => {
      const within = Math.min(y.at, b) - Math.max(x.at, begun);
      return within <= 0 ? sum : sum + (count * within) / (y.at - x.at);
    }, 0);
    return (total / (b - begun)) * 86_400_000;
  });
  return row.filter((n) => n !== null).length < 2 ? null : { weeks: row, to };
}
