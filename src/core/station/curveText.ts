import type { UnitSystem } from '../units';
import { readColumns, type ColumnWanted } from './columns';
import type { CurvePoint } from './schema';

export type CurveRead = { ok: true; points: CurvePoint[] } | { ok: false; problems: string[] };

const COLUMNS: readonly ColumnWanted[] = [
  { name: 'flow', heading: /^(flow( rate)?|q|capacity|discharge)\b/, kind: 'flow' },
  { name: 'head', heading: /^(head|h|tdh|lift)\b/, kind: 'head' },
];

/** Reads pump curve points: flow and head. Rows may come in any one direction: they are put in order of rising flow. */
export function readCurveRows(rows: readonly (readonly string[])[], system: UnitSystem): CurveRead {
  const read = readColumns(rows, COLUMNS, system);
  if (!read.ok) return read;
  const points = read.rows.map(([flow, head]) => ({ flow: flow!, head: head! }));
  const falling = points.every((p, i) => i === 0 || p.flow < points[i - 1]!.flow);
  return { ok: true, points: falling ? points.reverse() : points };
}
