import { factorOf, unitOf, type UnitSystem } from '../units';
import { readColumns, type ColumnWanted } from './columns';
import type { CurvePoint } from './schema';

export type CurveRead = { ok: true; points: CurvePoint[] } | { ok: false; problems: string[] };

const COLUMNS: readonly ColumnWanted[] = [
  { name: 'flow', heading: /^(flow( rate)?|q|capacity|discharge)\b/, format: 'flow' },
  { name: 'head', heading: /^(head|h|tdh|lift)\b/, format: 'head' },
];

/** Reads pump curve points: flow and head. Rows may come in any one direction: they are put in order of rising flow. */
export function readCurveRows(rows: readonly (readonly string[])[], system: UnitSystem): CurveRead {
  const read = readColumns(rows, COLUMNS, system);
  if (!read.ok) return read;
  const points = read.rows.map(([flow, head]) => ({ flow: flow!, head: head! }));
  const falling = points.every((p, i) => i === 0 || p.flow < points[i - 1]!.flow);
  return { ok: true, points: falling ? points.reverse() : points };
}

/** A curve as rows of text with a heading, to be read back by `readCurveRows`. */
export const curveRows = (points: readonly CurvePoint[], system: UnitSystem): string[][] => [
  [`flow (${unitOf('flow', system)})`, `head (${unitOf('head', system)})`],
  ...points.map((p) => [
    String(Number((p.flow / factorOf('flow', system)).toPrecision(10))),
    String(Number((p.head / factorOf('head', system)).toPrecision(10))),
  ]),
];
