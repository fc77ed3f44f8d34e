import { isDeepStrictEqual } from 'node:util';
import { checkStation, type Problem, type Station } from '@/core/station';
import { digestOf, type Db } from './db';

export interface Saved {
  readonly id: number;
  readonly revision: number;
  /** ISO time */
  readonly savedAt: string;
  readonly station: Station;
}

export type SaveResult =
  { ok: true; saved: Saved } | { ok: false; reason: 'stale'; theirs: Saved } | { ok: false; reason: 'not-found' };

/** A station whose newest document cannot be read: damaged, or of a form that this version does not understand. It is kept as it is. */
export interface Unreadable {
  readonly id: number;
  readonly problems: readonly Problem[];
}

/** A station as it is read: with its document, or with why there is none. */
export type Found = { ok: true; saved: Saved } | { ok: false; unreadable: Unreadable };

interface Row {
  id: number;
  revision: number;
  savedAt: string;
  document: string;
  digest: string | null;
}

const SELECT = `
  SELECT s.id, r.revision, r.saved_at AS savedAt, r.document, r.digest
  FROM stations s JOIN revisions r ON r.station_id = s.id`;

const unreadable = (id: number, message: string): Found => ({
  ok: false,
  unreadable: { id, problems: [{ path: 'document', message }] },
});

function parsed(text: string): { ok: true; document: unknown } | { ok: false; reason: string } {
  try {
    return { ok: true, document: JSON.parse(text) };
  } catch (e) {
    return { ok: false, reason: (e as Error).message };
  }
}

/** What a stored document says; an older version is brought up to date as it is read. */
function read({ id, revision, savedAt, document, digest }: Row): Found {
  if (digest !== null && digest !== digestOf(document))
    return unreadable(
      id,
      'what is stored is not what was written: its check word differs, so something has changed it since',
    );
  const stored = parsed(document);
  if (!stored.ok) return unreadable(id, `what is stored is damaged: it is no JSON any more (${stored.reason})`);
  const checked = checkStation(stored.document);
  if (!checked.ok) return { ok: false, unreadable: { id, problems: checked.problems } };
  return { ok: true, saved: { id, revision, savedAt, station: checked.station } };
}

/** A station at its newest revision; null where there is none of that number. A part of the file that is damaged hides only what lies in it. */
export function readStation(db: Db, id: number): Found | null {
  try {
    const row = db.prepare<[number], Row>(`${SELECT} AND r.revision = s.revision WHERE s.id = ?`).get(id);
    return row ? read(row) : null;
  } catch (e) {
    return unreadable(id, `the part of the database that holds it is damaged (${(e as Error).message})`);
  }
}

/** A station that can be read, or null. */
export function findStation(db: Db, id: number): Saved | null {
  const found = readStation(db, id);
  return found?.ok ? found.saved : null;
}

/** The newest document of a station as it is stored, readable or not. @throws where the database cannot give it */
export function storedDocument(db: Db, id: number): string | null {
  const row = db.prepare<[number], Row>(`${SELECT} AND r.revision = s.revision WHERE s.id = ?`).get(id);
  return row ? row.document : null;
}

/** The document of one revision as it is stored; null where there is none. */
export const documentAt = (db: Db, id: number, revision: number): string | null =>
  db
    .prepare<[number, number], { document: string }>(
      'SELECT document FROM revisions WHERE station_id = ? AND revision = ?',
    )
    .get(id, revision)?.document ?? null;

/** A station as it was at a revision; null where there is none of it, or it cannot be read any more. */
export function revisionOf(db: Db, newest: Saved, revision: number): Saved | null {
  if (revision === newest.revision) return newest;
  const row = db
    .prepare<[number, number], Row>(
      'SELECT station_id AS id, revision, saved_at AS savedAt, document, digest FROM revisions WHERE station_id = ? AND revision = ?',
    )
    .get(newest.id, revision);
  const found = row && read(row);
  return found?.ok ? found.saved : null;
}

function insertRevision(
  db: Db,
  { id, revision, savedAt, station }: Saved,
  key: string | null,
  by: string | null,
): void {
  const document = JSON.stringify(station);
  db.prepare(
    'INSERT INTO revisions (station_id, revision, saved_at, document, digest, save_key, saved_by) VALUES (?, ?, ?, ?, ?, ?, ?)',
  ).run(id, revision, savedAt, document, digestOf(document), key, by);
  const { name, site } = station.identity;
  db.prepare(
    `INSERT INTO station_figures (station_id, revision, name, site) VALUES (?, ?, ?, ?)
     ON CONFLICT (station_id) DO UPDATE SET revision = excluded.revision, name = excluded.name, site = excluded.site,
       by_core = NULL, figures = NULL`,
  ).run(id, revision, name, site);
}

/** What a save of this key has written before; null where it has not. */
function savedAs(db: Db, key: string | null, where: string, ...of: readonly number[]): Saved | null {
  if (key === null) return null;
  const row = db.prepare<unknown[], Row>(`${SELECT} WHERE r.save_key = ? AND ${where}`).get(key, ...of);
  const found = row && read(row);
  return found?.ok ? found.saved : null;
}

/** Who saved a revision; null where nobody was signed in. */
export const savedBy = (db: Db, id: number, revision: number): string | null =>
  db
    .prepare<[number, number], { saved_by: string | null }>(
      'SELECT saved_by FROM revisions WHERE station_id = ? AND revision = ?',
    )
    .get(id, revision)?.saved_by ?? null;

/** Keeps a new station. @param key of the request: the same one sent again makes no second station */
export function createStation(
  db: Db,
  station: Station,
  at: string,
  key: string | null = null,
  by: string | null = null,
): Saved {
  return db
    .transaction(() => {
      const before = savedAs(db, key, 'r.revision = 1');
      if (before) return before;
      const { lastInsertRowid } = db.prepare('INSERT INTO stations (revision, created_at) VALUES (1, ?)').run(at);
      const saved = { id: Number(lastInsertRowid), revision: 1, savedAt: at, station };
      insertRevision(db, saved, key, by);
      return saved;
    })
    .immediate();
}

/**
 * Saves a new revision made from revision `base`. When another has been saved since, nothing is written and that one is returned. What is as
 * it was makes no revision, and neither does a save that was kept before. @param key of the request
 */
export function saveStation(
  db: Db,
  id: number,
  base: number,
  station: Station,
  at: string,
  key: string | null = null,
  by: string | null = null,
): SaveResult {
  return db
    .transaction((): SaveResult => {
      const before = savedAs(db, key, 's.id = ?', id);
      if (before) return { ok: true, saved: before };
      const now = findStation(db, id);
      if (!now) return { ok: false, reason: 'not-found' };
      if (isDeepStrictEqual(now.station, station)) return { ok: true, saved: now };
      if (now.revision !== base) return { ok: false, reason: 'stale', theirs: now };
      const saved = { id, revision: base + 1, savedAt: at, station };
      insertRevision(db, saved, key, by);
      db.prepare('UPDATE stations SET revision = ? WHERE id = ?').run(saved.revision, id);
      return { ok: true, saved };
    })
    .immediate();
}
