import { getAt, setAt } from '../editing';
import { fieldAt, type DocumentPath, type FigurePath, type Station } from '../station';

/*
 * A figure moved a little, to see what hangs on it.
 */

/** By how much: a tenth, as one misjudges a length by eye or a flow by the bucket; a bearing by ten degrees. */
export const NUDGE = { share: 0.1, degrees: 10 } as const;

/** Of the rows of a table, the columns that are moved together; the first that a row has. */
const COLUMNS = ['head', 'power', 'flow', 'area', 'volume', 'rate', 'k'] as const;

function movedRow(row: unknown, by: number): unknown {
  if (typeof row !== 'object' || row === null) return row;
  const column = COLUMNS.find((c) => typeof (row as Record<string, unknown>)[c] === 'number');
  return column === undefined ? row : { ...row, [column]: (row as Record<string, number>)[column]! * by };
}

function moved(value: unknown, path: string, up: boolean): unknown {
  const by = up ? 1 + NUDGE.share : 1 - NUDGE.share;
  if (Array.isArray(value)) {
    const rows = value.map((row: unknown) => movedRow(row, by));
    return rows.every((row, i) => row === value[i]) ? null : rows;
  }
  if (typeof value !== 'number') return null;
  const field = fieldAt(path as FigurePath) as { format?: string } | undefined;
  if (field?.format === 'angle' && path.toLowerCase().endsWith('bearing'))
    return (value + (up ? NUDGE.degrees : -NUDGE.degrees) + 360) % 360;
  return value === 0 ? null : field?.format === 'count' ? Math.round(value * by) : value * by;
}

/** The same figure of every pump of that name, the one asked first: they are of one kind, and are measured once. */
export function alike(station: Station, path: string): string[] {
  const [, index, rest] = /^pumps\.(\d+)\.(.+)$/.exec(path) ?? [];
  if (index === undefined) return [path];
  const { name } = station.pumps[Number(index)]!;
  const value = JSON.stringify(getAt(station, path));
  const others = station.pumps.flatMap((p, i) => (p.name === name ? [`pumps.${i}.${rest}`] : []));
  return [path, ...others.filter((p) => p !== path && JSON.stringify(getAt(station, p)) === value)];
}

/** The station with one figure a little more or less; null where it cannot be moved: it is nothing, or a list without amounts. */
export function nudged(station: Station, path: string, up: boolean): Station | null {
  const value = getAt(station, path);
  const to = moved(value, path, up);
  if (to === null || to === value) return null;
  return alike(station, path).reduce((s, p) => setAt(s, p as DocumentPath, to), station);
}
