import { expose } from 'comlink';
import {
  cardFor,
  looksOf,
  mendFor,
  rowsOf,
  think,
  tracingOf,
  type Past,
  type Rows,
  type Told,
  type Tracing,
} from '@/core/trace';
import type { Station } from '@/core/station';

let tracing: Tracing | null = null;
let own: Rows = [];

/** Fault finding, off the page: every suspect is asked once, and the answers stay here. */
const api = {
  looks: (station: Station) => looksOf(station),
  /** A part of the suspects, for a thread that has them all. */
  rows: rowsOf,
  /** This thread’s own part of them. */
  share(station: Station, past: Past, of: number, told: (share: number) => void) {
    own = rowsOf(station, past, 0, of, told);
  },
  begin(station: Station, past: Past, others: Rows, told: (share: number) => void) {
    const made = tracingOf(station, past, told, [...own, ...others]);
    tracing = made.ok ? made.tracing : null;
    return made.ok ? { ok: true as const } : made;
  },
  think: (told: Told, share: (share: number) => void) => (tracing ? think(tracing, told, share) : null),
  card: (told: Told, id: string) => (tracing ? cardFor(tracing, told, id) : null),
  mend: (suspect: string) => (tracing ? mendFor(tracing, suspect) : null),
};

export type TraceApi = typeof api;

expose(api);
