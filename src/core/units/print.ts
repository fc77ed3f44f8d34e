import { printFeetInches } from './feetInches';
import type { Quantity, UnitSystem } from './quantity';
import { factorOf, INCH, FORMATS, unitOf } from './unitTable';

function significant(value: number, digits: number): string {
  if (value === 0) return '0';
  const whole = Math.floor(Math.log10(Math.abs(value))) + 1;
  return value.toFixed(Math.min(Math.max(digits - whole, 0), 8));
}

function plain(value: number): string {
  return value === 0 ? '0' : String(Number(value.toPrecision(6)));
}

/** Seconds as a person says them: `45 s`, `12 min 30 s`, `3 h 05 min`, `4 days`. */
function printTime(seconds: number): string {
  if (!Number.isFinite(seconds)) return 'never';
  if (seconds < 0) return `-${printTime(-seconds)}`;
  if (seconds < 10) return `${seconds.toFixed(1)} s`;
  const whole = Math.round(seconds);
  if (whole < 120) return `${whole} s`;
  if (whole < 3600) return `${Math.floor(whole / 60)} min ${String(whole % 60).padStart(2, '0')} s`;
  const minutes = Math.round(seconds / 60);
  if (minutes < 48 * 60) return `${Math.floor(minutes / 60)} h ${String(minutes % 60).padStart(2, '0')} min`;
  return `${(seconds / 86400).toFixed(1)} days`;
}

/**
 * The printed form of a quantity: number and unit apart, so that a screen can set them differently.
 * Feet and inches, and times, carry their units inside the number and leave `unit` empty.
 */
export function format(q: Quantity, system: UnitSystem): { number: string; unit: string } {
  if (q.format === 'time' || q.format === 'duration' || q.format === 'span')
    return { number: printTime(q.value), unit: '' };
  if (!Number.isFinite(q.value)) return { number: 'no limit', unit: '' };
  if (system === 'us' && q.format === 'height') return { number: printFeetInches(q.value), unit: '' };
  const { digits } = FORMATS[q.format];
  const value = q.value / factorOf(q.format, system);
  const number = 'sig' in digits ? significant(value, digits.sig) : value.toFixed(digits[system]);
  return { number: /^-0(\.0*)?$/.test(number) ? number.slice(1) : number, unit: unitOf(q.format, system) };
}

/** `620 mm`, `2' 0 3/8"`, `1.25 L/s`, `12 min 30 s`. */
export function say(q: Quantity, system: UnitSystem): string {
  const { number, unit } = format(q, system);
  if (unit === '') return number;
  return unit === '°' || unit === '%' || unit === '/h' ? `${number}${unit}` : `${number} ${unit}`;
}

/** A span in the units that it fills: `8 h`, `1 d 30 min`, `0.5 s`. */
function spanText(seconds: number): string {
  let left = Math.round(seconds * 1000) / 1000;
  const parts = (
    [
      ['d', 86400],
      ['h', 3600],
      ['min', 60],
    ] as const
  ).flatMap(([unit, size]) => {
    const whole = Math.floor(left / size);
    left -= whole * size;
    return whole > 0 ? [`${whole} ${unit}`] : [];
  });
  return left > 5e-4 || parts.length === 0
    ? [...parts, `${plain(Number(left.toFixed(3)))} s`].join(' ')
    : parts.join(' ');
}

/**
 * The text a field shows for editing: short, and reading it back gives the same value to six digits.
 * A span is written in the units that it fills. Heights in US units are feet and inches when they fall on a sixteenth, decimal inches otherwise.
 */
export function fieldText(q: Quantity, system: UnitSystem): string {
  if (q.format === 'span' && q.value >= 0) return spanText(q.value);
  if (system === 'us' && q.format === 'height') {
    const sixteenths = (q.value / INCH) * 16;
    return Math.abs(sixteenths - Math.round(sixteenths)) < 1e-3
      ? printFeetInches(q.value)
      : `${plain(q.value / INCH)}"`;
  }
  return plain(q.value / factorOf(q.format, system));
}

/** The bare number in the printed unit, for axes. US heights are in inches. */
export const inUnits = (kind: Quantity['format'], value: number, system: UnitSystem): number =>
  value / factorOf(kind, system);
