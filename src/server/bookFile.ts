import Papa from 'papaparse';
import type { Db } from './db';
import type { Saved } from './stations';

interface Reading {
  readonly id: number;
  /** null: the panel gave it. */
  readonly page: number | null;
  readonly meter: string;
  readonly at: string;
  readonly value: number;
  readonly newFrom: number | null;
  readonly corrects: number | null;
}

/** The whole book of a station as a file. */
export interface BookFile {
  readonly format: 'pit-bell/book';
  readonly version: 1;
  readonly station: string;
  readonly site: string;
  readonly writtenAt: string;
  readonly pages: readonly object[];
  readonly readings: readonly Reading[];
}

/** Every page as it was written, whether it stands or not, and every reading; photographs by the digest of their pictures. */
export function bookFile(db: Db, { id, station }: Saved, at: string): BookFile {
  const photos = new Map<number, string[]>();
  for (const p of db
    .prepare<[number], { page: number; digest: string }>(
      'SELECT page_id AS page, digest FROM book_photos WHERE page_id IN (SELECT id FROM book_pages WHERE station_id = ?) ORDER BY id',
    )
    .all(id))
    photos.set(p.page, [...(photos.get(p.page) ?? []), p.digest]);
  const pages = db
    .prepare<[number], { id: number; content: string }>(
      `SELECT id, revision, happened_at AS happenedAt, written_at AS writtenAt, written_by AS "by", corrects, content
       FROM book_pages WHERE station_id = ? ORDER BY id`,
    )
    .all(id)
    .map(({ content, ...row }) => ({
      ...row,
      page: JSON.parse(content) as unknown,
      photos: photos.get(row.id) ?? [],
    }));
  const readings = db
    .prepare<[number], Omit<Reading, 'at'> & { at: number }>(
      'SELECT id, page_id AS page, meter, at, value, new_from AS newFrom, corrects FROM book_readings WHERE station_id = ? ORDER BY at, id',
    )
    .all(id)
    .map((r) => ({ ...r, at: new Date(r.at).toISOString() }));
  const { name, site } = station.identity;
  return { format: 'pit-bell/book', version: 1, station: name, site, writtenAt: at, pages, readings };
}

/** Every page as a row: when, what, by whom, which revision, what it says, and which page it corrects. No cell is taken for a formula by whoever opens it. */
export function pagesCsv(db: Db, stationId: number): string {
  const rows = db
    .prepare<
      [number],
      { id: number; at: string; kind: string; by: string; revision: number; corrects: number | null; words: string }
    >(
      `SELECT p.id, p.happened_at AS at, p.kind, p.written_by AS "by", p.revision, p.corrects, w.words FROM book_pages p
       JOIN book_words w ON w.rowid = p.id WHERE p.station_id = ? ORDER BY p.happened_at, p.id`,
    )
    .all(stationId);
  return Papa.unparse(
    [
      ['page', 'time', 'kind', 'by', 'revision', 'corrects', 'words'],
      ...rows.map((r) => [r.id, r.at, r.kind, r.by, r.revision, r.corrects ?? '', r.words]),
    ],
    { escapeFormulae: true },
  );
}
