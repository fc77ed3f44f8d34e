import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { promisify } from 'node:util';
import { gzip } from 'node:zlib';
import canonicalize from 'canonicalize';
import type { Station } from '@/core/station';
import { askedOf, type Rows } from '@/core/trace';
import { dataFolder, database, type Db } from './db';
import { listNames } from './heads';
import { Busy, coreStamp, work } from './pool';
import { findStation } from './stations';

/*
 * What the suspects of every station would show, asked while nobody waits, in `asked` of the data folder: who stands at the pit with a telephone has
 * Trace at once. Made from the document and the program alone: it can be thrown away at any time, and is in no backup.
 */

const zip = promisify(gzip);

/** So many parts: what else the pool is asked for waits for one at most. */
const PARTS = 16;

const folderOf = (folder: string): string => path.join(folder, 'asked');

/** The file of a station: another where its document, or the program, is another. */
function fileOf(text: string): string {
  const name = createHash('sha256').update(coreStamp()).update(text).digest('base64url');
  return `${name}.json.gz`;
}

const textOf = (station: Station): string => canonicalize(askedOf(station))!;

/** What was asked of a station as it was last saved, `{ station, rows }` as compressed JSON; null where it was not yet. */
export function askedRows(db: Db, id: number, folder = dataFolder()): Buffer | null {
  const saved = findStation(db, id);
  if (!saved) return null;
  try {
    return readFileSync(path.join(folderOf(folder), fileOf(textOf(saved.station))));
  } catch {
    // Whoever wants it asks himself.
    return null;
  }
}

/** The rows of a station; null where it cannot be asked, where the pool has no room for it now, or where it is not gone on with. */
async function rowsOf(word: string, station: Station, on: () => boolean): Promise<Rows | null> {
  const all: Rows[number][] = [];
  for (let part = 0; part < PARTS; part++) {
    if (!on()) return null;
    const rows = await work('suspects', { word, station, part, of: PARTS }).catch((error: unknown) => {
      if (error instanceof Busy) return null;
      throw error;
    });
    if (rows === null) return null;
    all.push(...rows);
  }
  return all;
}

/** Written whole, or not at all. */
function write(file: string, packed: Buffer): void {
  writeFileSync(`${file}.part`, packed);
  renameSync(`${file}.part`, file);
}

/**
 * Asks the suspects of a station, where it was not done.
 * @returns its file, and whether it was asked now; or null where it is still not there
 */
export async function askStation(
  station: Station,
  folder = dataFolder(),
  on: () => boolean = () => true,
): Promise<{ file: string; now: boolean } | null> {
  const text = textOf(station);
  const file = fileOf(text);
  const at = path.join(folderOf(folder), file);
  if (existsSync(at)) return { file, now: false };
  const rows = await rowsOf(file, station, on);
  if (!rows) return null;
  mkdirSync(folderOf(folder), { recursive: true });
  write(at, await zip(JSON.stringify({ station: text, rows })));
  return { file, now: true };
}

/**
 * Asks the suspects of every station, one station after the other, and throws away what is of none any more.
 * @param db the database as it is now: another may take its place meanwhile
 * @param on whether it is gone on with: asked before each part
 * @returns how many stations were asked
 */
export async function askAll(db: () => Db, on: () => boolean = () => true, folder = dataFolder()): Promise<number> {
  const there = new Set<string>();
  let asked = 0;
  for (const { id } of listNames(db())) {
    if (!on()) return asked;
    const saved = findStation(db(), id);
    const found = saved && (await askStation(saved.station, folder, on));
    if (!found) continue;
    there.add(found.file);
    if (found.now) asked++;
  }
  const at = folderOf(folder);
  if (on() && existsSync(at)) for (const file of readdirSync(at)) if (!there.has(file)) rmSync(path.join(at, file));
  return asked;
}

/** How often it is looked what was saved since, ms. */
const LOOK = 3_600_000;

/** Asks while the server runs, each hour what was saved since. What goes wrong is said, and tried again at the next look. @returns ends it */
export function askedHourly(say: (line: string) => void): () => void {
  let [on, asking] = [true, false];
  const look = async () => {
    if (asking) return;
    asking = true;
    await askAll(database, () => on).catch((error: unknown) =>
      say(`the suspects of the stations were not asked: ${(error as Error).message}`),
    );
    asking = false;
  };
  const timer = setInterval(() => void look(), LOOK);
  timer.unref();
  return () => {
    on = false;
    clearInterval(timer);
  };
}
