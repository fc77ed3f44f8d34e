import type { Random } from '../numeric';
import type { Prediction } from '../tests';
import { sayPhrase } from '../units';

/**
 * What would be shown, as a likelihood is made of it: a figure on its scale with how far it may lie off, words, which of several things happen,
 * or nothing that can be told.
 */
export type Way =
  | { readonly kind: 'figure'; readonly at: number; readonly spread: number }
  | { readonly kind: 'words'; readonly text: string }
  | { readonly kind: 'happens'; readonly which: readonly string[] }
  | null;

/** What a suspect would show: in one way, or in one for each pump whose turn it may be. */
export type Expect = Way | { readonly kind: 'turns'; readonly ways: readonly Way[] };

/** The ways of an expectation, each as likely as another. */
export const waysOf = (e: Expect): readonly Way[] => (e?.kind === 'turns' ? e.ways : [e]);

/** What it is by the turn of one pump, from 0: the same by anybody's where it does not go by it. */
export const atTurn = (e: Expect, turn: number): Way => (e?.kind === 'turns' ? e.ways[turn % e.ways.length]! : e);

/** What was found: a figure in SI (infinite: open line), words as they were offered, or which things happen. */
export type Found = number | string | readonly string[];

/** Log₁₀ of what a meter calls open, and of what it calls nothing, Ω. */
const OPEN = 8;
const SHORT = -1;
/** How far a resistance reading may lie off, in log₁₀; and a short one, where leads and clips count. */
const OHMS = 0.08;
const LEADS = 0.5;

/** Resistances are told apart by their size, not by their difference. */
export const scaleOf = (format: string | null, value: number): number =>
  format === 'resistance' ? Math.min(OPEN, Math.max(SHORT, Math.log10(Math.max(value, 1e-9)))) : value;

/** Predictions of the one predictor, by whose turn it is, as what is expected. */
export function expectOf(ways: readonly Prediction[]): Expect {
  return ways.length === 1 ? wayOf(ways[0]!) : { kind: 'turns', ways: ways.map(wayOf) };
}

function wayOf(p: Prediction): Way {
  switch (p.kind) {
    case 'value': {
      const { format, value } = p.value;
      if (format === 'resistance') {
        const at = scaleOf(format, value);
        return { kind: 'figure', at, spread: at < 1 ? LEADS : OHMS };
      }
      // Nothing, or no more than that: the middle of what it may be.
      if (p.least === null) return { kind: 'figure', at: 0, spread: Math.max(p.most! / 2, 1e-9) };
      const half = ((p.most ?? value) - p.least) / 2;
      const at = p.most === null ? value : (p.most + p.least) / 2;
      return { kind: 'figure', at, spread: Math.max(half / 2, 1e-9) };
    }
    case 'seen': {
      const text = sayPhrase(p.sentence, 'metric');
      return text === 'open line' ? { kind: 'figure', at: OPEN, spread: LEADS } : { kind: 'words', text };
    }
    case 'happening':
      return { kind: 'happens', which: p.which };
    case 'untold':
      return p.nothing === undefined ? null : { kind: 'figure', at: 0, spread: p.nothing / 2 };
    case 'good':
      return null;
  }
}

/** A figure as it is read: the inverse of `scaleOf`. */
export const foundAt = (at: number, format: string | null): number => (format === 'resistance' ? 10 ** at : at);

/** What is found where this is shown, and a figure lies so many of its spreads off. */
export function asFound(shown: NonNullable<Way>, format: string | null, off = 0): Found {
  if (shown.kind === 'words') return shown.text;
  if (shown.kind === 'happens') return shown.which;
  return foundAt(shown.at + off * shown.spread, format);
}

/** What is found where this is shown and nobody slips: a figure lies about it by its spread. */
export const truly = (shown: NonNullable<Way>, format: string | null, random: Random): Found =>
  asFound(shown, format, shown.kind === 'figure' ? 0.5 * random.normal() : 0);

/** Degrees of freedom of the error of a reading: a few are far off, and are no slip all the same. */
const NU = 4;
/** Density of Student’s t with four degrees of freedom. (M. Abramowitz and I. A. Stegun, 26.7) */
const student = (z: number): number => 0.375 * (1 + (z * z) / NU) ** -2.5;

/** Each of the things that happen may be seen wrongly. */
function seenWrongly(which: readonly string[], found: readonly string[], slip: number, all: number): number {
  const odd = which.filter((w) => !found.includes(w)).length + found.filter((f) => !which.includes(f)).length;
  return odd === 0 ? 1 - slip : slip * (1 / Math.max(all, 1)) ** odd;
}

/** What an observation may come to at all, over every suspect: what a slip is spread over. */
export interface Range {
  /** Of figures, on their scale. */
  readonly width: number;
  /** Of words. */
  readonly texts: number;
  readonly format: string | null;
}

/**
 * How likely a suspect makes what was found: by its spread, and by a small chance of a slip (wrong terminals, wrong mode, misread) over everything
 * that it may come to. What cannot be told makes everything as likely; where it goes by whose turn it is, one is as likely as another.
 */
export function likelihood(expect: Expect, found: Found, range: Range, slip: number): number {
  if (expect?.kind !== 'turns') return likelihoodOf(expect, found, range, slip);
  return expect.ways.reduce((sum, way) => sum + likelihoodOf(way, found, range, slip), 0) / expect.ways.length;
}

function likelihoodOf(expect: Way, found: Found, { width, texts, format }: Range, slip: number): number {
  // Words that nobody foretold are an answer too.
  const flat = typeof found === 'number' ? 1 / width : 1 / (texts + 1);
  if (expect === null) return flat;
  if (expect.kind === 'figure' && typeof found === 'number') {
    const z = (scaleOf(format, found) - expect.at) / expect.spread;
    return ((1 - slip) * student(z)) / expect.spread + slip / width;
  }
  if (expect.kind === 'words' && typeof found === 'string')
    return expect.text === found ? 1 - slip : slip / Math.max(texts - 1, 1);
  if (expect.kind === 'happens' && typeof found === 'object') return seenWrongly(expect.which, found, slip, texts);
  // Another kind of answer than it would give: words where it would show a figure.
  return slip * flat;
}
