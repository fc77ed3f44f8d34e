import { conducts, type Part, type States } from './netlist';
import { inverse, type Phasor, ZERO } from './phasor';

/**
 * What a part conducts at a frequency, S: 1/(R + jωL), jωC, a source or transformer by its resistance. Open ones conduct their
 * leak. At 0 Hz a capacitor conducts nothing.
 */
export function admittance(part: Part, frequency: number, states: States): Phasor {
  if (!conducts(part, states)) return { re: part.when?.leak ?? 0, im: 0 };
  const omega = 2 * Math.PI * frequency;
  switch (part.kind) {
    case 'impedance':
      return inverse({ re: part.r, im: omega * (part.l ?? 0) });
    case 'capacitor':
      return omega === 0 ? ZERO : { re: 0, im: omega * part.c };
    case 'source':
    case 'transformer':
      return { re: 1 / part.r, im: 0 };
  }
}
