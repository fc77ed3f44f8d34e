import { expose } from 'comlink';
import { cardFor, looksOf, mendFor, think, tracingOf, type Past, type Told, type Tracing } from '@/core/trace';
import type { Station } from '@/core/station';

let tracing: Tracing | null = null;

/** Fault finding, off the page: every suspect is asked once, and the answers stay here. */
const api = {
  looks: (station: Station) => looksOf(station),
  begin(station: Station, past: Past, told: (share: number) => void) {
    const made = tracingOf(station, past, told);
    tracing = made.ok ? made.tracing : null;
    return made.ok ? { ok: true as const } : made;
  },
  think: (told: Told, share: (share: number) => void) => (tracing ? think(tracing, told, share) : null),
  card: (told: Told, id: string) => (tracing ? cardFor(tracing, told, id) : null),
  mend: (suspect: string) => (tracing ? mendFor(tracing, suspect) : null),
};

export type TraceApi = typeof api;

expose(api);
