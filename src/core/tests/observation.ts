import type { MeterMode } from '../circuit';
import type { Phrase, Quantity } from '../units';

/** How far a finding may lie from what the model says and still pass: a share of it, an amount in its unit, or only not over it. */
export type Band = { readonly share: number } | { readonly amount: number } | { readonly atMost: true };

interface Observed {
  readonly id: string;
  /** What is read or looked at, in few words. */
  readonly label: string;
  /** The field of the document that what is found becomes, as the station is left; `rim`: measured from the rim down; `sensor`: by its id, of which the path is the field. */
  readonly sets?: { readonly path: string; readonly from: 'rim' | 'value'; readonly sensor?: string };
}

/** Where the probes go: two points of the panel, and what is dialled. */
export interface Probes {
  readonly a: string;
  readonly b: string;
  readonly mode: MeterMode;
}

/** What a person reads, sees or hears. What the model can say of it, it is asked; what it cannot carries what a good one is. */
export type Observation = Observed &
  (
    | { readonly kind: 'volts'; readonly probes: Probes; readonly band: Band }
    /** The highest of several pairs, which must be nothing. */
    | { readonly kind: 'dead'; readonly pairs: readonly Probes[]; readonly most: number }
    /** Closed or open, between two points that nothing else joins; `alone`: of a device by itself, its wires off. */
    | {
        readonly kind: 'continuity';
        readonly probes: Probes;
        readonly alone?: string;
        readonly click?: 'open' | 'closed';
      }
    | { readonly kind: 'ohms'; readonly probes: Probes; readonly band: Band; readonly alone?: string }
    /** Round a core while a pump runs; not over its plate, or what it takes at its flow. */
    | { readonly kind: 'amps'; readonly pump: number; readonly core: string | null; readonly of: 'plate' | 'flow' }
    /** Round one core, whatever flows in it. */
    | { readonly kind: 'clamp'; readonly core: string }
    /** What a person sees the panel do, against how it stood before the acts; `pumps`: and which pumps run then. */
    | { readonly kind: 'reacts'; readonly pumps?: true }
    /** How the shaft of a pump feels to a hand; what a capacitor by itself is. */
    | { readonly kind: 'shaft'; readonly pump: number }
    | { readonly kind: 'farads'; readonly part: string }
    /** What is seen of a part that is taken into the hand, opened or gone to, by its name among the faults; and what a good one is. */
    | { readonly kind: 'seen'; readonly of: string; readonly clear: string }
    /** In which position something is seen: a lever, a selector, a flag, a float from the rim. */
    | { readonly kind: 'stands'; readonly device: string }
    /** What the display of a drive says. */
    | { readonly kind: 'display'; readonly device: string }
    /** Where the cores of a device sit on the strip, and whether two of its terminals are linked. */
    | { readonly kind: 'landed'; readonly device: string }
    | { readonly kind: 'linked'; readonly a: string; readonly b: string }
    /** What happens now, of all that a person can see or hear of a panel. */
    | { readonly kind: 'happens' }
    /** What comes in, by the rise of the water with no pump running. */
    | { readonly kind: 'inflow' }
    /** Which pump starts, call after call. */
    | { readonly kind: 'turns'; readonly calls: number }
    /** Which way a pump is turned by its supply. */
    | { readonly kind: 'kicks'; readonly pump: number }
    /** Of the water that the acts have moved; `since`: from where it stood when the test began; `by`: measured and not counted. */
    | {
        readonly kind: 'level' | 'volume' | 'hose time' | 'run time' | 'fall rate' | 'flow';
        readonly since?: 'the beginning';
        readonly by?: 'tape';
      }
    | { readonly kind: 'tape'; readonly sensor: string; readonly field: string }
    /** A figure that needs no model. */
    | { readonly kind: 'figure'; readonly value: Quantity; readonly band: Band }
    /** A figure that is read and kept, and that nothing here can foretell. */
    | { readonly kind: 'kept'; readonly format: Quantity['format']; readonly why: Phrase }
    /** A look, a sound, a smell, warmth: what a good one is. */
    | { readonly kind: 'sense'; readonly good: Phrase }
  );
