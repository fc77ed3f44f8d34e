import { randomFrom } from '../numeric';
import type { InflowSource } from '../station';

type Fixtures = Extract<InflowSource, { kind: 'fixtures' }>;

/** Flow of all fixtures from a time of the day on, s and m³/s. */
export interface UsesOfDay {
  readonly times: Float64Array;
  readonly flows: Float64Array;
}

const DAY = 86400;

/**
 * A day of a fixture list as uses that really come: each fixture as often as it is used, at times drawn evenly over the hours of use, each use
 * at its flow until its volume has run, and no more of a fixture at once than there may be. The same day is always drawn alike.
 */
export function usesOf({ uses, hours }: Fixtures, day: number): UsesOfDay {
  const { even } = randomFrom(day + 1);
  const opens = (12 - hours / 2) * 3600;
  const changes: { at: number; by: number }[] = [];
  for (const { volume, flow, perDay, atOnce } of uses) {
    const lasts = Math.min(volume / flow, DAY / 2);
    const many = Math.floor(perDay) + (even() < perDay % 1 ? 1 : 0);
    const wanted = Array.from({ length: many }, () => opens + even() * hours * 3600).sort((a, b) => a - b);
    // Who finds all of them taken waits until the first is free.
    const free: number[] = new Array<number>(Math.max(atOnce, 1)).fill(0);
    for (const want of wanted) {
      const next = free.indexOf(Math.min(...free));
      const from = Math.min(Math.max(want, free[next]!), DAY - lasts);
      free[next] = from + lasts;
      changes.push({ at: from, by: flow }, { at: from + lasts, by: -flow });
    }
  }
  changes.sort((a, b) => a.at - b.at);
  const times = [0];
  const flows = [0];
  let now = 0;
  for (const { at, by } of changes) {
    now += by;
    if (at > times.at(-1)!) {
      times.push(at);
      flows.push(now);
    } else flows[flows.length - 1] = now;
  }
  // What adds up to nothing but for rounding is nothing.
  return { times: Float64Array.from(times), flows: Float64Array.from(flows, (f) => (f < 1e-12 ? 0 : f)) };
}
