import { createHash } from 'node:crypto';
import { chmodSync, existsSync, mkdirSync, readdirSync, statSync } from 'node:fs';
import path from 'node:path';
import Database from 'better-sqlite3';
import { MIGRATIONS } from './migrations';

export type Db = Database.Database;

/** At the end of an insert whose row has the key of its request: the same one sent again writes nothing. */
export const ONCE = 'ON CONFLICT (client_key) WHERE client_key IS NOT NULL DO NOTHING';

/** The folder that everything saved lives in. */
export const dataFolder = (): string => path.resolve(/* turbopackIgnore: true */ process.env.PITBELL_DATA ?? 'data');

/** The database within a data folder. */
export const databaseFile = (folder: string = dataFolder()): string => path.join(folder, 'pitbell.sqlite');

/** Where photographs lie: beside the database. */
export const photoFolder = (folder: string = dataFolder()): string => path.join(folder, 'photos');

/** No database is smaller, bytes: SQLite takes what is for a new one. */
const LEAST = 512;

/** “PiBe”, in the head of the file: says whose it is. */
const APPLICATION = 0x50694265;

/** What stands beside a document to tell a flipped bit. */
export const digestOf = (text: string): string => createHash('sha256').update(text).digest('base64url').slice(0, 22);

/** A data folder that cannot be used as it is, in one line: what it is, and what to do. */
export class DataTrouble extends Error {}

const version = (db: Db) => db.pragma('user_version', { simple: true }) as number;

/** What the database is before anything is changed in it. @throws DataTrouble for a file that is foreign, damaged or of a newer program */
function inspect(file: string, known: number): void {
  const db = new Database(file, { readonly: true });
  try {
    const tables = db.prepare<[], { name: string }>("SELECT name FROM sqlite_master WHERE type = 'table'").all();
    const has = (name: string) => tables.some((t) => t.name === name);
    const at = version(db);
    const ours = at === 0 ? tables.length === 0 : has('stations') && has('revisions');
    const id = db.pragma('application_id', { simple: true }) as number;
    if (!ours || (id !== 0 && id !== APPLICATION))
      throw new DataTrouble(
        `${file} is a database of another program. Choose another data folder (PITBELL_DATA), or move that file away. Nothing was changed.`,
      );
    if (at > known)
      throw new DataTrouble(
        `The data folder was written by a newer Pit Bell (database version ${at}, this program knows ${known}). Update the program; nothing was changed.`,
      );
  } finally {
    db.close();
  }
}

function migrate(db: Db, steps: readonly string[]): void {
  for (let v = version(db); v < steps.length; v++) {
    db.transaction(() => {
      db.exec(steps[v]!);
      db.pragma(`user_version = ${v + 1}`);
      db.pragma(`application_id = ${APPLICATION}`);
    })();
  }
}

const damaged = (file: string, error: unknown): DataTrouble =>
  error instanceof DataTrouble
    ? error
    : new DataTrouble(
        `${file} cannot be read as a database (${(error as Error).message}). Put a backup in its place, or move it away to begin anew. Nothing was changed.`,
      );

/**
 * Opens the database file, brings it up to date and sets it to keep what it is told: write-ahead log, full
 * synchronisation, foreign keys. @throws DataTrouble when the file is foreign, damaged or newer than the program; it is left as it was
 */
export function openDatabase(file: string, steps: readonly string[] = MIGRATIONS): Db {
  const there = existsSync(file);
  if (there && statSync(file).size < LEAST)
    throw new DataTrouble(
      `${file} is empty or cut off: it holds no database any more. Put a backup in its place, or remove it to begin with nothing.`,
    );
  try {
    if (there) inspect(file, steps.length);
  } catch (error) {
    throw damaged(file, error);
  }
  const db = new Database(file);
  try {
    db.pragma('journal_mode = WAL');
    db.pragma('synchronous = FULL');
    db.pragma('foreign_keys = ON');
    db.pragma('recursive_triggers = ON');
    db.pragma('busy_timeout = 15000');
    db.function('digest_of', { deterministic: true }, (text) => digestOf(String(text)));
    migrate(db, steps);
    return db;
  } catch (error) {
    db.close();
    throw error;
  }
}

/** Opens the database of a data folder, made where there is none. @throws DataTrouble when it cannot be used, and nothing was touched */
export function openDataFolder(folder: string = dataFolder()): Db {
  try {
    mkdirSync(folder, { recursive: true, mode: 0o700 });
    const file = databaseFile(folder);
    const others = readdirSync(folder).filter((name) => /^pitbell\.sqlite-(wal|journal)$/.test(name));
    if (!existsSync(file) && others.length > 0)
      throw new DataTrouble(
        `${folder} holds ${others.join(' and ')} but not pitbell.sqlite that it belongs to: put that beside it, or move it away.`,
      );
    const db = openDatabase(file);
    closeToOthers(folder);
    return db;
  } catch (error) {
    if (error instanceof DataTrouble) throw error;
    const { code } = error as { code?: string };
    if (code === 'EACCES' || code === 'EROFS' || code === 'EPERM' || /READONLY|CANTOPEN/.test(code ?? ''))
      throw new DataTrouble(
        `${folder} cannot be written (${code}). Give the one who runs Pit Bell the right to write there, or choose another folder (PITBELL_DATA).`,
      );
    if (code === 'EEXIST' || code === 'ENOTDIR')
      throw new DataTrouble(`${folder} is not a folder. Choose another (PITBELL_DATA).`);
    if (code === 'ENOSPC' || code === 'SQLITE_FULL')
      throw new DataTrouble(`There is no room on the disk of ${folder}. Make room, then start again.`);
    throw error;
  }
}

/** What is kept here is nobody else's on the machine to read. */
function closeToOthers(folder: string): void {
  try {
    chmodSync(folder, 0o700);
    for (const name of readdirSync(folder))
      if (name.startsWith('pitbell.sqlite')) chmodSync(path.join(folder, name), 0o600);
  } catch {
    // A folder of a file system that knows no such rights, or of another owner: it is used as it is.
  }
}

/** One connection for the process; kept on globalThis, for a development server loads its modules again and again. */
const holder = globalThis as { pitBellDb?: Db };

export function database(): Db {
  return (holder.pitBellDb ??= openDataFolder());
}

/** Ends the connection of this process and folds the log into the file: a copy of the folder is whole after it. */
export function closeDatabase(): void {
  holder.pitBellDb?.close();
  delete holder.pitBellDb;
}
