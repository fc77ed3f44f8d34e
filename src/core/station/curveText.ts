import { factorOf, UNIT_TABLE, type UnitSystem } from '../units';
import type { CurvePoint } from './schema';

export type CurveRead = { ok: true; points: CurvePoint[] } | { ok: false; problems: string[] };

interface Column {
  index: number;
  factor: number;
}

/** Finds a column by its heading: `flow (gpm)`, `Q L/s`, `head, ft`. A heading without a unit means the station's own. */
function findColumn(header: readonly string[], names: RegExp, kind: 'flow' | 'head', system: UnitSystem): Column | string {
  const found = header.flatMap((text, index) => (names.test(text) ? [index] : []));
  if (found.length === 0) return `no column is headed “${kind}”`;
  if (found.length > 1) return `two columns are headed “${kind}”`;
  const index = found[0]!;
  const unit = header[index]!.replace(names, '').replace(/[()[\],:;_]/g, ' ').trim();
  const factor = unit === '' ? factorOf(kind, system) : UNIT_TABLE[kind].units[unit];
  return factor === undefined ? `“${unit}” is not a unit of ${kind} that is known here` : { index, factor };
}

const isNumber = (cell: string) => /^[+-]?(\d+([.,]\d*)?|[.,]\d+)$/.test(cell);

/**
 * Reads pump curve points from rows of text cells (a CSV file, or what was pasted from a sheet). The columns are known by
 * their headings, in any order and with their units; without a heading row they are flow, then head, in the station's units.
 * Rows may come in any one direction: they are put in order of rising flow. Every bad row is told by its number.
 */
export function readCurveRows(rows: readonly (readonly string[])[], system: UnitSystem): CurveRead {
  const cells = rows.map((row) => row.map((c) => c.trim())).filter((row) => row.some((c) => c !== ''));
  const first = cells[0];
  if (!first) return { ok: false, problems: ['there are no points here'] };
  const headed = !first.some(isNumber);
  let flow: Column = { index: 0, factor: factorOf('flow', system) };
  let head: Column = { index: 1, factor: factorOf('head', system) };
  if (headed) {
    const header = first.map((c) => c.toLowerCase());
    const foundFlow = findColumn(header, /^(flow( rate)?|q|capacity|discharge)\b/, 'flow', system);
    const foundHead = findColumn(header, /^(head|h|tdh|lift)\b/, 'head', system);
    const problems = [foundFlow, foundHead].filter((c) => typeof c === 'string');
    if (typeof foundFlow === 'string' || typeof foundHead === 'string') return { ok: false, problems };
    flow = foundFlow;
    head = foundHead;
  }
  const problems: string[] = [];
  const points: CurvePoint[] = [];
  cells.slice(headed ? 1 : 0).forEach((row, i) => {
    const q = row[flow.index] ?? '';
    const h = row[head.index] ?? '';
    if (!isNumber(q) || !isNumber(h)) {
      problems.push(`row ${i + (headed ? 2 : 1)}: “${row.join(', ')}” is not a flow and a head`);
      return;
    }
    points.push({ flow: Number(q.replace(',', '.')) * flow.factor, head: Number(h.replace(',', '.')) * head.factor });
  });
  if (problems.length > 0) return { ok: false, problems };
  if (points.length < 2) return { ok: false, problems: ['a curve needs two points or more'] };
  const falling = points.every((p, i) => i === 0 || p.flow < points[i - 1]!.flow);
  return { ok: true, points: falling ? points.reverse() : points };
}
