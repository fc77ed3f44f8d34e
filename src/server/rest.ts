import { rmSync } from 'node:fs';
import path from 'node:path';
import { photoFolder, type Db } from './db';

/*
 * Stations that nobody looks after any more. In the archive a station is out of Round, of what is due and of searches, its panel is not asked,
 * and it opens as ever. In the bin it rests for thirty days more, and is then deleted for good: that alone takes away what is else never changed.
 */

export type Rest = 'archive' | 'bin';

/** So long a station rests in the bin, ms. */
export const IN_BIN = 30 * 86_400_000;

export interface Resting {
  readonly id: number;
  readonly name: string;
  readonly site: string;
  readonly rest: Rest;
  /** ISO time, and who. */
  readonly at: string;
  readonly by: string;
  /** When it is deleted for good, ISO; null: never. */
  readonly until: string | null;
}

type Row = Omit<Resting, 'until'>;

const SELECT = `SELECT f.station_id AS id, f.name, f.site, f.rest, r.rested_at AS at, r.rested_by AS "by"
  FROM station_figures f JOIN station_rest r ON r.id = (SELECT max(id) FROM station_rest WHERE station_id = f.station_id)
  WHERE f.rest IS NOT NULL`;

const toResting = (row: Row): Resting => ({
  ...row,
  until: row.rest === 'bin' ? new Date(Date.parse(row.at) + IN_BIN).toISOString() : null,
});

/** Where a station rests; null: it hangs on the wall. */
export function restOf(db: Db, id: number): Resting | null {
  const row = db.prepare<[number], Row>(`${SELECT} AND f.station_id = ?`).get(id);
  return row ? toResting(row) : null;
}

/** Every station that rests, the bin first, what came last first. */
export const restingStations = (db: Db): Resting[] =>
  db.prepare<[], Row>(`${SELECT} ORDER BY f.rest DESC, r.rested_at DESC, r.id DESC`).all().map(toResting);

/** Puts a station to rest, or brings it back. @returns false where there is none */
export function setRest(db: Db, id: number, rest: Rest | null, by: string, at: string): boolean {
  return db
    .transaction((): boolean => {
      const known = db
        .prepare<[number], { rest: Rest | null }>('SELECT rest FROM station_figures WHERE station_id = ?')
        .get(id);
      if (!known) return false;
      // Already so: the day on which it came there stays.
      if (known.rest === rest) return true;
      db.prepare('INSERT INTO station_rest (station_id, rested_at, rested_by, what) VALUES (?, ?, ?, ?)').run(
        id,
        at,
        by,
        rest ?? 'back',
      );
      db.prepare('UPDATE station_figures SET rest = ? WHERE station_id = ?').run(rest, id);
      return true;
    })
    .immediate();
}

const RUNS = 'SELECT id FROM proof_runs WHERE station_id = @id';
const PAGES = 'SELECT id FROM book_pages WHERE station_id = @id';
const FEEDS = 'SELECT id FROM feeds WHERE station_id = @id';

/** What belongs to a station, what hangs on others first. */
const BELONGS: readonly (readonly [table: string, which: string])[] = [
  ['proof_entries', `run_id IN (${RUNS})`],
  ['photos', `run_id IN (${RUNS})`],
  ['run_words', `run_id IN (${RUNS})`],
  ['seals', 'station_id = @id'],
  ['proof_runs', 'station_id = @id'],
  ['runs_from_files', 'station_id = @id'],
  ['book_words', `rowid IN (${PAGES})`],
  ['book_photos', `page_id IN (${PAGES})`],
  ['book_readings', 'station_id = @id'],
  ['book_pages', 'station_id = @id'],
  ['feed_now', 'station_id = @id'],
  ['feed_words', 'station_id = @id'],
  ['feed_raw', `feed_id IN (${FEEDS})`],
  ['feeds', 'station_id = @id'],
  ['import_parts', 'station_id = @id'],
  ['people_sees', 'station_id = @id'],
  ['station_figures', 'station_id = @id'],
  ['station_rest', 'station_id = @id'],
  ['revisions', 'station_id = @id'],
  ['stations', 'id = @id'],
];

const digestsOf = (db: Db, id: number): string[] =>
  db
    .prepare(
      `SELECT digest FROM photos WHERE run_id IN (${RUNS}) UNION SELECT digest FROM book_photos WHERE page_id IN (${PAGES})`,
    )
    .pluck()
    .all({ id }) as string[];

/** Deletes a station for good, whole or not at all. What guards its history is taken away for that, and stands again after it. */
function erase(db: Db, id: number): void {
  const pictures = digestsOf(db, id);
  db.transaction(() => {
    // A correction points at what it corrects: rows of one table go in any order, and hold together at the end.
    db.pragma('defer_foreign_keys = on');
    const guards = db.prepare("SELECT name, sql FROM sqlite_master WHERE type = 'trigger'").all() as {
      name: string;
      sql: string;
    }[];
    for (const { name } of guards) db.exec(`DROP TRIGGER "${name}"`);
    for (const [table, which] of BELONGS) db.prepare(`DELETE FROM ${table} WHERE ${which}`).run({ id });
    for (const { sql } of guards) db.exec(sql);
  }).immediate();
  const shown = db.prepare(
    'SELECT 1 FROM photos WHERE digest = @d UNION ALL SELECT 1 FROM book_photos WHERE digest = @d',
  );
  for (const d of pictures.filter((p) => shown.get({ d: p }) === undefined))
    for (const size of ['', '.thumb']) rmSync(path.join(photoFolder(), `${d}${size}.jpg`), { force: true });
}

/** Deletes for good what has rested in the bin for thirty days. @param now ms since 1970 @returns the numbers of those that are gone */
export function emptyBin(db: Db, now: number): number[] {
  const gone = restingStations(db).filter((s) => s.until !== null && Date.parse(s.until) <= now);
  for (const { id } of gone) erase(db, id);
  return gone.map((s) => s.id);
}
