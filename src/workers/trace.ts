import { expose } from 'comlink';
import {
  askingOf,
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
import { rowsThere } from './givenRows';
import { keepRows } from './keptRows';

let tracing: Tracing | null = null;
/** The station, and where its suspects are asked. */
let asked: { readonly station: Station; readonly made: ReturnType<typeof askingOf> } | null = null;
/** What of what they would show this device has kept, or the server has asked; null: nothing. */
let onDevice: Rows | null = null;

/** A part of the suspects asked. */
function part(n: number, of: number): Rows {
  return asked?.made.ok ? rowsOf(asked.made.asking, n, of) : [];
}

/** Fault finding, off the page: every suspect is asked once, and the answers stay here. */
const api = {
  looks: (station: Station) => looksOf(station),
  /**
   * Takes up what this device has kept of the station, or the server has asked.
   * @param id of the station at the server
   * @returns whether there is nothing left to ask
   */
  async kept(id: number, station: Station): Promise<boolean> {
    onDevice = await rowsThere(id, station);
    return onDevice !== null;
  },
  /** A station whose suspects are to be asked here. */
  take(station: Station) {
    asked = { station, made: askingOf(station) };
  },
  /** A part of its suspects, for a thread that has them all. */
  rows: part,
  /** The same, for this thread. */
  share: (n: number, of: number) => void part(n, of),
  /** Begins, or begins again by another past: who was asked once is not asked again. */
  begin(past: Past, others: Rows, told: (share: number) => void) {
    if (!asked) throw new Error('no station was taken');
    const { station, made } = asked;
    const begun = tracingOf(station, past, told, [...(onDevice ?? []), ...others], made);
    if (!begun.ok) return begun;
    tracing = begun.tracing;
    if (!onDevice) void keepRows(station, (onDevice = rowsOn(tracing.singles)));
    return { ok: true as const };
  },
  /** Asks a station that is along ahead. @returns whether Trace has nothing left to ask there; null: without signal it is not known */
  async ahead(id: number, told: (share: number) => void): Promise<boolean | null> {
    try {
      const answer = await fetch(`/api/stations/${id}/file`);
      return answer.ok ? await askAhead(id, await answer.json(), told) : null;
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
