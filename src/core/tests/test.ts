import type { DrawingRef } from '../levels';
import type { Phrase } from '../units';
import type { Act } from './act';
import type { Observation } from './observation';
import type { Risk } from './risk';

/** Something that is done, and what is observed then. */
export interface Part {
  readonly acts: readonly Act[];
  readonly observes: readonly Observation[];
}

/** Something that the person decides, between ways that are both right somewhere; kept with its reason. */
export interface Decision {
  readonly id: string;
  readonly question: string;
  readonly choices: readonly {
    readonly id: string;
    readonly label: string;
    readonly why: Phrase;
    /** The field of the document that it decides. */
    readonly sets?: { readonly path: string; readonly value: string | number | boolean };
  }[];
  /** The one that is usual, or that the station has as it is; null where there is none. */
  readonly suggested: string | null;
}

export type Phase = 'make safe' | 'look' | 'bench' | 'work' | 'dry' | 'wet' | 'alarm' | 'leave';

/** One test, or one step of a job: what state it needs, what is done, what is observed, what it costs and what it can do to a person. */
export interface Test {
  readonly id: string;
  readonly phase: Phase;
  readonly title: string;
  /** What to do, in words. */
  readonly actions: readonly Phrase[];
  readonly cautions: readonly string[];
  /** How the station stands when it begins, as acts on a station at rest. */
  readonly needs: readonly Act[];
  readonly parts: readonly Part[];
  /** It needs no state of its own: it is done as the one before leaves the station. */
  readonly anyhow: boolean;
  /** What is put back before the next one. */
  readonly restores: readonly Act[];
  readonly minutes: number;
  readonly people: number;
  readonly risk: Risk;
  readonly decisions: readonly Decision[];
  /** What of the drawing answers. */
  readonly about: readonly DrawingRef[];
}

/** A test with what most have left out. */
export const test = (
  made: Pick<Test, 'id' | 'phase' | 'title' | 'actions' | 'risk' | 'minutes'> & Partial<Test>,
): Test => ({
  cautions: [],
  needs: [],
  parts: [],
  restores: [],
  people: 1,
  anyhow: false,
  decisions: [],
  about: [],
  ...made,
});
