import { existsSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import path from 'node:path';
import Database from 'better-sqlite3';
import { databaseFile, DataTrouble, photoFolder, type Db } from './db';

/*
 * A backup is one file: the database as it was at one moment, with the photographs in a table `sqlar` as SQLite keeps archives (sqlite.org/sqlar.html),
 * so that what reads the one reads the other: `sqlite3 -A -t -f FILE` lists them.
 */

/** What a backup holds, as it was counted in it. */
export interface Held {
  readonly stations: number;
  readonly revisions: number;
  readonly testRuns: number;
  readonly findings: number;
  readonly pages: number;
  readonly readings: number;
  readonly photos: number;
}

export interface BackedUp extends Held {
  readonly file: string;
}

/** Photographs of the archive: not their small versions. */
const PHOTOS = `FROM sqlar WHERE name NOT LIKE '%.thumb.jpg'`;

export const hasArchive = (db: Db): boolean =>
  db.prepare("SELECT 1 FROM sqlite_master WHERE type = 'table' AND name = 'sqlar'").get() !== undefined;

/** Counts what a database holds. */
export function heldIn(db: Db): Held {
  const count = (from: string) => db.prepare<[], number>(`SELECT count(*) ${from}`).pluck().get()!;
  return {
    stations: count('FROM stations'),
    revisions: count('FROM revisions'),
    testRuns: count('FROM proof_runs'),
    findings: count('FROM proof_entries'),
    pages: count('FROM book_pages'),
    readings: count('FROM book_readings'),
    photos: hasArchive(db) ? count(PHOTOS) : 0,
  };
}

/** Photographs in a data folder. */
export const photosIn = (folder?: string): number => {
  const at = photoFolder(folder);
  return existsSync(at) ? readdirSync(at).filter((name) => /^[0-9a-f]{64}\.jpg$/.test(name)).length : 0;
};

/** Puts every photograph of a folder into the archive of a copy; each is written once and never changes. */
function archive(db: Db, folder: string): void {
  db.exec('CREATE TABLE sqlar (name TEXT PRIMARY KEY, mode INT, mtime INT, sz INT, data BLOB)');
  if (!existsSync(folder)) return;
  const put = db.prepare('INSERT INTO sqlar (name, mode, mtime, sz, data) VALUES (?, ?, 0, ?, ?)');
  db.transaction(() => {
    for (const name of readdirSync(folder)) {
      if (!name.endsWith('.jpg')) continue;
      // As many bytes as it says that it has: it is stored as it is.
      const bytes = readFileSync(path.join(folder, name));
      put.run(name, 0o100600, bytes.length, bytes);
    }
  })();
}

/** Reads all of a copy through. @throws DataTrouble when it is not whole */
export function readThrough(db: Db): void {
  const [first] = db.pragma('integrity_check(1)') as { integrity_check: string }[];
  if (first?.integrity_check !== 'ok') throw new DataTrouble(`the copy is not whole: ${first?.integrity_check}`);
}

/**
 * Copies everything of a data folder into one file while a server may be writing to it, and reads the copy through.
 * @throws DataTrouble when there is nothing to copy, the file is there already, or the copy is not whole (it is taken away again)
 */
export async function backUp(to: string, folder?: string): Promise<BackedUp> {
  const from = databaseFile(folder);
  const file = path.resolve(to);
  if (!existsSync(from)) throw new DataTrouble(`there is no ${from}: which data folder? (PITBELL_DATA)`);
  if (existsSync(file))
    throw new DataTrouble(`${file} is there already: a backup replaces nothing. Give it another name.`);
  const db = new Database(from, { readonly: true });
  try {
    await db.backup(file);
    const copy = new Database(file);
    try {
      copy.pragma('journal_mode = delete');
      archive(copy, photoFolder(path.dirname(from)));
      readThrough(copy);
      return { file, ...heldIn(copy) };
    } finally {
      copy.close();
    }
  } catch (error) {
    for (const end of ['', '-journal']) rmSync(file + end, { force: true });
    throw error instanceof DataTrouble ? error : new DataTrouble(`not backed up: ${(error as Error).message}`);
  } finally {
    db.close();
  }
}
