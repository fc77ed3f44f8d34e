import type { Phrase } from '../units';

/** Something in a well-formed document that contradicts something else in it: where, and what, as a sentence. */
export interface Contradiction {
  path: (string | number)[];
  sentence: Phrase;
}
