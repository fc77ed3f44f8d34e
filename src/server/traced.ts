import * as z from 'zod';
import { goneOf, pageSchema, pumpOf } from '@/core/book';
import type { KeptPart, Past } from '@/core/trace';
import type { Db } from './db';
import { analysisOf, spansAt } from './due';
import { ratesOf } from './rates';
import type { Saved } from './stations';

/* What is known of a station before a fault is looked for: what was confirmed here and in the whole firm, and what its meters mean. */

const causesSchema = z.array(z.object({ cause: z.string() }));
const YEAR = 365.25 * 86_400_000;

/** Causes of the faults that were confirmed, on pages that stand. */
function confirmed(db: Db, stationId: number): Past['confirmed'] {
  const rows = db
    .prepare<[], { stationId: number; faults: string }>(
      `SELECT p.station_id AS stationId, json_extract(p.content, '$.faults') AS faults FROM book_pages p
       WHERE p.kind = 'visit' AND json_array_length(p.content, '$.faults') > 0
       AND NOT EXISTS (SELECT 1 FROM book_pages c WHERE c.corrects = p.id)`,
    )
    .all();
  return rows.flatMap((r) => {
    const read = causesSchema.safeParse(JSON.parse(r.faults));
    return read.success ? read.data.map(({ cause }) => ({ cause, here: r.stationId === stationId })) : [];
  });
}

/** Years that all stations of this server have been kept here, together. */
function stationYears(db: Db, now: number): number {
  const begun = db.prepare<[], string>('SELECT created_at FROM stations').pluck().all() as unknown as string[];
  return begun.reduce((sum, at) => sum + Math.max(0, now - Date.parse(at)) / YEAR, 0);
}

/** Parts that are fitted here, and parts on the shelf of any station that is looked after, the newest first. */
function partsOf(db: Db, saved: Saved, now: number): KeptPart[] {
  const rows = db
    .prepare<[number, number], { stationId: number; name: string; at: string; content: string }>(
      `SELECT p.station_id AS stationId, f.name, p.happened_at AS at, p.content FROM book_pages p
       JOIN station_figures f ON f.station_id = p.station_id
       WHERE p.kind = 'part' AND NOT EXISTS (SELECT 1 FROM book_pages c WHERE c.corrects = p.id)
       AND (p.station_id = ? AND p.content ->> '$.state' = 'fitted' OR p.content ->> '$.state' = 'on the shelf' AND (f.rest IS NULL OR p.station_id = ?))
       ORDER BY p.happened_at DESC, p.id DESC`,
    )
    .all(saved.id, saved.id);
  if (rows.length === 0) return [];
  const spans = spansAt(db, saved);
  return rows.flatMap(({ stationId, name: station, at, content }): KeptPart[] => {
    const read = pageSchema.safeParse(JSON.parse(content));
    if (!read.success || read.data.kind !== 'part' || read.data.state === 'taken out') return [];
    const { name, place, state, serial, warrantyTo, ...lives } = read.data;
    const gone = state === 'fitted' ? goneOf(lives, Date.parse(at), spans, pumpOf(place), now) : null;
    const where = stationId === saved.id ? null : station;
    return [{ name, place, state, since: at.slice(0, 10), serial, warrantyTo, gone, at: where }];
  });
}

export const pastOf = (db: Db, saved: Saved, now: number): Past => ({
  lately: [],
  confirmed: confirmed(db, saved.id),
  stationYears: stationYears(db, now),
  findings: analysisOf(db, saved).findings.map(({ kind, chance }) => ({ kind, chance })),
  parts: partsOf(db, saved, now),
  rates: ratesOf(db),
});
