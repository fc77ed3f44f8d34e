import type { Phrase, Quantity } from '../units';

/** One figure of the wiring against what it should be. `needs` and `has` are null where words say it all. */
export interface WiringCheck {
  readonly id: string;
  readonly title: string;
  readonly state: 'holds' | 'broken' | 'note';
  readonly sense: 'at-least' | 'at-most' | null;
  readonly needs: Quantity | null;
  readonly has: Quantity | null;
  readonly why: Phrase;
}

export const atMost = (id: string, title: string, needs: Quantity, has: Quantity, why: Phrase): WiringCheck => ({
  id,
  title,
  state: has.value <= needs.value * (1 + 1e-9) ? 'holds' : 'broken',
  sense: 'at-most',
  needs,
  has,
  why,
});
export const atLeast = (id: string, title: string, needs: Quantity, has: Quantity, why: Phrase): WiringCheck => ({
  id,
  title,
  state: has.value >= needs.value * (1 - 1e-9) ? 'holds' : 'broken',
  sense: 'at-least',
  needs,
  has,
  why,
});
export const told = (id: string, title: string, why: Phrase): WiringCheck => ({
  id,
  title,
  state: 'note',
  sense: null,
  needs: null,
  has: null,
  why,
});
