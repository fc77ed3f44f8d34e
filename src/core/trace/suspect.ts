import type { Fault } from '../faults';
import type { Quantity } from '../units';

/** What could be wrong with a station: nothing, one fault in one size, several at once, or something that no catalogue names. */
export interface Suspect {
  readonly id: string;
  readonly kind: 'healthy' | 'fault' | 'landed' | 'pair' | 'other';
  readonly label: string;
  /** What is wrong in it, for the model; none where it is healthy or not named. */
  readonly faults: readonly Fault[];
  /** The same fault in other sizes has the same family. */
  readonly family: string;
  readonly size: Quantity | null;
  /** How likely before anything is seen, against the others; not normalised. */
  readonly weight: number;
  /** What made it more or less likely than its rate, each with its factor. */
  readonly because: readonly { readonly what: string; readonly times: number }[];
}

export const HEALTHY = 'healthy';
export const OTHER = 'other';

/** How a pair of suspects is called. */
export const pairId = (a: string, b: string): string => [a, b].sort().join(' + ');
