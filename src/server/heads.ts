import * as z from 'zod';
import type { StationFigures } from '@/pool/figures';
import type { Db } from './db';

/** A station among others: what it is called, and what is known of its newest revision without reading its document. */
export interface Head {
  readonly id: number;
  readonly revision: number;
  readonly name: string;
  readonly site: string;
  /** The program that worked its figures out, and these; null until that has been done. */
  readonly byCore: string | null;
  readonly figures: StationFigures | null;
}

type Named = Pick<Head, 'id' | 'name' | 'site'>;
type Row = Omit<Head, 'figures'> & { figures: string | null };

const COLUMNS = 'station_id AS id, revision, name, site, by_core AS byCore, figures';
const ORDER = 'ORDER BY site COLLATE NOCASE, name COLLATE NOCASE, station_id';

/** They were written by this program, and are known by its stamp: what is looked at is that they are whole. */
const figuresSchema = z.custom<StationFigures>(
  (value) =>
    typeof value === 'object' && value !== null && ('failed' in value || ('scene' in value && 'rules' in value)),
);

function toHead({ figures, ...row }: Row): Head {
  const read = figures === null ? null : figuresSchema.safeParse(JSON.parse(figures));
  return { ...row, figures: read?.success ? read.data : null };
}

/** Every station that hangs on the wall, by site and name: names alone. */
export const listNames = (db: Db): Named[] =>
  db.prepare<[], Named>(`SELECT station_id AS id, name, site FROM station_figures WHERE rest IS NULL ${ORDER}`).all();

/** Some stations with their figures, in the order in which they hang on the wall. */
export function headsOf(db: Db, ids: readonly number[]): Head[] {
  return db
    .prepare<[string], Row>(
      `SELECT ${COLUMNS} FROM station_figures WHERE station_id IN (SELECT value FROM json_each(?)) ${ORDER}`,
    )
    .all(JSON.stringify(ids))
    .map(toHead);
}

/** Keeps what was worked out, unless the station has gone on to another revision meanwhile. */
export function keepFigures(db: Db, id: number, revision: number, byCore: string, figures: StationFigures): void {
  db.prepare('UPDATE station_figures SET by_core = ?, figures = ? WHERE station_id = ? AND revision = ?').run(
    byCore,
    JSON.stringify(figures),
    id,
    revision,
  );
}

/** Stations that somebody sees, by site and name. @param sees those that he is held to; null: all */
export const namesSeen = (db: Db, sees: readonly number[] | null): Named[] =>
  listNames(db).filter((s) => sees === null || sees.includes(s.id));

/** The stations before and after one among those that somebody is held to. */
export function neighboursAmong(db: Db, id: number, sees: readonly number[]): { before: number; after: number } {
  const ids = namesSeen(db, sees).map((s) => s.id);
  const at = ids.indexOf(id);
  return at < 0 ? { before: id, after: id } : { before: ids.at(at - 1)!, after: ids[(at + 1) % ids.length]! };
}

/** The stations before and after one, in that order and round the end; itself where it is alone. */
export function neighboursOf(db: Db, id: number): { before: number; after: number } {
  const row = db
    .prepare<[number], { before: number; after: number }>(
      `SELECT before, after FROM (
         SELECT station_id,
           coalesce(lag(station_id) OVER w, last_value(station_id) OVER (w ROWS BETWEEN UNBOUNDED PRECEDING AND UNBOUNDED FOLLOWING)) AS before,
           coalesce(lead(station_id) OVER w, first_value(station_id) OVER w) AS after
         FROM station_figures WHERE rest IS NULL WINDOW w AS (${ORDER}))
       WHERE station_id = ?`,
    )
    .get(id);
  return row ?? { before: id, after: id };
}
