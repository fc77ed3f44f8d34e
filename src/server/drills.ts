import Papa from 'papaparse';
import { drillFile, readDrill, resultRows, resultSchema, type Drill, type Result } from '@/core/drill';
import { ONCE, type Db } from './db';

/** A drill that a teacher set to a class. */
export interface DrillSet {
  readonly id: number;
  readonly at: string;
  readonly by: string;
  readonly class: string;
  readonly drill: Drill;
}

/** A result that this version can read; null else. */
function resultIn(text: string): Result | null {
  const read = resultSchema.safeParse(JSON.parse(text));
  return read.success ? read.data : null;
}

/** What came of drills, in the order in which it was told. @param by of one person only */
export const drillResults = (db: Db, by: string | null = null): Result[] =>
  db
    .prepare<[string | null, string | null], { result: string }>(
      'SELECT result FROM drill_results WHERE ? IS NULL OR told_by = ? ORDER BY id',
    )
    .all(by, by)
    .flatMap((row) => resultIn(row.result) ?? []);

/** Keeps what came of a drill. @param key of the request: the same one sent again is kept once */
export function keepResult(db: Db, result: Result, key: string | null): void {
  db.prepare(`INSERT INTO drill_results (told_by, result, client_key) VALUES (?, ?, ?) ${ONCE}`).run(
    ...[result.by, JSON.stringify(result), key],
  );
}

/** Drills that are set and were not taken back, the newest first; such as this version cannot read are left out. */
export const drillSets = (db: Db): DrillSet[] =>
  db
    .prepare<[], { id: number; at: string; by: string; class: string; drill: string }>(
      'SELECT id, set_at AS at, set_by AS by, class, drill FROM drill_sets WHERE taken_back_at IS NULL ORDER BY id DESC LIMIT 200',
    )
    .all()
    .flatMap(({ drill, ...row }) => {
      const read = readDrill(JSON.parse(drill));
      return read.ok ? [{ ...row, drill: read.drill }] : [];
    });

/** Sets a drill to a class. @param key of the request: the same one sent again is kept once */
export function setDrill(
  db: Db,
  { class: to, drill }: Pick<DrillSet, 'class' | 'drill'>,
  by: string,
  at: string,
  key: string | null,
): void {
  db.prepare(`INSERT INTO drill_sets (set_at, set_by, class, drill, client_key) VALUES (?, ?, ?, ?, ?) ${ONCE}`).run(
    ...[at, by, to, JSON.stringify(drillFile({ ...drill, acts: [] })), key],
  );
}

/** Takes a drill back: it is set no more; what came of it stays. */
export function takeBack(db: Db, id: number, at: string): boolean {
  return (
    db.prepare('UPDATE drill_sets SET taken_back_at = ? WHERE id = ? AND taken_back_at IS NULL').run(at, id).changes > 0
  );
}

/** The class of each drill that was ever set. */
const classes = (db: Db): ReadonlyMap<number, string> =>
  new Map(
    db
      .prepare<[], { id: number; class: string }>('SELECT id, class FROM drill_sets')
      .all()
      .map((s) => [s.id, s.class]),
  );

/** What came of drills, as CSV. No cell is taken for a formula by whoever opens it. */
export const resultsCsv = (db: Db): string =>
  Papa.unparse(resultRows(drillResults(db), classes(db)), { escapeFormulae: true });
