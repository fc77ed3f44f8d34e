import type { Panel } from '../schemes';
import type { Station } from '../station';
import { phrase, quantity } from '../units';
import { atMost, told, type WiringCheck } from './check';

/** Of a cable whose figures are not known, H/m (IEC 60079-14, 16.2.2.2: 1 µH, and 200 pF, a metre). */
const INDUCTANCE = 1e-6;
const CAPACITANCE = 200e-12;
/** A simple apparatus, as a contact is, has no figures of its own up to this (IEC 60079-11, 5.7): V, A. */
const SIMPLE = { volts: 30, amps: 0.3 } as const;

/**
 * Intrinsically safe circuits: what hangs on each barrier against what may, by its entity parameters (IEC 60079-14, 16.2). A float switch is
 * simple apparatus: only its cable counts.
 */
export function barrierFigures({ control, wiring }: Station, { devices, circuits }: Panel): WiringCheck[] {
  const { barrier } = control.parts;
  if (!barrier || !circuits.some((c) => c.safe)) return [];
  const perMetre = Math.max(wiring.capacitance, CAPACITANCE);
  const each = devices
    .filter((d) => d.sensor !== undefined && d.cable)
    .flatMap((d): WiringCheck[] => [
      atMost(
        `barrier-co-${d.tag}`,
        `capacitance on the barrier of the ${d.label}`,
        quantity('capacitance', barrier.capacitance),
        quantity('capacitance', perMetre * d.cable!.length),
        phrase`${quantity('distance', d.cable!.length)} of cable at ${String(Math.round(perMetre * 1e12))} pF a metre: charged, it could spark where it breaks.`,
      ),
      atMost(
        `barrier-lo-${d.tag}`,
        `inductance on the barrier of the ${d.label}`,
        quantity('inductance', barrier.inductance),
        quantity('inductance', INDUCTANCE * d.cable!.length),
        phrase`${quantity('distance', d.cable!.length)} of cable at ${String(INDUCTANCE * 1e6)} µH a metre: it could spark where its current is broken.`,
      ),
    ]);
  return [
    atMost(
      'barrier-volts',
      'a float is simple apparatus, by the voltage of its barrier',
      quantity('voltage', SIMPLE.volts),
      quantity('voltage', barrier.voltage),
      phrase`Above that a switch needs figures and a certificate of its own.`,
    ),
    atMost(
      'barrier-amps',
      'a float is simple apparatus, by the current of its barrier',
      quantity('leak', SIMPLE.amps),
      quantity('leak', barrier.current),
      phrase`Above that a switch needs figures and a certificate of its own.`,
    ),
    ...each,
    told(
      'barrier-lies',
      'intrinsically safe wires lie apart',
      phrase`In light blue, in duct and glands of their own, away from all others; the barrier outside the hazardous place, or in an enclosure made for it. Which zone the pit is, and that floats and pump suit it, is for whoever classifies it.`,
    ),
  ];
}
