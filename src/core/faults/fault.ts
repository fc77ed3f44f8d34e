import type { Netlist } from '../circuit';
import type { Device, Panel } from '../schemes';
import type { Station } from '../station';

/** What is wrong with one pump, besides what the circuit does to it. */
export interface PumpEffects {
  /** Moves no water, though it turns. */
  readonly moves?: false;
  /** Turns in air or against its own bubble: not cooled, it heats in minutes. */
  readonly air?: true;
}

/** What a fault changes. Everything that is not named stays. */
export interface FaultEffects {
  /** Devices that stay in a state whatever moves them; null: in the state they are in when it comes. */
  readonly holds?: Readonly<Record<string, string | null>>;
  /** Where cores and links sit while it lasts. */
  readonly landings?: Partial<Station['landings']>;
  circuit?(netlist: Netlist): Netlist;
  /** The station as it is then: a clip that slipped, a worn impeller. */
  station?(station: Station): Station;
  /** By the pump’s number, from 1. */
  readonly pumps?: Readonly<Record<number, PumpEffects>>;
  /** What the inflow is multiplied by. */
  readonly inflow?: number;
  /** The whole line drains back at every stop. */
  readonly checksOpen?: readonly number[];
}

export type FaultGroup = 'sensor' | 'power' | 'control' | 'motor' | 'pipe';

/** One way in which one part of one station can fail. */
export interface Fault {
  readonly id: string;
  readonly group: FaultGroup;
  /** Device by its tag, or what it is of the pipe and the water. */
  readonly part: string;
  readonly label: string;
  readonly cause: string;
  readonly remedy: string;
  /** How often it comes in a year at one such part: an assumed weight by which faults are compared, not a promise. */
  readonly perYear: number;
  readonly effects: FaultEffects;
}

/** The circumstances in which a kind of fault comes and goes, and how often: said once for all parts that have it. */
export interface FaultKind {
  readonly cause: string;
  readonly remedy: string;
  readonly perYear: number;
}

/** Where a device stands when it is asked how it can fail. */
export interface At {
  readonly station: Station;
  readonly panel: Panel;
}

/** Every way in which devices of one function fail. */
export type FaultsOf = (device: Device, at: At) => readonly Fault[];

/** Of a part, by its tag or a sensor’s id, and what fails of it. */
export const faultId = (part: string, what: string): string => `${part}-${what}`;

export const kind = (perYear: number, cause: string, remedy: string): FaultKind => ({ perYear, cause, remedy });
