import { askingOf, rowsOf, type Rows } from '@/core/trace';
import type { Station } from '@/core/station';

/** The station that this thread was asked of last: its parts come one after the other. */
let last: { readonly word: string; readonly made: ReturnType<typeof askingOf> } | null = null;

/** A part of the suspects of a station. */
export interface PartAsked {
  /** By which the station is known from others, and from what it was before. */
  readonly word: string;
  readonly station: Station;
  readonly part: number;
  readonly of: number;
}

/**
 * What every so-many-th suspect of a station would show.
 * @returns null where it cannot be asked: no panel of its scheme can be drawn, or it cannot be rehearsed
 */
export function suspectRows({ word, station, part, of }: PartAsked): Rows | null {
  if (last?.word !== word) last = { word, made: askingOf(station) };
  return last.made.ok ? rowsOf(last.made.asking, part, of) : null;
}
