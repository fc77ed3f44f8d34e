import { readFileSync, readdirSync, statSync } from 'node:fs';
import path from 'node:path';
import type { Db } from './db';
import { listNames } from './heads';

/*
 * What a device takes along: everything that the build wrote, and the pages of the stations that are picked.
 */

interface Built {
  readonly build: string;
  readonly files: readonly { readonly path: string; readonly bytes: number }[];
}

/** What is beside a file for the way to the browser is not asked for by name. */
const PACKED = /\.(br|gz|map)$/;

let read: Built | null = null;

/** What the build wrote, read once. */
function builtFiles(): Built {
  const folder = path.join(process.cwd(), '.next');
  read ??= {
    build: readFileSync(path.join(folder, 'BUILD_ID'), 'utf8').trim(),
    files: readdirSync(path.join(folder, 'static'), { recursive: true, encoding: 'utf8' })
      .filter((f) => !PACKED.test(f))
      .map((f) => ({ f, is: statSync(path.join(folder, 'static', f)) }))
      .filter(({ is }) => is.isFile())
      .map(({ f, is }) => ({
        path: `/_next/static/${f.split(path.sep).map(encodeURIComponent).join('/')}`,
        bytes: is.size,
      })),
  };
  return read;
}

/** Pages that belong to no station. */
const COMMON = ['/', '/due', '/along', '/trace', '/learn', '/unsent'];
/** Pages of a station that open without signal. */
const OF_STATION = ['survey', 'levels', 'panel', 'rehearse', 'prove', 'prove/begun', 'trace', 'book', 'drill', 'card'];

/** Runs of a station that are not sealed: they are worked on. */
const openRuns = (db: Db, station: number): number[] =>
  db
    .prepare<[number], { id: number }>(
      'SELECT id FROM proof_runs r WHERE station_id = ? AND NOT EXISTS (SELECT 1 FROM seals s WHERE s.run_id = r.id) ORDER BY id DESC LIMIT 5',
    )
    .all(station)
    .map((r) => r.id);

/**
 * What is to be fetched for some stations; such as there are not are left out.
 * @param may whether whoever asks may open a page
 * @param built what the build wrote
 */
export function alongOf(
  db: Db,
  ids: readonly number[],
  may: (path: string) => boolean = () => true,
  built: () => Built = builtFiles,
) {
  const names = listNames(db).filter((s) => ids.includes(s.id));
  return {
    ...built(),
    common: COMMON.filter(may),
    stations: names.map((s) => ({
      ...s,
      pages: [
        ...OF_STATION.map((view) => `/stations/${s.id}/${view}`),
        ...openRuns(db, s.id).map((run) => `/stations/${s.id}/prove/${run}`),
      ].filter(may),
    })),
  };
}
