import type { Run } from './run';
import { movingNow } from './state';

/** Until when nothing is due, s, and between which volumes nothing acts, m³. */
export interface Horizon {
  until: number;
  low: number;
  high: number;
}

/** Looks ahead from where the water stands: the next event by time, and the nearest trips above and below. Fills `horizon`. */
export function lookAhead({ s, compiled }: Run, end: number, horizon: Horizon): void {
  const { schedule, prepared } = compiled;
  const { intakes, top } = prepared;
  let until = Math.min(s.now.until, end);
  if (s.nextScheduled < schedule.length && schedule[s.nextScheduled]!.at < until) until = schedule[s.nextScheduled]!.at;
  if (s.cutAt !== null)
    for (const { lasts } of s.sheds) {
      const ends = s.cutAt + lasts;
      if (s.t < ends && ends < until) until = ends;
    }
  if (s.falls && s.falls.until < until) until = s.falls.until;
  for (const c of s.clocks) if (c.at < until) until = c.at;
  let low = 0;
  let high = top;
  for (const f of s.model.floats) {
    if (s.panel.up & f.bit) {
      if (f.fall > low && f.fall <= s.v) low = f.fall;
    } else if (f.rise < high && f.rise >= s.v) high = f.rise;
  }
  const set = movingNow(s);
  // Air breaks a siphon where the first of the intakes is bare.
  const breaks = s.full && set === 0;
  for (let i = 0; i < intakes.length; i++) {
    const { loses, primes } = intakes[i]!;
    if (s.dry & (1 << i)) {
      if (primes < high && primes >= s.v) high = primes;
    } else if ((breaks || set & (1 << i)) && loses > low && loses <= s.v) low = loses;
  }
  horizon.until = until;
  horizon.low = low;
  horizon.high = high;
}
