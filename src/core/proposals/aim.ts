export type Aim = 'fewest-starts' | 'least-stored' | 'longest-reserve' | 'fewest-changes';

export const AIMS: readonly Aim[] = ['fewest-starts', 'least-stored', 'longest-reserve', 'fewest-changes'];

/** What an aim looks at of a stop and a start: m above the floor, m³ at the lower and the upper of the two, m of moves. */
export interface Ranked {
  readonly high: number;
  readonly below: number;
  readonly above: number;
  readonly moved: number;
}

/** What each aim wants small of a stop and a start; the best is tried first. Further sensors then hang as near to them as may be, or, for the fewest changes, where they hang now. */
export const BAND_SCORE: Readonly<Record<Aim, (b: Ranked) => number>> = {
  'fewest-starts': (b) => b.below - b.above,
  'least-stored': (b) => b.below + b.above,
  // The lower it starts, the lower the alarm may ring.
  'longest-reserve': (b) => b.high,
  'fewest-changes': (b) => b.moved,
};
