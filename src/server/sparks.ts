import { sparkOf, type Spark } from '@/core/book';
import { rollsOf } from './book';
import { dailyOf } from './standing';
import type { Db } from './db';
import { lastPulled } from './feeds/feeds';

const known = new WeakMap<Db, Map<number, { stamp: string; spark: Spark | null }>>();

/** How often the pumps of a station started lately; worked out anew when its book has gone on. */
export function sparkAt(db: Db, stationId: number): Spark | null {
  const all = known.get(db) ?? new Map<number, { stamp: string; spark: Spark | null }>();
  known.set(db, all);
  const page = db.prepare('SELECT max(id) FROM book_pages WHERE station_id = ?').pluck().get(stationId) as
    number | null;
  const stamp = `${page} ${lastPulled(db, stationId)}`;
  const before = all.get(stationId);
  if (before?.stamp === stamp) return before.spark;
  const starts = Object.fromEntries(Object.entries(dailyOf(db, stationId)).filter(([id]) => id.startsWith('starts-')));
  const spark = sparkOf(starts, rollsOf(db, stationId));
  all.set(stationId, { stamp, spark });
  return spark;
}
