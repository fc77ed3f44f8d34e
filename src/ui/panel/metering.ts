import { clamp, METER_MODES, read, type Reading } from '@/core/circuit';
import type { Meter, PanelSession } from './panelStore';

/* The meter at work: fetched with the meter, a moment after the drawing. */

/** What the meter shows now; null until both probes (or the clamp) are on something. */
export function meterReading({ live, meter }: Pick<PanelSession, 'live' | 'meter'>): Reading | null {
  if (!live) return null;
  const { wired, settled } = live;
  if (meter.mode === 'amps') return meter.clamped === null ? null : clamp(settled.solution, [meter.clamped]);
  if (meter.a === null || meter.b === null) return null;
  const [a, b] = [meter.a, meter.b].map((p) => (p === 'earth' ? '0' : (wired.points.get(p) ?? `${p}?`)));
  const reading = read(wired.structure, settled.states, a!, b!, meter.mode);
  return !reading.ok && reading.reason === 'no-such-point'
    ? { ...reading, at: reading.at.replace(/\?$/, '') }
    : reading;
}

/** Devices that the load of the meter in low-impedance mode would move, as a residual-current device that it would trip. */
export function movedByMeter(of: Pick<PanelSession, 'live' | 'meter'>): ReadonlySet<string> {
  const reading = of.meter.mode === 'low-z-volts' ? meterReading(of) : null;
  return new Set(reading?.ok && reading.unit === 'V' ? reading.moves?.map((m) => m.device) : []);
}

export const METER_FUNCTIONS = [...METER_MODES, 'amps'] as const;

/** The strip or device that a point is of: points stand in a list beneath it. */
export const stripOf = (point: string): string => point.split(/[:.]/)[0]!;

/** The functions of the meter, as they stand on it. */
export const WORDS: Readonly<Record<Meter['mode'], string>> = {
  'ac-volts': 'V alternating',
  'dc-volts': 'V direct',
  'low-z-volts': 'V, low impedance',
  ohms: 'Ω resistance',
  continuity: 'continuity',
  insulation: 'insulation',
  amps: 'A clamp',
};
