import { mkdirSync } from 'node:fs';
import path from 'node:path';
import Database from 'better-sqlite3';
import { MIGRATIONS } from './migrations';

export type Db = Database.Database;

/** The folder that everything saved lives in. */
const dataFolder = (): string => path.resolve(/* turbopackIgnore: true */ process.env.PITBELL_DATA ?? 'data');

function migrate(db: Db, steps: readonly string[]): void {
  const version = db.pragma('user_version', { simple: true }) as number;
  if (version > steps.length) {
    throw new Error(
      `The data folder was written by a newer Pit Bell (database version ${version}, this program knows ${steps.length}). Update the program; nothing was changed.`,
    );
  }
  for (let v = version; v < steps.length; v++) {
    db.transaction(() => {
      db.exec(steps[v]!);
      db.pragma(`user_version = ${v + 1}`);
    })();
  }
}

/**
 * Opens the database file, brings it up to date and sets it to keep what it is told: write-ahead log, full
 * synchronisation, foreign keys. @throws Error when the file is newer than the program
 */
export function openDatabase(file: string, steps: readonly string[] = MIGRATIONS): Db {
  const db = new Database(file);
  try {
    db.pragma('journal_mode = WAL');
    db.pragma('synchronous = FULL');
    db.pragma('foreign_keys = ON');
    db.pragma('busy_timeout = 5000');
    migrate(db, steps);
    return db;
  } catch (error) {
    db.close();
    throw error;
  }
}

/** One connection for the process; kept on globalThis, for a development server loads its modules again and again. */
const holder = globalThis as { pitBellDb?: Db };

export function database(): Db {
  if (!holder.pitBellDb) {
    const folder = dataFolder();
    mkdirSync(folder, { recursive: true });
    holder.pitBellDb = openDatabase(path.join(folder, 'pitbell.sqlite'));
  }
  return holder.pitBellDb;
}
