import type { NoDuty } from '../hydraulics';
import { phrase, quantity, type Phrase } from '../units';

/** Why a pump has no operating point, as a sentence. */
export function sayNoDuty(none: NoDuty): Phrase {
  switch (none.reason) {
    case 'below-static-head':
      return phrase`The pump cannot lift the water out: the outlet is ${quantity('head', none.needs)} above it and the pump reaches only ${quantity('head', none.has)} before it delivers nothing.`;
    case 'run-out':
      return phrase`The pump runs out past the last point of its curve: it delivers more than ${quantity('flow', none.atLeast)}, and how much more is not known. Throttle it, or add the maker's next point.`;
  }
}
