import { cpSync, existsSync, readdirSync, rmSync } from 'node:fs';
import path from 'node:path';
import Database from 'better-sqlite3';
import { databaseFile, DataTrouble, photoFolder } from './db';

/** What a backup holds, as it was counted in the copy. */
export interface BackedUp {
  readonly file: string;
  readonly stations: number;
  readonly revisions: number;
  readonly testRuns: number;
  readonly findings: number;
  readonly pages: number;
  readonly readings: number;
  /** Photographs, which lie in a folder beside the file; null: there are none. */
  readonly photos: { readonly folder: string; readonly count: number } | null;
}

const count = (db: Database.Database, table: string): number =>
  db.prepare(`SELECT count(*) FROM ${table}`).pluck().get() as number;

/** Opens the copy and reads all of it. @throws DataTrouble when it is not whole */
function checked(file: string): Omit<BackedUp, 'photos'> {
  const db = new Database(file, { readonly: true });
  try {
    const [first] = db.pragma('integrity_check(1)') as { integrity_check: string }[];
    if (first?.integrity_check !== 'ok') throw new DataTrouble(`the copy is not whole: ${first?.integrity_check}`);
    return {
      file,
      stations: count(db, 'stations'),
      revisions: count(db, 'revisions'),
      testRuns: count(db, 'proof_runs'),
      findings: count(db, 'proof_entries'),
      pages: count(db, 'book_pages'),
      readings: count(db, 'book_readings'),
    };
  } finally {
    db.close();
  }
}

/** Photographs go into a folder beside the copy: each is written once and never changes. */
function copyPhotos(folder: string, file: string): BackedUp['photos'] {
  const from = photoFolder(folder);
  if (!existsSync(from)) return null;
  const to = `${file}.photos`;
  cpSync(from, to, { recursive: true, filter: (name) => !name.endsWith('.part') });
  return { folder: to, count: readdirSync(to).filter((name) => !name.includes('.thumb')).length };
}

/**
 * Copies the database of a data folder into one file while a server may be writing to it, and opens the copy to see that it is whole.
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
    return { ...checked(file), photos: copyPhotos(path.dirname(from), file) };
  } catch (error) {
    rmSync(file, { force: true });
    throw error instanceof DataTrouble ? error : new DataTrouble(`not backed up: ${(error as Error).message}`);
  } finally {
    db.close();
  }
}
