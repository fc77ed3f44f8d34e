/** A panel that does not answer is asked less and less often, no less than this often, s. */
const SELDOM = 900;

/**
 * How long to wait until a panel is asked again, s: as often as it was agreed while it answers, twice as long after each time it did not.
 * @example [0, 1, 3, 20].map((failures) => waitFor(10, failures)) // → [10, 20, 80, 900]
 */
export const waitFor = (every: number, failures: number): number =>
  Math.min(every * 2 ** Math.min(failures, 20), Math.max(SELDOM, every));

/** What was last heard is stale when nothing came for so long, s: three questions, and no less than half a minute. */
const staleAfter = (every: number): number => Math.max(3 * every, 30);

/** Whether what was last heard of a panel no longer says how it stands. Times in ms since 1970; null: nothing was ever heard. */
export const isStale = (every: number, heardAt: number | null, now: number): boolean =>
  heardAt === null || now - heardAt > staleAfter(every) * 1000;
