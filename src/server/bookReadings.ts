import Papa from 'papaparse';
import type { RowRead } from '@/core/book';
import { writePage } from './book';
import { readingsOf } from './standing';
import type { Db } from './db';

/** How many readings came, and how many of them were here already. */
export interface Added {
  readonly added: number;
  readonly double: number;
}

/**
 * Takes readings into the book, all or none, with a page that says whence they came. A figure that is here already of that meter and time is
 * left out; a table that is sent again adds nothing.
 */
export function addReadings(
  db: Db,
  station: { readonly id: number; readonly revision: number },
  { by, file, readings }: { readonly by: string; readonly file: string; readonly readings: readonly RowRead[] },
  at: string,
  key: string | null = null,
): Added {
  return db.transaction((): Added => {
    const there = db
      .prepare<[number, string, number, number], { id: number }>(
        'SELECT id FROM book_readings WHERE station_id = ? AND meter = ? AND at = ? AND value = ?',
      )
      .pluck();
    const fresh = readings.filter((r) => there.get(station.id, r.meter, r.at, r.value) === undefined);
    const double = readings.length - fresh.length;
    if (fresh.length === 0) return { added: 0, double };
    const said = `${fresh.length} readings imported from ${file}`;
    const page = { kind: 'visit' as const, why: 'look' as const, minutes: null, words: said };
    const written = writePage(db, station, { at, by, page, readings: [], corrects: null }, at, key);
    if (!written.ok) throw new Error(written.detail);
    const put = db.prepare(
      'INSERT INTO book_readings (station_id, page_id, meter, at, value, new_from, corrects) VALUES (?, ?, ?, ?, ?, NULL, NULL)',
    );
    for (const r of fresh) put.run(station.id, written.page.id, r.meter, r.at, r.value);
    return { added: fresh.length, double };
  })();
}

/** All readings that stand, as rows: time, meter, value, and where a new meter began. */
export function readingsCsv(db: Db, stationId: number): string {
  const rows = Object.entries(readingsOf(db, stationId)).flatMap(([meter, list]) =>
    list.map((r) => [new Date(r.at).toISOString(), meter, r.value, r.newFrom ?? '']),
  );
  return Papa.unparse([
    ['time', 'meter', 'value', 'new from'],
    ...rows.sort((a, b) => String(a[0]).localeCompare(String(b[0]))),
  ]);
}
