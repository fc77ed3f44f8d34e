import type { Place, Values } from './feed';
import { scaled } from './forms';

/** What stands at a JSON pointer (RFC 6901); undefined where nothing does. */
function pointed(document: unknown, pointer: string): unknown {
  if (!pointer.startsWith('/')) return undefined;
  let here = document;
  for (const part of pointer.slice(1).split('/')) {
    const key = part.replaceAll('~1', '/').replaceAll('~0', '~');
    if (typeof here !== 'object' || here === null || !Object.hasOwn(here, key)) return undefined;
    here = (here as Record<string, unknown>)[key];
  }
  return here;
}

const YES = ['true', 'on', 'yes', 'running', 'alarm'];
const NO = ['false', 'off', 'no', 'stopped', 'normal'];

/** A figure as panels write it: a number, a number in quotes, or a word of two. */
function figure(found: unknown, scale: number): Values[string] {
  if (found === undefined) return { ok: false, why: 'nothing stands there' };
  if (typeof found === 'boolean') return { ok: true, value: found ? 1 : 0 };
  const text = String(found).trim();
  const word = text.toLowerCase();
  if (YES.includes(word)) return { ok: true, value: 1 };
  if (NO.includes(word)) return { ok: true, value: 0 };
  const plain = /^-?\d+,\d+$/.test(text) ? text.replace(',', '.') : text;
  const value = plain === '' ? NaN : scaled(Number(plain), scale);
  return Number.isFinite(value) ? { ok: true, value } : { ok: false, why: `“${text.slice(0, 30)}” is no number` };
}

/** What a clock shows, s since 1970: as a number of seconds, of milliseconds, or as ISO 8601 has it. */
function time(found: unknown): Values[string] {
  if (found === undefined) return { ok: false, why: 'nothing stands there' };
  const number = typeof found === 'number' || /^\d+(\.\d+)?$/.test(String(found)) ? Number(found) : null;
  const value = number === null ? Date.parse(String(found)) / 1000 : number > 1e11 ? number / 1000 : number;
  return Number.isFinite(value)
    ? { ok: true, value }
    : { ok: false, why: `“${String(found).slice(0, 30)}” is no time` };
}

const read = (point: Place, found: unknown): Values[string] =>
  point.signal === 'clock' ? time(found) : figure(found, point.scale);

/**
 * The figures that stand in a JSON document.
 * @example valuesOfJson({ pumps: [{ hours: '12.5' }] }, [{ signal: 'hours-1', at: '/pumps/0/hours', scale: 1 }])['hours-1'].value // → 12.5
 */
export const valuesOfJson = (document: unknown, points: readonly Place[]): Values =>
  Object.fromEntries(points.map((p) => [p.signal, read(p, pointed(document, p.at))]));

/** The figures that stand in the last row of a table, by the heads of its columns. @param rows the first of them is the head */
export function valuesOfTable(rows: readonly (readonly string[])[], points: readonly Place[]): Values {
  const heads = (rows[0] ?? []).map((h) => h.trim().toLowerCase());
  const last = rows.length > 1 ? rows.at(-1)! : [];
  return Object.fromEntries(
    points.map((p) => {
      const column = heads.indexOf(p.at.trim().toLowerCase());
      return [p.signal, read(p, column < 0 ? undefined : last[column])];
    }),
  );
}
