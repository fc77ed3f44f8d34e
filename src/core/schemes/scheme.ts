import type { Station } from '../station';
import type { Phrase } from '../units';
import type { PanelBuilder } from './panelBuilder';

/** A choice that a scheme leaves to the person. The first one is taken until another is chosen. */
export interface Option {
  readonly id: string;
  readonly label: string;
  readonly choices: readonly { readonly id: string; readonly label: string }[];
  /** Where the station suggests another first choice. */
  initial?(station: Station): string;
}

/** Fields of the document that only some schemes go by. */
export type SchemeField = 'control.floats' | 'control.alternates' | 'wiring.supplyBudget';

/** One way of letting floats control pumps: what it is, whether it fits, and how it is built. */
export interface Scheme {
  readonly id: string;
  readonly title: string;
  readonly summary: string;
  /** What stands between people and the mains. */
  readonly people: string;
  /** What fails how. */
  readonly fails: readonly string[];
  readonly options: readonly Option[];
  /** Whether it runs all of its pumps at once when the water asks for it. */
  readonly together: 'one' | 'all';
  /** Its control is at the mains unless 24 V is asked for. */
  readonly mainsControl?: true;
  /** Fields of the document that it goes by beside its options. */
  readonly asks?: readonly SchemeField[];
  /** Every reason against it at this station; empty where it fits. */
  /** The pump hangs on a plug that a hand can pull. */
  plugged?(choose: (option: string) => string): boolean;
  against(station: Station, choose: (option: string) => string): readonly Phrase[];
  build(builder: PanelBuilder, choose: (option: string) => string): void;
}

export const option = (
  id: string,
  label: string,
  choices: readonly (readonly [id: string, label: string])[],
  initial?: Option['initial'],
): Option => ({
  id,
  label,
  choices: choices.map(([c, label]) => ({ id: c, label })),
  ...(initial && { initial }),
});

/** The choice that holds for an option: the document's, if the scheme knows it, else the first or the one the station suggests. */
export function choiceOf(scheme: Scheme, station: Station, id: string): string {
  const found = scheme.options.find((o) => o.id === id);
  if (!found) throw new Error(`${scheme.id} has no option ${id}`);
  const wanted = station.control.options[id];
  return found.choices.some((c) => c.id === wanted) ? wanted! : (found.initial?.(station) ?? found.choices[0]!.id);
}
