import { factorOf, unitOf, type UnitSystem } from '../units';
import { readColumns, type ColumnWanted } from './columns';
import type { VesselShape } from './schema';

type Rows = Extract<VesselShape, { kind: 'table' }>['rows'];

const COLUMNS: readonly ColumnWanted[] = [
  { name: 'height', heading: /^(height|h|level|depth)\b/, format: 'height' },
  { name: 'area', heading: /^(plan )?area\b/, format: 'area' },
];

/** Reads a depth table: height above the floor and plan area. Rows may come from the rim down: they are put from the floor up. */
export function readDepthRows(
  rows: readonly (readonly string[])[],
  system: UnitSystem,
): { ok: true; rows: Rows } | { ok: false; problems: string[] } {
  const read = readColumns(rows, COLUMNS, system);
  if (!read.ok) return read;
  const table = read.rows.map(([height, area]) => ({ height: height!, area: area! }));
  const falling = table.every((r, i) => i === 0 || r.height < table[i - 1]!.height);
  return { ok: true, rows: falling ? table.reverse() : table };
}

/** A depth table as rows of text with a heading, in the units of `system`, to be read back by `readDepthRows`. */
export function depthTableRows(rows: Rows, system: UnitSystem): string[][] {
  const text = (value: number, factor: number) => String(Number((value / factor).toPrecision(10)));
  return [
    [`height (${unitOf('height', system)})`, `area (${unitOf('area', system)})`],
    ...rows.map((r) => [text(r.height, factorOf('height', system)), text(r.area, factorOf('area', system))]),
  ];
}
