/*
 * A circuit as plain data: components between named nodes, and devices whose states decide which components conduct. The node called
 * `EARTH` is the reference. Volts are r.m.s., ohms, henries, farads, degrees, hertz; a source of 0 Hz is direct current.
 */

export const EARTH = '0';

/** The part conducts only while the device is in one of these states; otherwise it leaks. */
export interface When {
  readonly device: string;
  readonly states: readonly string[];
  /** What an open one still conducts, S. */
  readonly leak?: number;
}

interface TwoEnded {
  readonly id: string;
  readonly a: string;
  readonly b: string;
  readonly when?: When;
}

/** Resistance and inductance in series; the resistance is more than zero. */
export interface Impedance extends TwoEnded {
  readonly kind: 'impedance';
  readonly r: number;
  readonly l?: number;
  /** Ω at 0 Hz where it is another: a winding takes more than its copper does while something turns in it. Infinite: none of it is copper. */
  readonly dc?: number;
}

export interface Capacitor extends TwoEnded {
  readonly kind: 'capacitor';
  readonly c: number;
}

/** A voltage behind a resistance of more than zero; `a` is its positive end. */
export interface Source extends TwoEnded {
  readonly kind: 'source';
  readonly volts: number;
  readonly phaseDeg: number;
  readonly frequency: number;
  readonly r: number;
}

/**
 * An ideal transformer from a–b to c–d with the resistance of its windings, all seen at the secondary. At 0 Hz it does not transform: its
 * windings are two resistances.
 */
export interface Transformer extends TwoEnded {
  readonly kind: 'transformer';
  readonly c: string;
  readonly d: string;
  /** Secondary volts per primary volt. */
  readonly ratio: number;
  readonly r: number;
  /** Ω of the primary and of the secondary at 0 Hz; an open line where it is not said. */
  readonly dc?: readonly [primary: number, secondary: number];
}

export type Component = Impedance | Capacitor | Source | Transformer;

/** What a device attends to: volts across components or amps through them, at the mains frequency or direct. */
export interface Sense {
  readonly what: 'volts' | 'amps';
  readonly of: 'ac' | 'dc';
  readonly components: readonly string[];
  /** `sum`: of the phasors, as a current transformer round several cores; `least`, `most`: of the magnitudes. */
  readonly by: 'sum' | 'least' | 'most';
}

interface Coil {
  readonly senses: Sense;
  readonly pickUp: number;
  /** Below this it lets go; less than the pick-up. */
  readonly dropOut: number;
}

/**
 * By how much current in which time something opens: a body that warms with the square of the current and its time constant, and opens at
 * the temperature that `above` would bring it to in the end; at once above `instant`.
 */
export interface TripCurve {
  /** s */
  readonly constant: number;
  /** A */
  readonly instant: number;
}

/**
 * A motor: `still`, `running`, `backwards`, `single` (turning on two of its three windings) or `stalled` (under voltage, and standing).
 * It needs `starts` volts on every winding to begin, and `keeps` to go on.
 */
export interface MotorBehaviour {
  readonly kind: 'motor';
  /** One, or three in the order of their phases. */
  readonly windings: readonly string[];
  /** A single-phase one begins to turn only with current in its auxiliary winding. */
  readonly auxiliary?: string;
  readonly starts: number;
  readonly keeps: number;
  /** Something holds its rotor. */
  readonly jammed?: true;
}

/** How a device changes by itself. `worked`: never, a hand or the water does it. */
export type Behaviour =
  | { readonly kind: 'worked' }
  | (Coil & { readonly kind: 'relay' })
  | (Coil & { readonly kind: 'alternator'; readonly turns: number })
  | (Coil & { readonly kind: 'delay'; readonly seconds: number })
  | (Coil & { readonly kind: 'cycle'; readonly rest: number; readonly run: number })
  | MotorBehaviour
  | {
      readonly kind: 'trip';
      readonly senses: Sense;
      readonly above?: number;
      readonly below?: number;
      /** It takes its time above `above`; at once where none is given. */
      readonly curve?: TripCurve;
    };

export interface CircuitDevice {
  readonly id: string;
  readonly initial: string;
  readonly behaviour: Behaviour;
}

export interface Netlist {
  readonly frequency: number;
  readonly components: readonly Component[];
  readonly devices: readonly CircuitDevice[];
}

/** The state of every device by its id. */
export type States = Readonly<Record<string, string>>;

export const initialStates = ({ devices }: Netlist): States =>
  Object.fromEntries(devices.map((d) => [d.id, d.initial]));

export const conducts = ({ when }: Component, states: States): boolean =>
  when === undefined || when.states.includes(states[when.device] ?? '');
