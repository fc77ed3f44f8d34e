import { createHash } from 'node:crypto';
import {
  chmodSync,
  copyFileSync,
  existsSync,
  linkSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import path from 'node:path';
import Database from 'better-sqlite3';
import * as z from 'zod';
import { hasArchive, heldIn, readThrough, type Held } from './backup';
import { dataFolder, databaseFile, DataTrouble, openDatabase, photoFolder, type Db } from './db';

/*
 * A backup is taken back in two steps. First it is laid beside what is there, brought up to this version and read through, and it is told what is
 * in it. Then it is switched: the photographs are added to those that are there, and the database takes the place of the other in one step, of
 * which a copy stays. Until then nothing that is there is touched.
 */

/** A backup that is laid beside, as it is shown before it is switched. */
const waitingSchema = z.object({
  id: z.string(),
  /** What the file was called, and when it was laid here, ISO. */
  name: z.string(),
  laidAt: z.string(),
  holds: z.object({
    stations: z.number(),
    revisions: z.number(),
    testRuns: z.number(),
    findings: z.number(),
    pages: z.number(),
    readings: z.number(),
    photos: z.number(),
  }) satisfies z.ZodType<Held>,
  /** When anything was written in it last, ISO; null: never. */
  last: z.string().nullable(),
  /** The database version that it came in; brought up since. */
  version: z.number(),
  stations: z.array(z.object({ name: z.string(), site: z.string(), revision: z.number(), savedAt: z.string() })),
});
export type Waiting = z.infer<typeof waitingSchema>;

const ID = /^\d{8}-\d{6}-[0-9a-f]{4}$/;

const restoreFolder = (folder: string): string => path.join(folder, 'restore');
const laid = (id: string, folder: string): { db: string; told: string } => {
  if (!ID.test(id)) throw new DataTrouble('there is no such backup here');
  const at = restoreFolder(folder);
  return { db: path.join(at, `${id}.sqlite`), told: path.join(at, `${id}.json`) };
};

const stamp = (at: string): string => at.slice(0, 19).replace(/[-:]/g, '').replace('T', '-');

/** Each station of a database with its newest revision. */
const stationsIn = (db: Db): Waiting['stations'] =>
  db
    .prepare<[], Waiting['stations'][number]>(
      `SELECT f.name, f.site, s.revision, r.saved_at AS savedAt FROM stations s
       JOIN station_figures f ON f.station_id = s.id JOIN revisions r ON r.station_id = s.id AND r.revision = s.revision
       ORDER BY f.site, f.name`,
    )
    .all();

/** When anything was written last. */
export const lastIn = (db: Db): string | null =>
  db
    .prepare<[], string | null>(
      `SELECT max(at) FROM (SELECT max(saved_at) AS at FROM revisions UNION ALL SELECT max(written_at) FROM book_pages
       UNION ALL SELECT max(entered_at) FROM proof_entries)`,
    )
    .pluck()
    .get() ?? null;

/**
 * Lays a backup beside what is there, brings it up to this version, reads it through, and tells what is in it. A folder of photographs beside
 * it (`FILE.photos`), as earlier backups had, comes along.
 * @param file is left as it is @param name what it is called, for whoever sees it
 * @throws DataTrouble where it is no backup, is not whole, or is of a newer program; nothing is left behind
 */
export function layBeside(file: string, name: string, now: string, folder: string = dataFolder()): Waiting {
  const at = restoreFolder(folder);
  mkdirSync(at, { recursive: true, mode: 0o700 });
  const id = `${stamp(now)}-${createHash('sha256').update(`${name} ${now} ${Math.random()}`).digest('hex').slice(0, 4)}`;
  const { db: to, told } = laid(id, folder);
  try {
    if (existsSync(`${file}-wal`) && statSync(`${file}-wal`).size > 0)
      throw new DataTrouble(`${file} is a database that is in use, no backup: make one with “pitbell backup”`);
    copyFileSync(file, to);
    chmodSync(to, 0o600);
    const version = versionOf(to);
    const db = openDatabase(to);
    try {
      readThrough(db);
      if (!hasArchive(db)) alsoBeside(db, `${file}.photos`);
      db.pragma('wal_checkpoint(TRUNCATE)');
      db.pragma('journal_mode = delete');
      const waiting: Waiting = {
        id,
        name,
        laidAt: now,
        holds: heldIn(db),
        last: lastIn(db),
        version,
        stations: stationsIn(db),
      };
      writeFileSync(told, JSON.stringify(waiting), { mode: 0o600 });
      return waiting;
    } finally {
      db.close();
    }
  } catch (error) {
    drop(id, folder);
    throw error instanceof DataTrouble
      ? new DataTrouble(error.message.replaceAll(to, name))
      : new DataTrouble(`${name} cannot be taken back: ${(error as Error).message}`);
  }
}

function versionOf(file: string): number {
  const db = new Database(file, { readonly: true });
  try {
    return db.pragma('user_version', { simple: true }) as number;
  } catch (error) {
    throw new DataTrouble(`${file} is no backup of Pit Bell (${(error as Error).message})`);
  } finally {
    db.close();
  }
}

/** Photographs that an earlier backup had in a folder of their own. */
function alsoBeside(db: Db, from: string): void {
  if (!existsSync(from)) return;
  db.exec('CREATE TABLE sqlar (name TEXT PRIMARY KEY, mode INT, mtime INT, sz INT, data BLOB)');
  const put = db.prepare('INSERT INTO sqlar (name, mode, mtime, sz, data) VALUES (?, ?, 0, ?, ?)');
  for (const name of readdirSync(from)) {
    const bytes = readFileSync(path.join(from, name));
    if (name.endsWith('.jpg')) put.run(name, 0o100600, bytes.length, bytes);
  }
}

/** Backups that wait beside what is there, the newest first. */
export function waitingIn(folder: string = dataFolder()): Waiting[] {
  const at = restoreFolder(folder);
  if (!existsSync(at)) return [];
  return readdirSync(at)
    .filter((name) => name.endsWith('.json') && ID.test(name.slice(0, -5)))
    .flatMap((name) => {
      const read = waitingSchema.safeParse(JSON.parse(readFileSync(path.join(at, name), 'utf8')));
      return read.success && existsSync(laid(read.data.id, folder).db) ? [read.data] : [];
    })
    .sort((a, b) => b.laidAt.localeCompare(a.laidAt));
}

/** Takes away a backup that waits: it will not be switched. */
export function drop(id: string, folder: string = dataFolder()): void {
  const { db, told } = laid(id, folder);
  for (const file of [told, db, `${db}-wal`, `${db}-shm`, `${db}-journal`]) rmSync(file, { force: true });
}

const PHOTO = /^([0-9a-f]{64})(\.thumb)?\.jpg$/;

/** Adds the photographs of an archive to those that are there. What is not what its name says is left out, and counted. */
function takeOut(db: Db, to: string): { added: number; strange: number } {
  const count = { added: 0, strange: 0 };
  if (!hasArchive(db)) return count;
  mkdirSync(to, { recursive: true, mode: 0o700 });
  for (const { name, data } of db
    .prepare<[], { name: string; data: Buffer }>('SELECT name, data FROM sqlar')
    .iterate()) {
    const [, digest, thumb] = PHOTO.exec(name) ?? [];
    if (digest === undefined || (!thumb && createHash('sha256').update(data).digest('hex') !== digest)) {
      count.strange++;
      continue;
    }
    const file = path.join(to, name);
    if (existsSync(file)) continue;
    writeFileSync(`${file}.part`, data, { mode: 0o600 });
    renameSync(`${file}.part`, file);
    if (!thumb) count.added++;
  }
  return count;
}

/** Folds the log of a database into it, which goes only where nobody else has it open. @throws DataTrouble where somebody has */
function alone(file: string): void {
  if (!existsSync(file)) return;
  const db = new Database(file, { timeout: 0 });
  try {
    if (db.pragma('journal_mode = delete', { simple: true }) === 'delete') return;
  } catch {
    // Told below.
  } finally {
    db.close();
  }
  throw new DataTrouble('another program has the database open: stop it, then try again. Nothing was changed.');
}

/** What came of a switch. */
export interface Switched {
  /** Where what was there before is kept; null: there was nothing. */
  readonly before: string | null;
  readonly photos: { readonly added: number; readonly strange: number };
}

/**
 * Makes a backup that waits ready to be switched: its photographs are added to those that are there, and it is a database like any other after
 * it. Nothing that is there is changed by that, and done twice it does nothing twice.
 * @throws DataTrouble where there is no such backup
 */
export function makeReady(id: string, folder: string = dataFolder()): Switched['photos'] {
  const { db: from } = laid(id, folder);
  if (!existsSync(from)) throw new DataTrouble('there is no such backup here');
  const db = new Database(from);
  try {
    const photos = takeOut(db, photoFolder(folder));
    if (hasArchive(db)) {
      db.exec('DROP TABLE sqlar');
      db.exec('VACUUM');
    }
    db.pragma('journal_mode = delete');
    return photos;
  } finally {
    db.close();
  }
}

/**
 * Puts a backup that waits in the place of what is there, of which a copy stays in `copies`. Nobody may have the database open: whoever serves
 * has closed it. If the machine stops midway, either the one or the other is there, whole.
 * @throws DataTrouble where another program has it open, or it cannot be done; what was there is there still
 */
export function switchTo(id: string, now: string, folder: string = dataFolder()): Switched {
  const { db: from, told } = laid(id, folder);
  const photos = makeReady(id, folder);
  const file = databaseFile(folder);
  alone(file);
  let before: string | null = null;
  if (existsSync(file)) {
    const copies = path.join(folder, 'copies');
    mkdirSync(copies, { recursive: true, mode: 0o700 });
    before = path.join(copies, `before-${stamp(now)}.sqlite`);
    try {
      linkSync(file, before);
    } catch {
      // A file system that knows one name for a file.
      copyFileSync(file, before);
    }
  }
  renameSync(from, file);
  rmSync(told, { force: true });
  return { before, photos };
}
