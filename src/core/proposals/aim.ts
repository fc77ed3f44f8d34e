import type { Bands } from './bands';

export type Aim = 'fewest-starts' | 'least-stored' | 'longest-reserve' | 'fewest-changes';

export const AIMS: readonly Aim[] = ['fewest-starts', 'least-stored', 'longest-reserve', 'fewest-changes'];

/** What each aim wants small of a stop and a start; the best is tried first. Further sensors then hang as near to them as may be, or, for the fewest changes, where they hang now. */
export const BAND_SCORE: Readonly<Record<Aim, (b: Bands, i: number) => number>> = {
  'fewest-starts': (b, i) => b.below[i]! - b.above[i]!,
  'least-stored': (b, i) => b.below[i]! + b.above[i]!,
  // The lower it starts, the lower the bell may ring.
  'longest-reserve': (b, i) => Math.max(b.stop[i]!, b.lead[i]!),
  'fewest-changes': (b, i) => b.moved[i]!,
};
