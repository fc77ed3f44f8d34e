import type { CopperTable, Station } from '../station';
import { awgArea, sizeName, soldSizes } from './conductor';

type Rows = CopperTable['rows'];
type Profile = Station['profile'];

/** A size as it is written: `2.5`, `2,5 mm²`, and at a US station `14`, `AWG 14`, `#14`, `1/0`; null where it is none. m². */
function sizeOf(text: string, profile: Profile): number | null {
  const metric = /^(\d+(?:[.,]\d+)?)\s*(mm2|mm²)?$/i.exec(text);
  if (metric && (profile === 'metric-230' || metric[2])) return Number(`${metric[1]!.replace(',', '.')}e-6`);
  const gauge = /^(?:awg|#)?\s*(?:(\d{1,2})|([1-4])\/0)\s*(?:awg)?$/i.exec(text);
  if (!gauge || profile === 'metric-230') return null;
  const area = awgArea(gauge[1] ? Number(gauge[1]) : 1 - Number(gauge[2]));
  return soldSizes(profile).find((s) => Math.abs(s / area - 1) < 1e-9) ?? null;
}

const ampsOf = (text: string): number | null => {
  const amps = /^(\d+(?:[.,]\d+)?)\s*a?$/i.exec(text);
  return amps ? Number(amps[1]!.replace(',', '.')) : null;
};

/**
 * Reads a table of what copper carries: size and amperes, in two columns, under a heading or none, from the thinnest or the thickest on.
 * Every bad row is told by its number; what sizes together must be is said by the document’s own check.
 * @example
 * readCopperRows([['size', 'A'], ['1.5 mm²', '14'], ['2.5 mm²', '18']], 'metric-230').rows[1].carries // → 18
 */
export function readCopperRows(
  rows: readonly (readonly string[])[],
  profile: Profile,
): { ok: true; rows: Rows } | { ok: false; problems: string[] } {
  const cells = rows.map((r) => r.map((c) => c.trim())).filter((r) => r.some((c) => c !== ''));
  const headed = cells.length > 0 && sizeOf(cells[0]![0] ?? '', profile) === null && !/\d/.test(cells[0]!.join(''));
  const problems: string[] = [];
  const read = cells.slice(headed ? 1 : 0).flatMap((row, i): Rows => {
    const [area, carries] = [sizeOf(row[0] ?? '', profile), ampsOf(row[1] ?? '')];
    if (area !== null && carries !== null && carries > 0) return [{ area, carries }];
    const wanted = profile === 'us-120' ? 'a size (AWG 14, 1/0) and amperes' : 'a size in mm² and amperes';
    problems.push(`row ${i + (headed ? 2 : 1)}: “${row.join(', ')}” is not ${wanted}`);
    return [];
  });
  if (problems.length > 0) return { ok: false, problems };
  if (read.length === 0) return { ok: false, problems: ['there are no figures here'] };
  const table = read[0]!.area > read.at(-1)!.area ? read.reverse() : read;
  const wrong = table.findIndex((r, i) => i > 0 && (r.area <= table[i - 1]!.area || r.carries < table[i - 1]!.carries));
  return wrong > 0
    ? {
        ok: false,
        problems: [
          `${sizeName(table[wrong]!.area, profile)} after ${sizeName(table[wrong - 1]!.area, profile)}: sizes go one way, each once, and more copper cannot carry less`,
        ],
      }
    : { ok: true, rows: table };
}

/** A table as rows of text with a heading, to be read back by `readCopperRows`. */
export const copperRows = (table: Rows, profile: Profile): string[][] => [
  ['size', 'A'],
  ...table.map((r) => [sizeName(r.area, profile), String(r.carries)]),
];
