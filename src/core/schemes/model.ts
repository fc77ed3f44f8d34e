import type { Behaviour, Sense } from '../circuit';

/*
 * A control panel as data: devices with their pins, rungs that join them, terminals, cables and links. The ladder is drawn from it,
 * the wires are listed from it and the circuit is solved from it.
 */

/** How an element is drawn, and what it is to a person. */
export type Sign =
  | 'make'
  | 'break'
  | 'float'
  | 'float-break'
  | 'button'
  | 'button-break'
  | 'selector'
  | 'breaker'
  | 'fuse'
  | 'overload'
  | 'solid'
  | 'coil'
  | 'timer'
  | 'motor'
  | 'lamp'
  | 'horn'
  | 'counter'
  | 'input'
  | 'winding'
  | 'source'
  | 'cell'
  | 'capacitor'
  | 'heater'
  | 'surge'
  | 'valve';

/** What is between two pins. Volts, ohms, henries, farads. */
export type Inside =
  | { readonly kind: 'impedance'; readonly r: number; readonly l?: number; readonly dc?: number }
  | { readonly kind: 'capacitor'; readonly c: number }
  | {
      readonly kind: 'source';
      readonly volts: number;
      readonly phaseDeg: number;
      readonly frequency: number;
      readonly r: number;
    };

export interface Element {
  readonly pins: readonly [string, string];
  readonly sign: Sign;
  /** null: it only shows where it sits; the device says what is between its pins. */
  readonly part: Inside | null;
  /** States of the device in which it conducts; always, where none are given. */
  readonly closed?: readonly string[];
  /** The device whose states those are, where it is not its own: a start switch goes by the motor. */
  readonly follows?: string;
  /** S, of an open one. */
  readonly leak?: number;
}

/** A pin of this name is the earth itself. */
export const GROUND_PIN = 'earth';

/** The cord or cable by which something outside the panel comes to its terminals. */
export interface CableRun {
  readonly id: string;
  readonly label: string;
  /** m */
  readonly length: number;
  /** m² of each core */
  readonly area: number;
  /** Colour of the core to each pin. */
  readonly colours: Readonly<Record<string, string>>;
  /** Where else its plug fits: terminals for its pins, by name of the place. */
  readonly plugs?: Readonly<Record<string, Readonly<Record<string, string>>>>;
}

/** What a device is for. Faults, cautions, figures and rehearsals ask this, never its tag or its words. */
export type DeviceFunction =
  /** A circuit of the board: what feeds the pumps, and what feeds the alarm alone. */
  | 'supply'
  | 'alarm-supply'
  | 'disconnect'
  | 'breaker'
  | 'fuse'
  | 'residual-current'
  | 'overload'
  | 'transformer'
  | 'power-supply'
  | 'battery'
  /** Joins wires and does no more. */
  | 'bar'
  | 'motor'
  | 'drive'
  | 'drive-fault'
  | 'float'
  /** Hand-Off-Auto, who goes first, a push button, and one that resets what has latched. */
  | 'selector'
  | 'order'
  | 'button'
  | 'reset'
  | 'contactor'
  | 'relay'
  | 'solid-state'
  | 'timer'
  | 'alternator'
  /** Keeps the horn quiet once it is silenced. */
  | 'silence'
  | 'horn'
  | 'lamp'
  | 'meter'
  /** Capacitor and start switch of a motor, in a box at the panel. */
  | 'start-gear'
  /** What a tank is filled through. */
  | 'valve'
  /** What watches: the oil of a seal, the windings of a motor, the phases; what keeps floats in a hazardous pit from making a spark. */
  | 'seal-relay'
  | 'motor-thermal'
  | 'winding-heat'
  | 'phase-monitor'
  | 'barrier'
  /** What keeps the panel: dry, and from surges; and what it is fed from when the supply is gone. */
  | 'heater'
  | 'surge'
  | 'transfer'
  | 'generator'
  /** Equipment of others: it lets the pumps run, is stopped by high water, is told of an alarm, or is told that it may fill. */
  | 'permission'
  | 'cut-off'
  | 'report'
  | 'call-for-water';

