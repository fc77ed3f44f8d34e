import { readFeetInches } from './feetInches';
import type { Format, UnitSystem } from './quantity';
import { DIMENSIONS, dimensionOf, unitOf, unitsOf } from './unitTable';

export type Parsed = { ok: true; value: number } | { ok: false; reason: string };

const VULGAR: Readonly<Record<string, string>> = {
  '½': '1/2',
  '¼': '1/4',
  '¾': '3/4',
  '⅛': '1/8',
  '⅜': '3/8',
  '⅝': '5/8',
  '⅞': '7/8',
};

function normalise(text: string): string {
  return (
    text
      .replace(/[½¼¾⅛⅜⅝⅞]/g, (c) => ` ${VULGAR[c]}`)
      .replace(/[′’‘]/g, "'")
      .replace(/[″”“]/g, '"')
      .replace(/[−–]/g, '-')
      .replace(/\u00a0|\u202f/g, ' ')
      // Of ohms the case of the prefix says a thousand millions of them.
      .replace(/M(?=[Ω\u2126ω]|ohm)/gi, (m) => (m === 'M' ? 'mega' : 'milli'))
      .trim()
      .toLowerCase()
  );
}

function readTime(text: string): number | null {
  const parts = [...text.matchAll(/(\d+(?:[.,]\d+)?)\s*([a-z]+)\s*/g)];
  if (parts.length === 0 || parts.map((p) => p[0]).join('') !== text) return null;
  let seconds = 0;
  for (const [, number, unit] of parts) {
    const factor = DIMENSIONS.time.units[unit!];
    if (factor === undefined) return null;
    seconds += Number(number!.replace(',', '.')) * factor;
  }
  return seconds;
}

function readNumberWithUnit(text: string, format: Format, system: UnitSystem): Parsed {
  const match = /^(\d+(?:[.,]\d+)?|[.,]\d+)(?:e([+-]?\d+))?\s*(\S.*)?$/.exec(text);
  if (!match) return { ok: false, reason: `“${text}” is not a number that can be read` };
  if (/^\d{1,3},\d{3}$/.test(match[1]!)) {
    return {
      ok: false,
      reason: `“${match[1]}” could be ${match[1]!.replace(',', '.')} or ${match[1]!.replace(',', '')}: write it without the comma`,
    };
  }
  const number = Number(match[1]!.replace(',', '.')) * 10 ** Number(match[2] ?? 0);
  const unit = match[3] ?? unitOf(format, system).toLowerCase();
  const factor = unit === '' ? 1 : unitsOf(format)[unit];
  if (factor === undefined) {
    const known = Object.keys(unitsOf(format)).join(', ') || 'no unit';
    return { ok: false, reason: `“${unit}” is not a unit for this; use ${known}` };
  }
  // 950 mm are 0.95 m, not what the factor makes of it in the sixteenth digit.
  return { ok: true, value: Number((number * factor).toPrecision(14)) };
}

/**
 * Reads what a person typed as a quantity in SI. A bare number is in the unit the field shows; any other
 * unit of its dimension may be written out. In every length field feet, inches and fractions
 * (`3' 6 1/2"`, `42.5"`, `42 1/2 in`) and metric units are understood whatever the system.
 * A comma is a decimal comma, except where it could be a thousands mark: then it is asked about.
 */
export function parseQuantity(format: Format, text: string, system: UnitSystem): Parsed {
  const clean = normalise(text);
  if (clean === '') return { ok: false, reason: 'nothing is written here' };
  const negative = clean.startsWith('-');
  const body = negative ? clean.slice(1).trim() : clean.replace(/^\+\s*/, '');
  const signed = (value: number): Parsed => ({ ok: true, value: negative && value !== 0 ? -value : value });
  if (dimensionOf(format) === 'length') {
    const metres = readFeetInches(body);
    if (metres !== null) return signed(metres);
  }
  if (dimensionOf(format) === 'time') {
    const seconds = readTime(body);
    if (seconds !== null) return signed(seconds);
  }
  const plain = readNumberWithUnit(body, format, system);
  return plain.ok ? signed(plain.value) : plain;
}
