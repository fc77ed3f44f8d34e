import { phrase, type Phrase } from '../units';
import type { Span } from './spans';

const DAY = 86_400_000;
const YEAR = 365.25 * DAY;

/** How fast a pump’s hours and starts go, in a day, by the last spans; null where nothing was read. */
function pace(spans: readonly Span[], pump: number): { hours: number; starts: number } | null {
  const last = spans.slice(-12);
  const days = last.reduce((sum, s) => sum + (s.to - s.from), 0) / DAY;
  if (days <= 0) return null;
  return {
    hours: last.reduce((sum, s) => sum + (s.run[pump] ?? 0), 0) / 3600 / days,
    starts: last.reduce((sum, s) => sum + (s.starts[pump] ?? 0), 0) / days,
  };
}

/** Hours and starts of a pump since a time, as far as spans tell; of a span that began before it the share that lies after. */
function used(spans: readonly Span[], pump: number, from: number): { hours: number; starts: number } {
  const sum = (of: (s: Span) => number) =>
    spans.reduce((all, s) => all + (s.to > from ? of(s) * Math.min(1, (s.to - from) / (s.to - s.from)) : 0), 0);
  return { hours: sum((s) => s.run[pump] ?? 0) / 3600, starts: sum((s) => s.starts[pump] ?? 0) };
}

/** How long something lasts: in years, hours run or starts; null: nobody said. */
export interface Lives {
  readonly years: number | null;
  readonly hours: number | null;
  readonly starts: number | null;
}

/** The end of a life in years, hours or starts, whichever comes first, and which it was. */
export function endOf(
  lives: Lives,
  from: number,
  spans: readonly Span[],
  pump: number,
): { at: number; by: Phrase } | null {
  const gone = used(spans, pump, from);
  const speed = pace(spans, pump);
  const last = spans.at(-1)?.to ?? from;
  const ends: { at: number; by: Phrase }[] = [];
  if (lives.years !== null)
    ends.push({ at: from + lives.years * YEAR, by: phrase`its ${String(Math.round(lives.years * 100) / 100)} years` });
  if (lives.hours !== null && speed && speed.hours > 0)
    ends.push({
      at: last + ((lives.hours - gone.hours) / speed.hours) * DAY,
      by: phrase`its ${String(lives.hours)} hours run`,
    });
  if (lives.starts !== null && speed && speed.starts > 0)
    ends.push({
      at: last + ((lives.starts - gone.starts) / speed.starts) * DAY,
      by: phrase`its ${String(lives.starts)} starts`,
    });
  return ends.sort((a, b) => a.at - b.at)[0] ?? null;
}

/** The pump that a place names, from 0. */
export const pumpOf = (place: string): number => Number(/pump (\d)/.exec(place)?.[1] ?? 1) - 1;

/** How much of its life a part has gone, 1 at its end, by the measure of which most is gone; null where no life is known, or nothing was read. */
export function goneOf(
  { years, hours, starts }: Lives,
  from: number,
  spans: readonly Span[],
  pump: number,
  now: number,
): { share: number; by: string } | null {
  const gone = used(spans, pump, from);
  const read = spans.some((s) => s.to > from);
  const say = (is: number, of: number, what: string) => ({
    share: is / of,
    by: `${is < 10 ? is.toFixed(1) : Math.round(is)} of ${of} ${what}`,
  });
  const all = [
    ...(years === null ? [] : [say(Math.max(0, now - from) / YEAR, years, 'years')]),
    ...(hours === null || !read ? [] : [say(gone.hours, hours, 'hours')]),
    ...(starts === null || !read ? [] : [say(Math.round(gone.starts), starts, 'starts')]),
  ];
  return all.sort((a, b) => b.share - a.share)[0] ?? null;
}
