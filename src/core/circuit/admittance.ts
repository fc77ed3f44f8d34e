import type { Component } from './netlist';
import { inverse, type Phasor, polar, ZERO } from './phasor';

/**
 * What a part conducts at a frequency while it does, S: 1/(R + jωL), jωC, a source or transformer by its resistance. At 0 Hz a capacitor
 * conducts nothing.
 */
export function admittance(part: Component, frequency: number): Phasor {
  const omega = 2 * Math.PI * frequency;
  switch (part.kind) {
    case 'impedance':
      if (frequency === 0 && part.dc !== undefined) return { re: 1 / part.dc, im: 0 };
      return inverse({ re: part.r, im: omega * (part.l ?? 0) });
    case 'capacitor':
      return { re: 0, im: omega * part.c };
    case 'source':
    case 'transformer':
      return { re: 1 / part.r, im: 0 };
  }
}

/** What a part drives at a frequency, V. */
export const emf = (part: Component, frequency: number): Phasor =>
  part.kind === 'source' && part.frequency === frequency
    ? polar(part.volts, frequency === 0 ? 0 : part.phaseDeg)
    : ZERO;
