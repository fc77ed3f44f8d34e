import { factorOf, unitsOf, type Format, type UnitSystem } from '../units';

/** One column that a table of figures must have: its name, how its heading may read, what it measures. */
export interface ColumnWanted {
  readonly name: string;
  readonly heading: RegExp;
  readonly format: Format;
}

export type ColumnsRead = { ok: true; rows: number[][] } | { ok: false; problems: string[] };

interface Column {
  index: number;
  factor: number;
}

/** Finds a column by its heading: `flow (gpm)`, `Q L/s`, `head, ft`. A heading without a unit means the station's own. */
function findColumn(header: readonly string[], wanted: ColumnWanted, system: UnitSystem): Column | string {
  const found = header.flatMap((text, index) => (wanted.heading.test(text) ? [index] : []));
  if (found.length === 0) return `no column is headed “${wanted.name}”`;
  if (found.length > 1) return `two columns are headed “${wanted.name}”`;
  const index = found[0]!;
  const unit = header[index]!.replace(wanted.heading, '')
    .replace(/[()[\],:;_]/g, ' ')
    .trim();
  const factor = unit === '' ? factorOf(wanted.format, system) : unitsOf(wanted.format)[unit];
  return factor === undefined ? `“${unit}” is not a unit of ${wanted.name} that is known here` : { index, factor };
}

const isNumber = (cell: string) => /^[+-]?(\d+([.,]\d*)?|[.,]\d+)$/.test(cell);

/**
 * Reads rows of text cells (a CSV file, or what was pasted from a sheet) as columns of figures in SI. Columns are known by their
 * headings, in any order and with their units; without a heading row they come in the order wanted, in the station's units.
 * Every bad row is told by its number.
 */
export function readColumns(
  rows: readonly (readonly string[])[],
  wanted: readonly ColumnWanted[],
  system: UnitSystem,
): ColumnsRead {
  const cells = rows.map((row) => row.map((c) => c.trim())).filter((row) => row.some((c) => c !== ''));
  const first = cells[0];
  if (!first) return { ok: false, problems: ['there are no figures here'] };
  const headed = !first.some(isNumber);
  const header = first.map((c) => c.toLowerCase());
  const columns = wanted.map((w, index) =>
    headed ? findColumn(header, w, system) : { index, factor: factorOf(w.format, system) },
  );
  const missing = columns.filter((c) => typeof c === 'string');
  if (missing.length > 0) return { ok: false, problems: missing };
  const problems: string[] = [];
  const figures = cells.slice(headed ? 1 : 0).flatMap((row, i) => {
    const texts = columns.map((c) => row[(c as Column).index] ?? '');
    if (texts.every(isNumber))
      return [texts.map((t, j) => Number(t.replace(',', '.')) * (columns[j] as Column).factor)];
    problems.push(`row ${i + (headed ? 2 : 1)}: “${row.join(', ')}” is not ${wanted.map((w) => w.name).join(' and ')}`);
    return [];
  });
  if (problems.length > 0) return { ok: false, problems };
  return figures.length < 2 ? { ok: false, problems: ['two rows or more are needed'] } : { ok: true, rows: figures };
}
