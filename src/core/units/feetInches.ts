import { INCH } from './unitTable';

function greatestCommonDivisor(a: number, b: number): number {
  return b === 0 ? a : greatestCommonDivisor(b, a % b);
}

/**
 * Metres as feet, inches and a reduced fraction, rounded to the nearest 1/`denominator` inch:
 * `3' 6 1/2"`, `7 1/4"`, `0"`.
 */
export function printFeetInches(metres: number, denominator = 16): string {
  const parts = Math.round((Math.abs(metres) / INCH) * denominator);
  const sign = metres < 0 && parts > 0 ? '-' : '';
  const feet = Math.floor(parts / (12 * denominator));
  const rest = parts - feet * 12 * denominator;
  const inches = Math.floor(rest / denominator);
  const over = rest - inches * denominator;
  const divisor = greatestCommonDivisor(over, denominator);
  const fraction = over === 0 ? '' : `${over / divisor}/${denominator / divisor}`;
  const inchText = [inches > 0 || fraction === '' ? String(inches) : '', fraction].filter(Boolean).join(' ');
  if (feet === 0) return `${sign}${inchText}"`;
  return rest === 0 ? `${sign}${feet}'` : `${sign}${feet}' ${inchText}"`;
}

const NUMBER = String.raw`(?:\d+(?:[.,]\d+)?|[.,]\d+)`;
const FEET = String.raw`(?:'|ft\.?|feet|foot)`;
const INCHES = String.raw`(?:"|''|in\.?|inch|inches)`;
const FEET_PART = new RegExp(String.raw`^(${NUMBER})\s*${FEET}\s*-?\s*`);
const INCH_PART = new RegExp(
  String.raw`^(?:(${NUMBER})(?:\s+|\s*-\s*(?=\d+\s*/)))?(?:(\d+)\s*/\s*(\d+))?\s*(${INCHES})?$`,
);
const WHOLE_INCHES = new RegExp(String.raw`^(${NUMBER})\s*(${INCHES})?$`);

const toNumber = (text: string) => Number(text.replace(',', '.'));

/**
 * Reads feet, inches and fractions in the ways they are written on site: `3' 6 1/2"`, `3ft 6in`,
 * `42.5"`, `42 1/2 in`, `42-1/2"`, `3'-6"`, `1/2"`. Returns metres, or null when the text carries neither
 * a foot mark, an inch mark nor a fraction, or is not of this form.
 * Expects text already lower-cased, with plain primes and without a sign.
 */
export function readFeetInches(text: string): number | null {
  const feetMatch = FEET_PART.exec(text);
  const feet = feetMatch ? toNumber(feetMatch[1]!) : 0;
  const rest = feetMatch ? text.slice(feetMatch[0].length) : text;
  if (feetMatch && rest === '') return feet * 12 * INCH;
  const whole = WHOLE_INCHES.exec(rest);
  if (whole) return feetMatch || whole[2] ? (feet * 12 + toNumber(whole[1]!)) * INCH : null;
  const parts = INCH_PART.exec(rest);
  if (!parts || !parts[2] || !parts[3]) return null;
  const denominator = Number(parts[3]);
  if (denominator === 0) return null;
  return (feet * 12 + (parts[1] ? toNumber(parts[1]) : 0) + Number(parts[2]) / denominator) * INCH;
}
