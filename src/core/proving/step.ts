import type { DrawingRef } from '../levels';
import type { Decision, Phase, Probes, Risk } from '../tests';
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
  /** Where the probes go; null where no meter is used at two points of the panel. */
  readonly probes: Probes | null;
  /** The field of the document that what is found becomes, as the station is left; `rim`: measured from the rim down; `sensor`: of that sensor, wherever it stands in the list. */
  readonly sets: { readonly path: string; readonly from: 'rim' | 'value'; readonly sensor?: string } | null;
}

export interface Reading {
  /** The expected value; null when the model cannot tell it, and the reading is only recorded. */
  readonly expected: Quantity | null;
  readonly format: Quantity['format'];
  /** The least and the greatest value that pass, SI; an open end is null. */
  readonly least: number | null;
  readonly most: number | null;
}

/** One step of a test plan or a job card. */
export interface Step {
  readonly id: string;
  readonly phase: Phase;
  readonly title: string;
  /** What must first be put back, or brought about, after the step before. */
  readonly first: readonly string[];
  /** How the station stands when it begins, where that is not as it is left. */
  readonly standing: readonly string[];
  /** What to do, in order. */
  readonly actions: readonly Phrase[];
  /** What can hurt someone here. */
  readonly cautions: readonly string[];
  readonly expects: readonly Expectation[];
  readonly decisions: readonly Decision[];
  /** Null in plans that were kept before they told. */
  readonly minutes: number | null;
  readonly people: number;
  readonly risk: Risk | null;
  readonly about: readonly DrawingRef[];
}
