import { existsSync, mkdirSync, readdirSync, renameSync, rmSync } from 'node:fs';
import path from 'node:path';
import Database from 'better-sqlite3';
import { databaseFile } from './db';

/*
 * A copy of the database each night, in `copies` of the data folder: what a mistake or a damaged file costs is a day. A copy is made beside the
 * others under another name, read through, and only then counts; older ones go when a newer one is whole. Photographs are written once and never
 * changed: they stay where they are.
 */

const NAME = /^pitbell-(\d{4}-\d{2}-\d{2})\.sqlite$/;

const folderOf = (folder?: string): string => path.join(path.dirname(databaseFile(folder)), 'copies');

/** The copies that there are, newest first. */
export function copiesIn(folder?: string): readonly { readonly day: string; readonly file: string }[] {
  const at = folderOf(folder);
  if (!existsSync(at)) return [];
  return readdirSync(at)
    .flatMap((name) => {
      const day = NAME.exec(name)?.[1];
      return day ? [{ day, file: path.join(at, name) }] : [];
    })
    .sort((a, b) => b.day.localeCompare(a.day));
}

/** Whether a copy can be opened and is whole; it is one file afterwards, with nothing beside it. */
function isWhole(file: string): boolean {
  const db = new Database(file);
  try {
    db.pragma('journal_mode = delete');
    return db.pragma('integrity_check(1)', { simple: true }) === 'ok';
  } finally {
    db.close();
  }
}

/**
 * Makes the copy of a day, unless it is there, and takes away those beyond so many.
 * @param day as `2026-11-27`
 * @param keep how many are kept; 0: none is made, and none taken away
 * @returns its file; null where there is nothing to do
 * @throws where it cannot be written, or is not whole: the older ones stay then
 */
export async function nightly(day: string, keep: number, folder?: string): Promise<string | null> {
  const from = databaseFile(folder);
  if (keep <= 0 || !existsSync(from) || copiesIn(folder).some((c) => c.day === day)) return null;
  const at = folderOf(folder);
  mkdirSync(at, { recursive: true });
  const file = path.join(at, `pitbell-${day}.sqlite`);
  const part = `${file}.part`;
  rmSync(part, { force: true });
  const db = new Database(from, { readonly: true });
  try {
    await db.backup(part);
  } catch (error) {
    rmSync(part, { force: true });
    throw error;
  } finally {
    db.close();
  }
  if (!isWhole(part)) {
    rmSync(part, { force: true });
    throw new Error('the copy of the night is not whole: look at the disk, and at the database');
  }
  renameSync(part, file);
  for (const old of copiesIn(folder).slice(keep)) rmSync(old.file);
  return file;
}

/** How often it is looked whether a copy is due, ms. */
const LOOK = 3_600_000;

/** Keeps copies while the server runs. A copy that fails is said, and tried again at the next look. @returns ends it */
export function nightlyCopies(keep: number, say: (line: string) => void): () => void {
  const look = () => {
    const today = new Date();
    const day = `${today.getFullYear()}-${String(today.getMonth() + 1).padStart(2, '0')}-${String(today.getDate()).padStart(2, '0')}`;
    void nightly(day, keep).catch((error: unknown) =>
      say(`the copy of the night was not made: ${(error as Error).message}`),
    );
  };
  const timer = setInterval(look, LOOK);
  timer.unref();
  look();
  return () => clearInterval(timer);
}
