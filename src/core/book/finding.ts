import type { Station } from '../station';
import type { Phrase, Quantity } from '../units';
import type { Expected } from './expected';
import type { Readings, Span } from './spans';

/** What a finding is about: one row of the catalogue of what meters can tell. */
export const FINDING_KINDS = {
  'pump-weaker': 'a pump gives less',
  'line-tighter': 'all pumps give less',
  'volume-changed': 'a float stands elsewhere',
  'runs-back': 'water runs back while pumps rest',
  'more-water': 'more water comes, or is drawn',
  'not-told': 'more starts, and what of cannot be told',
  rain: 'it answers to rain',
  turns: 'pumps do not take turns',
  'runs-longer': 'one pump runs longer',
  'never-stops': 'a pump does not stop',
  'meter-stands': 'a meter stands',
  'short-runs': 'short runs',
  'unlike-model': 'the meters and the model differ',
  doses: 'doses are not as designed',
  alarms: 'alarms come more often',
  energy: 'more energy for the same water',
} as const;
/** The job that a finding leads to, where one is for it; else the station is proved as a whole. */
const JOBS: Readonly<Partial<Record<keyof typeof FINDING_KINDS, string>>> = { turns: 'J11' };
export const jobOfFinding = (kind: keyof typeof FINDING_KINDS): string => JOBS[kind] ?? 'commission';

export type FindingKind = keyof typeof FINDING_KINDS;

/** Something that the readings of a station mean. */
export interface Finding {
  readonly kind: FindingKind;
  /** From 0, where it is of one pump. */
  readonly pump: number | null;
  readonly sentence: Phrase;
  readonly figures: readonly { readonly label: string; readonly value: Quantity }[];
  /** Chance that it is only chance. */
  readonly chance: number;
  /** ms since 1970; null where it was so from the first reading on. */
  readonly since: number | null;
  /** What to check next. */
  readonly next: Phrase;
  /** The test of the catalogue that tells more; null where none does. */
  readonly test: string | null;
}

/** What was not asked of the readings, and what is wanted for it. */
export interface NotAsked {
  readonly kinds: readonly FindingKind[];
  readonly why: Phrase;
}

/** All that a finding is made from. */
export interface Evidence {
  readonly station: Station;
  readonly expected: Expected;
  readonly spans: readonly Span[];
  readonly readings: Readings;
  /** Where meters roll over, by their ids. */
  readonly rolls: Readonly<Record<string, number>>;
  /** When the alarm rang, ms since 1970. */
  readonly alarms: readonly number[];
  /** The time that the book speaks of: its first and its last entry. */
  readonly from: number;
  readonly to: number;
}

export interface Told {
  readonly findings: readonly Finding[];
  readonly notAsked: readonly NotAsked[];
  /** What the readings were really asked; of another duty, or of too little read, it is nothing. */
  readonly asked: readonly FindingKind[];
}

/** Nothing of it is a question at this station. */
export const NO_QUESTION: Told = { findings: [], notAsked: [], asked: [] };

/** Asked, and not answered for want of something. */
export const unanswered = (kinds: readonly FindingKind[], why: Phrase): Told => ({
  findings: [],
  notAsked: [{ kinds, why }],
  asked: [],
});

/** How surely a finding is one, in words. */
export const surely = (chance: number): string =>
  chance < 0.001 ? 'very likely' : chance < 0.01 ? 'likely' : 'possible';
