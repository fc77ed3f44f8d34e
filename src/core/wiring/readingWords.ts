import type { Reading, Shown, VoltsReading } from '../circuit';

const METERED = {
  steady: '',
  'near-zero': 'near zero',
  open: 'open line',
  beeps: 'beeps',
  silent: 'does not beep',
} as const;

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

/** What stands behind a voltage that is shown: danger first. */
function meansOfVolts({ state, value, toEarth, unseen, felt, moves, then }: VoltsReading): string {
  const probes = (['red', 'black'] as const)
    .map((name, i) => ({ name, volts: toEarth[i]! }))
    .filter(({ volts }) => volts > 0)
    .map(({ name, volts }) => `the ${name} probe is on ${figure(volts, 'V')} to earth`);
  const live = probes.length > 0 ? `live: ${probes.join(', ')}` : null;
  switch (state) {
    case 'steady': {
      if (!moves) return METERED.steady;
      const tripped = moves.filter((m) => m.to === 'tripped').map((m) => m.device);
      const others = moves.filter((m) => m.to !== 'tripped').map((m) => m.device);
      const does = [
        ...(tripped.length > 0 ? [`trip ${tripped.join(', ')}`] : []),
        ...(others.length > 0 ? [`move ${others.join(', ')}`] : []),
      ];
      return `${figure(value, 'V')}, and this load would ${does.join(' and ')}; after that it shows ${figure(then ?? 0, 'V')}`;
    }
    case 'ghost':
      return [
        live
          ? `${live}; between the two a ghost, held up by capacitance or leakage only: in low-impedance mode it is gone`
          : 'a ghost: only capacitance or leakage holds it up; in low-impedance mode it is gone',
        ...(felt ? [`${figure(felt, 'A')} can flow through a hand all the same: it is felt`] : []),
      ].join('; ');
    case 'equal':
      return `${live}; no difference between the two`;
    case 'blind':
      return `${live ?? 'voltage is there'}: ${figure(unseen ?? 0, 'V')} of the kind that this mode does not show`;
    case 'near-zero':
      return METERED['near-zero'];
  }
}

/** What the display says. */
export const shownWords = (reading: Shown | Reading): string =>
  reading.ok ? figure(reading.value, reading.unit) : reading.reason === 'live' ? 'live' : '–';

/** Why nothing is read. */
export function refusedWords(reading: Extract<Shown, { ok: false }>): string {
  switch (reading.reason) {
    case 'live':
      return `refused: ${reading.at} carries ${figure(reading.volts ?? 0, 'V')}. A resistance reading on a live circuit is not valid, and harms the meter. Isolate, lock, prove dead first`;
    case 'no-such-point':
      return `there is no point ${reading.at} on this panel`;
    case 'no-such-conductor':
      return `there is no core ${reading.at} to clamp`;
  }
}

/** A reading as the display shows it, and what it means, in words. */
export const readingWords = (reading: Reading): { shown: string; means: string } => ({
  shown: shownWords(reading),
  means: !reading.ok ? refusedWords(reading) : reading.unit === 'V' ? meansOfVolts(reading) : METERED[reading.state],
});
