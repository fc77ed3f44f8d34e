import { kindOfMeter, type Meter, type Reading } from '@/core/book';
import { parseQuantity, type UnitSystem } from '@/core/units';

/** What was typed for a meter, as it stands on the dial; null where nothing was, undefined where it cannot be read. */
export function readTyped(meter: Meter, text: string, system: UnitSystem): number | null | undefined {
  const typed = text.trim();
  if (typed === '') return null;
  const { format } = kindOfMeter(meter);
  if (format) {
    const read = parseQuantity(format, typed, system);
    return read.ok ? read.value : undefined;
  }
  // A comma before the last digits is a point where it is written so; in groups of three it only parts them.
  const plain = /^\d{1,3}(,\d{3})+(\.\d+)?$/.test(typed) ? typed.replaceAll(',', '') : typed.replace(',', '.');
  return /^-?\d+(\.\d+)?$/.test(plain.replaceAll(' ', '')) ? Number(plain.replaceAll(' ', '')) : undefined;
}

/** What is odd about a figure beside the one before; null where nothing is. It is asked, not refused. */
export function oddly(meter: Meter, value: number, last: Reading | undefined, now: number): string | null {
  const { counts, perHour, unit } = kindOfMeter(meter);
  if (!last || !counts) return null;
  const from = last.newFrom ?? last.value;
  if (value < from) return `below the last, ${from}: rolled over, a new meter, or mistyped?`;
  const hours = Math.max((now - last.at) / 3_600_000, 0);
  if (perHour !== null && value - from > (hours + 1.1) * perHour)
    return `${Math.round(value - from)} ${unit} more than ${Math.round(hours)} hours ago: is it this meter’s?`;
  return null;
}
