import type { DrawingRef } from '../levels';
import type { Phrase, Quantity } from '../units';

/** What a step expects of one reading or one look. */
export interface Expectation {
  readonly id: string;
  /** What is read or looked at, in few words. */
  readonly label: string;
  /** What should be found, as a sentence. */
  readonly sentence: Phrase;
  /** The reading to enter, with the band that passes; null where the person only looks or listens. */
  readonly reading: Reading | null;
}

export interface Reading {
  /** The expected value; null when the model cannot tell it, and the reading is only recorded. */
  readonly expected: Quantity | null;
  readonly format: Quantity['format'];
  /** The least and the greatest value that pass, SI; an open end is null. */
  readonly least: number | null;
  readonly most: number | null;
}

export type Phase = 'make safe' | 'bench' | 'dry' | 'wet' | 'alarm' | 'leave';

/** One step of a test plan. */
export interface Step {
  readonly id: string;
  readonly phase: Phase;
  readonly title: string;
  /** What to do, in order. */
  readonly actions: readonly Phrase[];
  /** What can hurt someone here. */
  readonly cautions: readonly string[];
  readonly expects: readonly Expectation[];
  readonly about: readonly DrawingRef[];
}
