import type { Random } from '../numeric';
import type { Prediction } from '../tests';
import { sayPhrase } from '../units';

/**
 * What a suspect would show, as a likelihood is made of it: a figure on its scale with how far it may lie off, words, which of several things
 * happen, or nothing that can be told.
 */
export type Expect =
  | { readonly kind: 'figure'; readonly at: number; readonly spread: number }
  | { readonly kind: 'words'; readonly text: string }
  | { readonly kind: 'happens'; readonly ways: readonly (readonly string[])[] }
  | null;

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

/** A prediction of the one predictor, as what is expected. */
export function expectOf(p: Prediction): Expect {
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
      return { kind: 'happens', ways: p.ways };
    case 'untold':
      return p.nothing === undefined ? null : { kind: 'figure', at: 0, spread: p.nothing / 2 };
    case 'good':
      return null;
  }
}

/** A figure as it is read: the inverse of `scaleOf`. */
export const foundAt = (at: number, format: string | null): number => (format === 'resistance' ? 10 ** at : at);

/** What is found where this is expected and nobody slips: a figure lies about it by its spread, of several ways one happens. */
export function truly(expect: NonNullable<Expect>, format: string | null, random: Random): Found {
  if (expect.kind === 'words') return expect.text;
  if (expect.kind === 'happens') return expect.ways[Math.floor(random.even() * expect.ways.length)]!;
  return foundAt(expect.at + 0.5 * expect.spread * random.normal(), format);
}

/** Degrees of freedom of the error of a reading: a few are far off, and are no slip all the same. */
const NU = 4;
/** Density of Student’s t with four degrees of freedom. (M. Abramowitz and I. A. Stegun, 26.7) */
const student = (z: number): number => 0.375 * (1 + (z * z) / NU) ** -2.5;

/** How many different things a set of happenings may be called by: each may be seen wrongly. */
const seenWrongly = (
  ways: readonly (readonly string[])[],
  found: readonly string[],
  slip: number,
  all: number,
): number => {
  const one = (way: readonly string[]) => {
    const odd = way.filter((w) => !found.includes(w)).length + found.filter((f) => !way.includes(f)).length;
    return odd === 0 ? 1 - slip : slip * (1 / Math.max(all, 1)) ** odd;
  };
  return ways.reduce((sum, w) => sum + one(w), 0) / ways.length;
};

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
 * that it may come to. What cannot be told makes everything as likely.
 */
export function likelihood(expect: Expect, found: Found, { width, texts, format }: Range, slip: number): number {
  // Words that nobody foretold are an answer too.
  const flat = typeof found === 'number' ? 1 / width : 1 / (texts + 1);
  if (expect === null) return flat;
  if (expect.kind === 'figure' && typeof found === 'number') {
    const z = (scaleOf(format, found) - expect.at) / expect.spread;
    return ((1 - slip) * student(z)) / expect.spread + slip / width;
  }
  if (expect.kind === 'words' && typeof found === 'string')
    return expect.text === found ? 1 - slip : slip / Math.max(texts - 1, 1);
  if (expect.kind === 'happens' && typeof found === 'object') return seenWrongly(expect.ways, found, slip, texts);
  // Another kind of answer than it would give: words where it would show a figure.
  return slip * flat;
}
