import type { Observation } from '../tests';
import { keyOf, rangesOf, type Asking, type Row } from './dictionary';
import { likelihood, type Found, type Range } from './expect';
import type { Suspect } from './suspect';

/** Something that was seen, read or answered. What is not known is left out. */
export type Evidence =
  | { readonly kind: 'symptom'; readonly symptom: string; readonly shown: boolean; readonly sure?: number }
  | { readonly kind: 'reading'; readonly test: string; readonly observation: string; readonly found: Found };

/** A name for a piece of evidence. */
export const evidenceKey = (e: Evidence): string =>
  e.kind === 'symptom' ? `symptom/${e.symptom}` : keyOf(e.test, e.observation);

/** How often an answer is a slip: a misread, the wrong terminals, the wrong mode; and how often a person misses or mistakes what is to be seen. */
export const SLIP = { reading: 0.03, look: 0.01, shown: 0.05, notShown: 0.03, tradeBeside: 0.05 } as const;

/** What is known of every suspect: its row, and what each observation may come to over all of them. */
export interface Board {
  readonly asking: Asking;
  readonly suspects: readonly Suspect[];
  /** Null: nothing can be told of it. */
  readonly rows: readonly (Row | null)[];
  readonly ranges: readonly Range[];
  /** Where each observation, and each symptom, stands in a row. */
  readonly place: ReadonlyMap<string, number>;
}

/** @param told now and then, which share of the suspects has been asked */
export function boardOf(asking: Asking, suspects: readonly Suspect[], told?: (share: number) => void): Board {
  const rows = suspects.map((s, i) => {
    told?.(i / suspects.length);
    return asking.row(s);
  });
  return {
    asking,
    suspects,
    rows,
    ranges: rangesOf(asking, rows),
    place: new Map([
      ...asking.asked.map((a, i) => [a.key, i] as const),
      ...asking.symptoms.map((s, i) => [`symptom/${s.id}`, i] as const),
    ]),
  };
}

/** How likely what is not in the catalogue shows any one symptom: about as many show one as not show ten. */
const UNNAMED = 0.15;

/** How likely one suspect shows a symptom: of what the model answers nearly surely or nearly never; of what the trade knows, often. */
export function showsAt({ asking }: Board, row: Row | null, index: number): number {
  if (!row) return UNNAMED;
  const { ofTheTrade: trade, missed = SLIP.shown, imagined = SLIP.notShown } = asking.symptoms[index]!;
  if (row.symptoms[index]) return trade ?? 1 - missed;
  return trade !== undefined ? SLIP.tradeBeside : imagined;
}

const LOOKS: ReadonlySet<Observation['kind']> = new Set(['stands', 'display', 'landed', 'linked', 'shaft', 'seen']);

/** What is only looked at is seldom mistaken; a meter is held to the wrong terminals sooner. */
const slipOf = ({ kind }: Observation): number => (LOOKS.has(kind) ? SLIP.look : SLIP.reading);

/** How likely any row makes a piece of evidence; null where this station has no such symptom or observation. */
export function likelihoodOf(board: Board, e: Evidence): ((row: Row | null) => number) | null {
  const at = board.place.get(evidenceKey(e));
  if (at === undefined) return null;
  if (e.kind === 'symptom')
    return (row) => {
      const p = showsAt(board, row, at);
      const told = e.shown ? p : 1 - p;
      // A finding that is itself only likely says so much less.
      return e.sure === undefined ? told : e.sure * told + (1 - e.sure) * (1 - told);
    };
  const slip = slipOf(board.asking.asked[at]!.observation);
  return (row) => likelihood(row?.expects[at] ?? null, e.found, board.ranges[at]!, slip);
}

/** How likely each suspect makes a piece of evidence; null where this station has no such symptom or observation. */
export function likelihoods(board: Board, e: Evidence): number[] | null {
  const of = likelihoodOf(board, e);
  return of && board.rows.map(of);
}

/**
 * How likely each suspect is after all evidence, by Bayes’ rule; they sum to one. The order of the evidence does not matter.
 * (J. Pearl, “Probabilistic Reasoning in Intelligent Systems”, 1988)
 */
export function beliefs(board: Board, evidence: readonly Evidence[]): number[] {
  const logs = board.suspects.map((s) => Math.log(s.weight));
  const all = evidence.flatMap((e) => {
    const found = likelihoods(board, e);
    return found ? [{ key: evidenceKey(e), found }] : [];
  });
  all.sort((a, b) => (a.key < b.key ? -1 : a.key > b.key ? 1 : 0));
  for (const { found } of all) found.forEach((l, i) => void (logs[i]! += Math.log(Math.max(l, 1e-300))));
  const most = Math.max(...logs);
  const raw = logs.map((l) => Math.exp(l - most));
  const sum = raw.reduce((a, b) => a + b, 0);
  return raw.map((r) => r / sum);
}

/** What is not known, in bits. (C. E. Shannon, 1948) */
export const entropy = (p: readonly number[]): number => p.reduce((h, x) => (x > 0 ? h - x * Math.log2(x) : h), 0);
