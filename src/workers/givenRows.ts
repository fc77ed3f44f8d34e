import type { Station } from '@/core/station';
import type { Rows } from '@/core/trace';
import { KEEPS, keepRows, keptRows, textOf } from './keptRows';

/** So long the server may take to give what it has asked, ms: after that it is asked here. */
const PATIENCE = 4000;

/** What the server gives of a station. */
interface Given {
  readonly station: string;
  readonly rows: Rows;
}

/** What the server has asked of a station while nobody waited; null where it has not, or of another document or program. Never throws. */
async function given(id: number, station: Station, program: string): Promise<Rows | null> {
  try {
    const answer = await fetch(`/api/stations/${id}/suspects`, { signal: AbortSignal.timeout(PATIENCE) });
    if (answer.status !== 200 || answer.headers.get('pitbell-core') !== program) return null;
    const unpacked = answer.body!.pipeThrough(new DecompressionStream('gzip'));
    const { station: of, rows } = (await new Response(unpacked).json()) as Given;
    return of === textOf(station) ? rows : null;
  } catch {
    return null;
  }
}

/**
 * The rows of a station that need not be asked here: what this device has kept, or the server has asked. What the server gives is kept. Never throws.
 * @param id of the station at the server
 */
export async function rowsThere(id: number, station: Station, program = KEEPS): Promise<Rows | null> {
  if (program === '') return null;
  const kept = await keptRows(station, program);
  if (kept) return kept;
  const rows = await given(id, station, program);
  if (rows) await keepRows(station, rows, program);
  return rows;
}
