import { checkStation, type Station } from '@/core/station';
import type { Db } from './db';

/** One revision of a station as it is kept. */
export interface RevisionKept {
  readonly revision: number;
  readonly savedAt: string;
  /** Null where nobody was signed in. */
  readonly savedBy: string | null;
  /** Null where this version cannot read it; it stays, and can be had as a file. */
  readonly station: Station | null;
}

/** A document as it was kept then, brought up to today. */
function stationIn(document: string): Station | null {
  try {
    const checked = checkStation(JSON.parse(document));
    return checked.ok ? checked.station : null;
  } catch {
    return null;
  }
}

/**
 * Revisions of a station, newest first.
 * @param before only those that are older than it
 * @param most so many
 */
export function revisionsOf(db: Db, id: number, before: number | null, most: number): RevisionKept[] {
  return db
    .prepare<
      [number, number, number],
      { revision: number; saved_at: string; saved_by: string | null; document: string }
    >(
      'SELECT revision, saved_at, saved_by, document FROM revisions WHERE station_id = ? AND revision < ? ORDER BY revision DESC LIMIT ?',
    )
    .all(id, before ?? Number.MAX_SAFE_INTEGER, most)
    .map((r) => ({ revision: r.revision, savedAt: r.saved_at, savedBy: r.saved_by, station: stationIn(r.document) }));
}
