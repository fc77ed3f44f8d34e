import type { Readings } from '@/core/book';
import type { Db } from './db';

/* Readings of a station that stand: all of them, those that are asked what they mean, the last, one a day. */

type ReadingRow = { id: number; meter: string; at: number; value: number; newFrom: number | null };

function byMeter(rows: readonly ReadingRow[]): Readings {
  const readings: Record<string, Omit<ReadingRow, 'meter'>[]> = {};
  for (const { meter, ...reading } of rows) (readings[meter] ??= []).push(reading);
  return readings;
}

/** Numbers of the readings of a station that no longer stand: another stands in place of them, or their page was struck out. */
function fallen(db: Db, stationId: number): ReadonlySet<number> {
  const ids = db
    .prepare<[number, number], number>(
      `SELECT corrects FROM book_readings INDEXED BY book_readings_by_correction WHERE corrects IS NOT NULL AND station_id = ?
       UNION SELECT r.id FROM book_pages p JOIN book_readings r ON r.page_id = p.corrects
       WHERE p.kind = 'struck' AND p.corrects IS NOT NULL AND p.station_id = ?`,
    )
    .pluck()
    .all(stationId, stationId);
  return new Set(ids as unknown as number[]);
}

/** All readings of a station that stand: those that another stands in place of are left out, and those of pages that were struck out. */
export function readingsOf(db: Db, stationId: number): Readings {
  const gone = fallen(db, stationId);
  const rows = db
    .prepare<[number], ReadingRow>(
      `SELECT id, meter, at, value, new_from AS newFrom FROM book_readings WHERE station_id = ? ORDER BY meter, at`,
    )
    .all(stationId);
  return byMeter(gone.size === 0 ? rows : rows.filter((r) => !gone.has(r.id)));
}

/** Meters of which more was read than this are thinned before they are looked at: what is asked of them is asked over days. */
const MANY = 5000;
/** Kinds that are asked what they mean. */
const ASKED = /^(hours-\d|starts-\d|doses|energy|rain)$/;

/** Meters of which anything was read at a station: each is looked for after the one before, so that no reading of the many is passed. */
const metersRead = (db: Db, stationId: number): string[] =>
  db
    .prepare<[object], string>(
      `WITH RECURSIVE m (meter) AS (SELECT min(meter) FROM book_readings WHERE station_id = @stationId
       UNION ALL SELECT (SELECT min(meter) FROM book_readings WHERE station_id = @stationId AND meter > m.meter) FROM m WHERE m.meter IS NOT NULL)
       SELECT meter FROM m WHERE meter IS NOT NULL`,
    )
    .pluck()
    .all({ stationId }) as unknown as string[];

/** Readings of one meter that stand, in the order of their times. */
interface Of {
  readonly stationId: number;
  readonly meter: string;
  /** Numbers of those that no longer stand, as JSON. */
  readonly gone: string;
}

const OF = 'FROM book_readings WHERE station_id = @stationId AND meter = @meter';
/** Where nothing fell nobody is asked whether it stands. */
const stands = ({ gone }: Of): string => (gone === '[]' ? '' : 'AND id NOT IN (SELECT value FROM json_each(@gone))');
const ROW = 'SELECT id, meter, at, value, new_from AS newFrom';

/** The first and the last time of a meter’s readings, found without passing those between. */
const timesOf = (db: Db, of: Of): { from: number; to: number } =>
  db
    .prepare<[object], { from: number; to: number }>(
      `SELECT (SELECT at ${OF} ORDER BY at LIMIT 1) AS "from", (SELECT at ${OF} ORDER BY at DESC LIMIT 1) AS "to"`,
    )
    .get(of)!;

const manyOf = (db: Db, of: Of, most: number): number =>
  db.prepare<[object], number>(`SELECT count(*) FROM (SELECT 1 ${OF} LIMIT ${most})`).pluck().get(of)!;

