import type { Values } from './feed';

/** What is shown of a panel that is being read. Times in ms since 1970, by the clock of the server. */
export interface FeedShown {
  /** When this was so. */
  readonly now: number;
  readonly askedAt: number | null;
  /** When it answered last; null: never by this map. */
  readonly heardAt: number | null;
  /** How often it has not answered since. */
  readonly failures: number;
  readonly why: string | null;
  readonly stale: boolean;
  readonly heard: Values;
  /** The last reading that it gave the book: another when the book went on. */
  readonly kept: number;
}
