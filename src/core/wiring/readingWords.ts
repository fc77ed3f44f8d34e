import type { Reading } from '../circuit';

const METERED: Readonly<Record<Extract<Reading, { ok: true }>['state'], string>> = {
  steady: '',
  ghost: 'a ghost: only capacitance or leakage holds it up; in low-impedance mode it is gone',
  'near-zero': 'near zero',
  open: 'open line',
  beeps: 'beeps',
  silent: 'does not beep',
};

function figure(value: number, unit: string): string {
  if (!Number.isFinite(value)) return 'OL';
  const size = Math.abs(value);
  if (unit === 'Ω' && size >= 1e6) return `${(value / 1e6).toFixed(2)} MΩ`;
  if (unit === 'Ω' && size >= 1e3) return `${(value / 1e3).toFixed(2)} kΩ`;
  if (unit === 'A') return size < 0.1 ? `${(value * 1000).toFixed(1)} mA` : `${value.toFixed(2)} A`;
  const digits = size < 10 ? 2 : 1;
  const text = value.toFixed(digits);
  return `${Number(text) === 0 ? (0).toFixed(digits) : text} ${unit}`;
}

/** A reading as the display shows it, and what it means, in words. */
export function readingWords(reading: Reading): { shown: string; means: string } {
  if (reading.ok) return { shown: figure(reading.value, reading.unit), means: METERED[reading.state] };
  switch (reading.reason) {
    case 'live':
      return {
        shown: 'live',
        means: `refused: ${reading.at} carries ${figure(reading.volts ?? 0, 'V')}. A resistance reading on a live circuit is not valid, and harms the meter. Isolate, lock, prove dead first`,
      };
    case 'no-such-point':
      return { shown: '–', means: `there is no point ${reading.at} on this panel` };
    case 'no-such-conductor':
      return { shown: '–', means: `there is no core ${reading.at} to clamp` };
  }
}
