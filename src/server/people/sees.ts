import type { Db } from '../db';

/*
 * A reader may be held to stations of his own: the owner of a house sees his pit, and nothing of the firm’s others. Whatever answers for many
 * stations at once is not for him.
 */

/** The stations that somebody is held to; null: to none, he sees all. */
export function seesOf(db: Db, person: string): readonly number[] | null {
  if (db.prepare('SELECT 1 FROM people_held WHERE person_id = ?').get(person) === undefined) return null;
  return db
    .prepare<[string], number>('SELECT station_id FROM people_sees WHERE person_id = ? ORDER BY station_id')
    .pluck()
    .all(person) as unknown as number[];
}

/** Holds somebody to some stations, or to none; stations that are not there are left out. */
export function holdTo(db: Db, person: string, stations: readonly number[] | null): void {
  db.transaction(() => {
    db.prepare('DELETE FROM people_sees WHERE person_id = ?').run(person);
    db.prepare('DELETE FROM people_held WHERE person_id = ?').run(person);
    if (stations === null) return;
    db.prepare('INSERT INTO people_held (person_id) VALUES (?)').run(person);
    const put = db.prepare('INSERT INTO people_sees (person_id, station_id) SELECT ?, id FROM stations WHERE id = ?');
    for (const id of new Set(stations)) put.run(person, id);
  })();
}

/** How the number of an address leads to its station. */
const LEADS: readonly (readonly [RegExp, string | null])[] = [
  [/^\/(?:api\/)?stations\/(\d+)(?:\/|$)/, null],
  [/^\/api\/runs\/(\d+)\//, 'SELECT station_id FROM proof_runs WHERE id = ?'],
  [/^\/api\/photos\/(\d+)$/, 'SELECT r.station_id FROM photos p JOIN proof_runs r ON r.id = p.run_id WHERE p.id = ?'],
  [
    /^\/api\/photos\/book\/(\d+)$/,
    'SELECT b.station_id FROM book_photos p JOIN book_pages b ON b.id = p.page_id WHERE p.id = ?',
  ],
];

/** Ways that are of no station; Round and the list of names tell each his own. */
const OF_NONE: readonly RegExp[] = [/^\/$/, /^\/api\/stations$/, /^\/api\/firm\//, /^\/api\/pumps$/, /^\/api\/door\//];
/** Ways that name their stations as `?ids=1,2`. */
const BY_IDS = /^\/api\/(figures|sparks)$/;

/** Whether somebody who is held to some stations may go to an address. What leads to none of them, and is not known to be of none, he may not. */
export function maySee(db: Db, sees: readonly number[], address: string): boolean {
  const [path = '', query = ''] = address.split('?');
  if (path.includes('..') || path.includes('//')) return false;
  if (OF_NONE.some((p) => p.test(path))) return true;
  const asked = new URLSearchParams(query);
  if (BY_IDS.test(path)) return (asked.get('ids') ?? '').split(',').every((id) => sees.includes(Number(id)));
  // A search within one book.
  if (path === '/api/book') return sees.includes(Number(asked.get('station')));
  for (const [pattern, asks] of LEADS) {
    const number = pattern.exec(path)?.[1];
    if (number === undefined) continue;
    const station = asks === null ? Number(number) : db.prepare<[number], number>(asks).pluck().get(Number(number));
    return station !== undefined && sees.includes(station);
  }
  return false;
}
