import { expose } from 'comlink';
import {
  cardFor,
  looksOf,
  mendFor,
  oftenFor,
  rowsOf,
  rowsOn,
  think,
  tracingOf,
  type Past,
  type Rows,
  type Told,
  type Tracing,
} from '@/core/trace';
import type { Station } from '@/core/station';
import { askAhead } from './askAhead';
import { keepRows, keptRows } from './keptRows';

let tracing: Tracing | null = null;
/** What the suspects of this station would show, as far as it is known here. */
let rows: Rows = [];
/** Whether this device has them all. */
let onDevice = false;

/** Fault finding, off the page: every suspect is asked once, and the answers stay here. */
const api = {
  looks: (station: Station) => looksOf(station),
  /** Takes up what this device has kept of the station. @returns whether there is nothing left to ask */
  async kept(station: Station): Promise<boolean> {
    const here = await keptRows(station);
    onDevice = here !== null;
    rows = here ?? [];
    return onDevice;
  },
  /** A part of the suspects, for a thread that has them all. */
  rows: rowsOf,
  /** This thread’s own part of them. */
  share(station: Station, of: number, told: (share: number) => void) {
    rows = rowsOf(station, 0, of, told);
  },
  /** Begins, or begins again by another past: who was asked once is not asked again. */
  begin(station: Station, past: Past, others: Rows, told: (share: number) => void) {
    const made = tracingOf(station, past, told, [...rows, ...others]);
    if (!made.ok) return made;
    tracing = made.tracing;
    rows = rowsOn(made.tracing.singles);
    if (!onDevice) void keepRows(station, rows);
    onDevice = true;
    return { ok: true as const };
  },
  /** Asks a station that is along ahead. @returns whether Trace has nothing left to ask there; null: without signal it is not known */
  async ahead(id: number, told: (share: number) => void): Promise<boolean | null> {
    try {
      const answer = await fetch(`/api/stations/${id}/file`);
      return answer.ok ? await askAhead(await answer.json(), told) : null;
    } catch {
      return null;
    }
  },
  often: () => (tracing ? oftenFor(tracing) : []),
  think: (told: Told, share: (share: number) => void) => (tracing ? think(tracing, told, share) : null),
  card: (told: Told, id: string) => (tracing ? cardFor(tracing, told, id) : null),
  mend: (suspect: string) => (tracing ? mendFor(tracing, suspect) : null),
};

export type TraceApi = typeof api;

expose(api);
