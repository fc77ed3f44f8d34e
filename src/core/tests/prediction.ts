import type { Format, Phrase, Quantity } from '../units';

/** What a test would find in a world. */
export type Prediction =
  /** A figure, and the least and greatest that are still it; `mostly`: what most of that spread comes from. */
  | {
      readonly kind: 'value';
      readonly value: Quantity;
      readonly least: number | null;
      readonly most: number | null;
      readonly mostly: string | null;
    }
  /** What a person would see. */
  | { readonly kind: 'seen'; readonly sentence: Phrase }
  /** Which outcomes of the panel happen, by their ids. */
  | { readonly kind: 'happening'; readonly which: readonly string[]; readonly sentence: Phrase }
  /** Nothing that a model knows: what a good one is, from the catalogue. */
  | { readonly kind: 'good'; readonly sentence: Phrase }
  /** No figure that a sound station could be held to, and why; `nothing`: what is measured all the same is none, up to so much. */
  | { readonly kind: 'untold'; readonly format: Format | null; readonly why: Phrase; readonly nothing?: number };

/** @param nothing what is measured all the same is none, up to so much */
export const untold = (format: Format | null, why: Phrase, nothing?: number): Prediction => ({
  kind: 'untold',
  format,
  why,
  ...(nothing === undefined ? {} : { nothing }),
});
export const seen = (sentence: Phrase): Prediction => ({ kind: 'seen', sentence });