/** Up to so many readings are passed one by one sooner than the last of each stretch is looked for by its place. */
const PASSED = 20_000;

/** Of each stretch of time the last reading; and all at which a new meter was put in. */
function lastOfEach(db: Db, of: Of, stretch: number): ReadingRow[] {
  if (manyOf(db, of, PASSED) < PASSED)
    return db
      .prepare<[object], ReadingRow>(
        `SELECT id, meter, max(at) AS at, value, new_from AS newFrom ${OF} ${stands(of)}
         GROUP BY at / ${stretch}, CASE WHEN new_from IS NULL THEN 0 ELSE id END ORDER BY at, id`,
      )
      .all(of);
  const { from, to } = timesOf(db, of);
  const before = db.prepare<[object], ReadingRow>(
    `${ROW} ${OF} AND at <= @until AND at > @after ${stands(of)} ORDER BY at DESC LIMIT 1`,
  );
  const found = new Map<number, ReadingRow>();
  for (let after = from - 1; after < to; after += stretch) {
    const row = before.get({ ...of, after, until: after + stretch });
    if (row) found.set(row.id, row);
  }
  for (const row of db.prepare<[object], ReadingRow>(`${ROW} ${OF} AND new_from IS NOT NULL ${stands(of)}`).all(of))
    found.set(row.id, row);
  return [...found.values()].sort((x, y) => x.at - y.at || x.id - y.id);
}

/** Rain of each stretch of time, added up. */
const sumOfEach = (db: Db, of: Of, stretch: number): ReadingRow[] =>
  db
    .prepare<[object], ReadingRow>(
      `SELECT min(id) AS id, meter, max(at) AS at, sum(value) AS value, NULL AS newFrom ${OF} ${stands(of)} GROUP BY at / ${stretch} ORDER BY at`,
    )
    .all(of);

/** Readings of one meter; of one that was read very often some. */
function someOf(db: Db, of: Of): ReadingRow[] {
  if (manyOf(db, of, MANY + 1) <= MANY)
    return db.prepare<[object], ReadingRow>(`${ROW} ${OF} ${stands(of)} ORDER BY at`).all(of);
  const { from, to } = timesOf(db, of);
  const stretch = Math.ceil((to - from + 1) / MANY);
  return of.meter === 'rain' ? sumOfEach(db, of, stretch) : lastOfEach(db, of, stretch);
}

/** Readings that stand of the meters that are asked what they mean, of a meter that was read very often only some, and all at which a new one was put in. */
export function askedOf(db: Db, stationId: number): Readings {
  const gone = JSON.stringify([...fallen(db, stationId)]);
  return byMeter(
    metersRead(db, stationId)
      .filter((m) => ASKED.test(m))
      .flatMap((meter) => someOf(db, { stationId, meter, gone })),
  );
}

/** The last reading of each meter that stands. */
export function lastOf(db: Db, stationId: number): Record<string, Omit<ReadingRow, 'meter'>> {
  const gone = JSON.stringify([...fallen(db, stationId)]);
  return Object.fromEntries(
    metersRead(db, stationId).flatMap((meter) => {
      const of = { stationId, meter, gone };
      const row = db.prepare<[object], ReadingRow>(`${ROW} ${OF} ${stands(of)} ORDER BY at DESC LIMIT 1`).get(of);
      if (!row) return [];
      const { meter: _, ...reading } = row;
      return [[meter, reading]];
    }),
  );
}

const DAY = 86_400_000;

/** One reading a day of each hour meter and start counter, the day’s last: enough to see how fast they go. */
export function dailyOf(db: Db, stationId: number): Readings {
  const gone = JSON.stringify([...fallen(db, stationId)]);
  return byMeter(
    metersRead(db, stationId)
      .filter((m) => /^(hours|starts)-\d$/.test(m))
      .flatMap((meter) => lastOfEach(db, { stationId, meter, gone }, DAY)),
  );
}
