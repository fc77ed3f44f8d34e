import { checkStation, type Problem, type Station } from '@/core/station';
import type { Db } from './db';

export interface Saved {
  readonly id: number;
  readonly revision: number;
  /** ISO time */
  readonly savedAt: string;
  readonly station: Station;
}

export type SaveResult =
  { ok: true; saved: Saved } | { ok: false; reason: 'stale'; theirs: Saved } | { ok: false; reason: 'not-found' };

interface Row {
  id: number;
  revision: number;
  savedAt: string;
  document: string;
}

const SELECT = `
  SELECT s.id, r.revision, r.saved_at AS savedAt, r.document
  FROM stations s JOIN revisions r ON r.station_id = s.id`;

/** A document in the database that this version of the program does not understand. It is kept as it is. */
export interface Unreadable {
  readonly id: number;
  readonly problems: readonly Problem[];
}

function parsed(text: string): { ok: true; document: unknown } | { ok: false; reason: string } {
  try {
    return { ok: true, document: JSON.parse(text) };
  } catch (e) {
    return { ok: false, reason: (e as Error).message };
  }
}

/** A stored document was checked when it was written; an older version is brought up to date as it is read. */
function read(row: Row): { ok: true; saved: Saved } | { ok: false; unreadable: Unreadable } {
  const stored = parsed(row.document);
  if (!stored.ok) {
    const message = `what is stored is damaged: it is no JSON any more (${stored.reason})`;
    return { ok: false, unreadable: { id: row.id, problems: [{ path: 'document', message }] } };
  }
  const checked = checkStation(stored.document);
  if (!checked.ok) return { ok: false, unreadable: { id: row.id, problems: checked.problems } };
  return { ok: true, saved: { id: row.id, revision: row.revision, savedAt: row.savedAt, station: checked.station } };
}

function toSaved(row: Row): Saved {
  const result = read(row);
  if (result.ok) return result.saved;
  throw new Error(
    `Station ${row.id}, revision ${row.revision} in the database cannot be read: ${result.unreadable.problems.map((p) => `${p.path}: ${p.message}`).join('; ')}`,
  );
}

/** A damaged document has no name; it must not keep the others from being put in order. */
const NAMED = (what: 'site' | 'name') =>
  `CASE WHEN json_valid(r.document) THEN json_extract(r.document, '$.identity.${what}') END COLLATE NOCASE`;

function newest(db: Db): ReturnType<typeof read>[] {
  const rows = db
    .prepare<[], Row>(
      `${SELECT} AND r.revision = s.revision
       ORDER BY ${NAMED('site')}, ${NAMED('name')}, s.id`,
    )
    .all();
  return rows.map(read);
}

/** Every station at its newest revision, by site and name. */
export const listStations = (db: Db): Saved[] => newest(db).flatMap((r) => (r.ok ? [r.saved] : []));

/** The stations whose newest document cannot be read, with every problem; one of them must not hide the others. */
export const listUnreadable = (db: Db): Unreadable[] => newest(db).flatMap((r) => (r.ok ? [] : [r.unreadable]));

/** The newest document of a station as it is stored, readable or not. */
export function storedDocument(db: Db, id: number): string | null {
  const row = db.prepare<[number], Row>(`${SELECT} AND r.revision = s.revision WHERE s.id = ?`).get(id);
  return row ? row.document : null;
}

export function findStation(db: Db, id: number): Saved | null {
  const row = db.prepare<[number], Row>(`${SELECT} AND r.revision = s.revision WHERE s.id = ?`).get(id);
  return row ? toSaved(row) : null;
}

const insertRevision = (db: Db, id: number, revision: number, at: string, station: Station) =>
  db
    .prepare('INSERT INTO revisions (station_id, revision, saved_at, document) VALUES (?, ?, ?, ?)')
    .run(id, revision, at, JSON.stringify(station));

export function createStation(db: Db, station: Station, at: string): Saved {
  return db.transaction(() => {
    const { lastInsertRowid } = db.prepare('INSERT INTO stations (revision, created_at) VALUES (1, ?)').run(at);
    const id = Number(lastInsertRowid);
    insertRevision(db, id, 1, at, station);
    return { id, revision: 1, savedAt: at, station };
  })();
}

/** Saves a new revision made from revision `base`. When another has been saved since, nothing is written and that one is returned. */
export function saveStation(db: Db, id: number, base: number, station: Station, at: string): SaveResult {
  return db
    .transaction((): SaveResult => {
      const now = findStation(db, id);
      if (!now) return { ok: false, reason: 'not-found' };
      if (now.revision !== base) return { ok: false, reason: 'stale', theirs: now };
      const revision = base + 1;
      insertRevision(db, id, revision, at, station);
      db.prepare('UPDATE stations SET revision = ? WHERE id = ?').run(revision, id);
      return { ok: true, saved: { id, revision, savedAt: at, station } };
    })
    .immediate();
}
