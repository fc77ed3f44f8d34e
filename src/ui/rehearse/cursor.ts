import { createStore, useStore, type StoreApi } from 'zustand';
import type { Moment } from '@/core/rehearsal';

/** Where the cursor of a rehearsal stands, s, and how everything stands there; null until it is known. */
interface Cursor {
  readonly at: number;
  readonly moment: Moment | null;
}

/** Asked by the parts that show it, so that nothing else is drawn anew while it moves. */
export type CursorStore = StoreApi<Cursor>;

export const createCursor = (): CursorStore => createStore<Cursor>()(() => ({ at: 0, moment: null }));

/** Where it stands in a run of that length, s: a shorter run than the one before holds it at its end. */
export const cursorAt = (cursor: CursorStore, length: number): number => Math.min(cursor.getState().at, length);

export const useCursorAt = (cursor: CursorStore, length: number): number =>
  useStore(cursor, (s) => Math.min(s.at, length));

export const useCursorMoment = (cursor: CursorStore): Moment | null => useStore(cursor, (s) => s.moment);