export interface Device {
  readonly tag: string;
  readonly function: DeviceFunction;
  /** The pump that it runs or guards, from 1; none where it serves all. */
  readonly pump?: number;
  /** What one would ask for in a shop. */
  readonly description: string;
  /** What it does here. */
  readonly label: string;
  readonly place: 'panel' | 'door' | 'field' | 'board';
  /** 0: comes with something else; 1 small change, 2 moderate, 3 a considerable sum, 4 the dearest. */
  readonly cost: 0 | 1 | 2 | 3 | 4;
  readonly behaviour: Behaviour;
  readonly initial: string;
  /** States a hand (or the water) can put it in, with words; empty where none can. */
  readonly positions: readonly { readonly state: string; readonly label: string }[];
  /** The state it springs back to when it is let go. */
  readonly springs?: string;
  readonly elements: Readonly<Record<string, Element>>;
  /** Of a breaker or fuse: what it is made for; of a supply or battery: what guards it where it begins, A. */
  readonly rating?: number;
  /** Of a supply: the element it gives from, and how much, A. */
  readonly gives?: { readonly element: string; readonly amps: number };
  /** What is inside beside its elements; `closed`: only in these of its states. */
  readonly inside?: readonly {
    readonly id: string;
    readonly a: string;
    readonly b: string;
    readonly part: Inside;
    readonly closed?: readonly string[];
    readonly follows?: string;
  }[];
  readonly transformer?: {
    readonly primary: readonly [string, string];
    readonly secondary: readonly [string, string];
    readonly ratio: number;
    readonly r: number;
    readonly dc?: readonly [primary: number, secondary: number];
  };
  readonly cable?: CableRun;
  /** The sensor of the document that it is. */
  readonly sensor?: string;
  /** It can hurt after it is isolated: how, and what to do. */
  readonly charge?: string;
}

/** Element by `tag.element`, in series, or side by side; `net` names the wire at that place. */
export type Tree =
  | { readonly leaf: string }
  | { readonly series: readonly Tree[] }
  | { readonly parallel: readonly Tree[] }
  | { readonly net: string };

export interface Circuit {
  readonly id: string;
  readonly label: string;
  /** Terminals of this circuit sit on this strip. */
  readonly strip: string;
  /** The wire against which it is live, and at how many volts, r.m.s. */
  readonly reference: string;
  readonly volts: number;
  readonly kind: 'ac' | 'dc';
  /** Extra-low voltage, apart from the mains. */
  readonly low: boolean;
  /** Intrinsically safe: its wires lie apart from all others, in a colour of their own. */
  readonly safe?: true;
  /** What it is for; `others`: it belongs to somebody else, and stays live when the pumps are isolated. */
  readonly function: 'power' | 'control' | 'alarm' | 'others';
}

export interface Rung {
  readonly number: number;
  readonly label: string;
  readonly circuit: string;
  readonly from: string;
  readonly to: string;
  readonly tree: Tree;
}

export interface Terminal {
  readonly id: string;
  /** The wire it is on. */
  readonly net: string;
  readonly circuit: string;
}

export interface Core {
  readonly id: string;
  readonly cable: string;
  readonly colour: string;
  /** Field end, as `tag:pin`. */
  readonly pin: string;
  /** Panel end as designed; null: capped. */
  readonly terminal: string | null;
}

export interface Link {
  readonly a: string;
  readonly b: string;
  readonly label: string;
}

/** Something that a person would notice, and how the circuit tells it. */
export interface Outcome {
  readonly id: string;
  readonly label: string;
  readonly not: string;
  /** What to say where it never happens though it should, and where it always does. */
  readonly never: string;
  readonly always: string;
  readonly kind: 'pump' | 'alarm' | 'report' | 'interlock' | 'lamp' | 'call';
  /** The device that it shows at. */
  readonly device: string;
  /** Of a pump: which, from 1. */
  readonly pump?: number;
  /** While it happens, water is being made. */
  readonly makesWater?: true;
  readonly senses: Sense;
  readonly above: number;
  /** States of the device in which alone it happens: a motor that stands under voltage does not run. */
  readonly states?: readonly string[];
  /** Switched by something that must leave these pins dead when it does not run. */
  readonly dead?: readonly string[];
}

/** What a wire of the power is. */
export type WireFunction = 'line-1' | 'line-2' | 'line-3' | 'neutral' | 'earth';

export interface Panel {
  readonly scheme: string;
  readonly frequency: number;
  readonly circuits: readonly Circuit[];
  readonly devices: readonly Device[];
  readonly rungs: readonly Rung[];
  readonly terminals: readonly Terminal[];
  readonly cores: readonly Core[];
  readonly links: readonly Link[];
  /** Links that these terminals are made to take, and that this design leaves out; `label` is how one left in is told. */
  readonly linksLeftOut: readonly Link[];
  readonly outcomes: readonly Outcome[];
  /** Net of every pin that sits in the panel. */
  readonly pinNets: Readonly<Record<string, string>>;
  /** Wires by what they are, where they are of the power. */
  readonly wires: Readonly<Record<string, WireFunction>>;
  /** Wires that an element joins, left and right as drawn. */
  readonly spans: Readonly<Record<string, readonly [string, string]>>;
}
