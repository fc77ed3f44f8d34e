import type { Rate } from '@/core/trace';
import { ONCE, type Db } from './db';

/** What the firm says of how often kinds of faults come, by their causes; what was said last of each holds. */
export const ratesOf = (db: Db): Rate[] =>
  db
    .prepare<[], Rate>(
      `SELECT cause, years FROM firm_rates r WHERE years IS NOT NULL
       AND NOT EXISTS (SELECT 1 FROM firm_rates n WHERE n.cause = r.cause AND (n.kept_at, n.id) > (r.kept_at, r.id)) ORDER BY cause`,
    )
    .all();

/**
 * Keeps how often a kind comes: once in so many years of one such part; null: as it is assumed. What was kept before stays beneath.
 * @param key of the request: the same one sent again is kept once
 */
export function keepRate(
  db: Db,
  { cause, years }: { cause: string; years: number | null },
  by: string,
  at: string,
  key: string | null = null,
): void {
  db.prepare(`INSERT INTO firm_rates (kept_at, kept_by, cause, years, client_key) VALUES (?, ?, ?, ?, ?) ${ONCE}`).run(
    ...[at, by, cause, years, key],
  );
}
