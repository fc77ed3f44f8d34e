import { existsSync } from 'node:fs';
import path from 'node:path';
import { Worker } from 'node:worker_threads';
import * as z from 'zod';
import { meterOf, type RowRead } from '@/core/book';
import { addReadings, type Added } from './bookReadings';
import { dataFolder, type Db } from './db';
import type { Saved } from './stations';

/** Most readings of one part, and parts of one table. */
const MOST_ROWS = 100_000;
const MOST_PARTS = 100;
/** Parts of a table that nobody took are dropped after this, ms. */
const LEFT = 86_400_000;

export const partSchema = z
  .strictObject({
    meters: z.array(z.string().refine((m) => meterOf(m) !== null, 'is no meter known here')).max(60),
    /** Meter by its place among them, ms since 1970, what stood on it. */
    rows: z
      .array(z.tuple([z.number().int().min(0), z.number().int(), z.number().finite()]))
      .max(MOST_ROWS, `more than ${MOST_ROWS} readings in one part`),
  })
  .refine(({ meters, rows }) => rows.every(([m]) => m < meters.length), 'a reading of no meter');
export type Part = z.infer<typeof partSchema>;

/** The word by which the parts of one table are known. */
export const wordSchema = z.string().regex(/^[\w-]{8,80}$/, 'is no word of a table');
export const partNumberSchema = z.coerce
  .number()
  .int()
  .min(0)
  .max(MOST_PARTS - 1, `a table has ${MOST_PARTS} parts at most`);

/** Lays a part of a table by; the same part sent again is there once. Tables that nobody took are dropped. */
export function layBy(db: Db, stationId: number, word: string, part: number, content: Part, now: number): void {
  db.transaction(() => {
    db.prepare('DELETE FROM import_parts WHERE sent_at < ?').run(now - LEFT);
    db.prepare(
      'INSERT INTO import_parts (station_id, word, part, sent_at, rows) VALUES (?, ?, ?, ?, ?) ON CONFLICT DO NOTHING',
    ).run(stationId, word, part, now, JSON.stringify(content));
  })();
}

/** Drops what was laid by of a table. */
export const drop = (db: Db, stationId: number, word: string): void =>
  void db.prepare('DELETE FROM import_parts WHERE station_id = ? AND word = ?').run(stationId, word);

export interface Taking {
  readonly word: string;
  readonly parts: number;
  readonly by: string;
  readonly file: string;
}

export type TakeResult = ({ readonly ok: true } & Added) | { readonly ok: false; readonly detail: string };

/** Takes all parts of a table into the book, all or none, here and now. */
export function takeParts(
  db: Db,
  station: Pick<Saved, 'id' | 'revision'>,
  { word, parts, by, file }: Taking,
  at: string,
): TakeResult {
  return db
    .transaction((): TakeResult => {
      const laid = db
        .prepare<[number, string], { part: number; rows: string }>(
          'SELECT part, rows FROM import_parts WHERE station_id = ? AND word = ? ORDER BY part',
        )
        .all(station.id, word);
      if (laid.length !== parts || laid.some((l, i) => l.part !== i))
        return { ok: false, detail: `of ${parts} parts ${laid.length} have come: send it again` };
      const readings = laid.flatMap(({ rows }): RowRead[] => {
        const part = JSON.parse(rows) as Part;
        return part.rows.map(([m, t, value]) => ({ meter: part.meters[m]!, at: t, value }));
      });
      const added = addReadings(db, station, { by, file, readings }, at, word);
      drop(db, station.id, word);
      return { ok: true, ...added };
    })
    .immediate();
}

/** What takes tables in, as the build writes it. */
const BUILT = path.join(/* turbopackIgnore: true */ process.cwd(), 'dist/importer.mjs');

/** What the thread is told. */
export interface Told {
  readonly folder: string;
  readonly station: Pick<Saved, 'id' | 'revision'>;
  readonly taking: Taking;
  readonly at: string;
}

/** Takes all parts of a table in, in a thread beside the one that answers; where none is built, here. */
export function takeBeside(
  db: Db,
  station: Pick<Saved, 'id' | 'revision'>,
  taking: Taking,
  at: string,
): Promise<TakeResult> {
  if (!existsSync(BUILT)) return Promise.resolve(takeParts(db, station, taking, at));
  const told: Told = { folder: dataFolder(), station: { id: station.id, revision: station.revision }, taking, at };
  return new Promise((resolve, reject) => {
    const worker = new Worker(BUILT, { workerData: told });
    worker.once('message', (answer: TakeResult) => resolve(answer));
    worker.once('error', reject);
    worker.once('exit', () => reject(new Error('the table was not taken in')));
  });
}
