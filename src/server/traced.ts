import * as z from 'zod';
import type { Past } from '@/core/trace';
import type { Db } from './db';
import { analysisOf } from './due';
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

export const pastOf = (db: Db, saved: Saved, now: number): Past => ({
  lately: [],
  confirmed: confirmed(db, saved.id),
  stationYears: stationYears(db, now),
  findings: analysisOf(db, saved).findings.map(({ kind, chance }) => ({ kind, chance })),
});
