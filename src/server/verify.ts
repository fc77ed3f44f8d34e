import { existsSync, readFileSync } from 'node:fs';
import path from 'node:path';
import Database from 'better-sqlite3';
import { databaseFile, DataTrouble } from './db';
import { checkSeal } from './seal';

/** What a check of seals comes to. */
export interface Verified {
  readonly whole: boolean;
  /** Sealed runs that were looked at. */
  readonly runs: number;
  readonly stations: number;
  /** The first link that does not hold, and why; null where all do. */
  readonly broken: { readonly station: number | null; readonly run: number | null; readonly why: string } | null;
}

interface SealRow {
  runId: number;
  stationId: number;
  previous: string | null;
  hash: string;
  content: string;
}

const parsed = (text: string): unknown => {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
};

/** Why one sealed run does not follow from what was sealed before it, or null. */
function whyBroken({ content, hash, previous }: SealRow, last: string | null): string | null {
  const checked = checkSeal(parsed(content));
  if (!checked.ok) return checked.problems.join('; ');
  if (checked.file.hash !== hash) return `it is listed under ${hash} and says ${checked.file.hash}`;
  if (checked.file.previous !== previous || previous !== last)
    return `it follows ${checked.file.previous ?? 'nothing'}, and before it stands ${last ?? 'nothing'}`;
  return null;
}

/** Goes through every chain of a database, station by station, in the order in which runs were sealed. */
function verifyDatabase(file: string): Verified {
  const db = new Database(file, { readonly: true, fileMustExist: true });
  try {
    const has = db.prepare("SELECT 1 FROM sqlite_master WHERE type = 'table' AND name = 'seals'").get() !== undefined;
    if (!has) return { whole: true, runs: 0, stations: 0, broken: null };
    const rows = db
      .prepare<[], SealRow>(
        'SELECT run_id AS runId, station_id AS stationId, previous, hash, content FROM seals ORDER BY station_id, rowid',
      )
      .all();
    const last = new Map<number, string>();
    for (const [i, row] of rows.entries()) {
      const why = whyBroken(row, last.get(row.stationId) ?? null);
      if (why !== null)
        return {
          whole: false,
          runs: i + 1,
          stations: last.size,
          broken: { station: row.stationId, run: row.runId, why },
        };
      last.set(row.stationId, row.hash);
    }
    return { whole: true, runs: rows.length, stations: last.size, broken: null };
  } finally {
    db.close();
  }
}

function verifyFile(file: string): Verified {
  const checked = checkSeal(parsed(readFileSync(file, 'utf8')));
  return checked.ok
    ? { whole: true, runs: 1, stations: 1, broken: null }
    : { whole: false, runs: 1, stations: 0, broken: { station: null, run: null, why: checked.problems.join('; ') } };
}

/**
 * Checks the seals of a database, of the one in a data folder, or of one exported run.
 * @throws DataTrouble when there is no such file
 */
export function verify(what: string): Verified {
  const file = path.resolve(what);
  const database = existsSync(databaseFile(file)) ? databaseFile(file) : file;
  if (!existsSync(database)) throw new DataTrouble(`there is no ${database}`);
  const head = readFileSync(database).subarray(0, 15).toString('latin1');
  return head === 'SQLite format 3' ? verifyDatabase(database) : verifyFile(database);
}
