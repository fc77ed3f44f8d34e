import type { Netlist } from '../circuit';
import type { Device, Panel } from '../schemes';
import type { Station } from '../station';
import type { Quantity } from '../units';

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
  /** What is held is held by what is round it: taken out, in the hand, it moves. */
  readonly freeInHand?: true;
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
  /** What is seen of a part that is taken into the hand, opened or gone to, by what that part is called; null: now this, now that. */
  readonly seen?: Readonly<Record<string, string | null>>;
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
  /** To mend it a housing is opened or a part is bought: one is surer before that is done than before a switch is turned. */
  readonly buys: boolean;
  /** It comes with age and use: the further a part has gone of its life, the likelier. */
  readonly wears: boolean;
  /** Of one that comes in more than one size: this size, and the same fault in its others. */
  readonly size?: { readonly is: Quantity; readonly others: readonly Fault[] };
}

/** The circumstances in which a kind of fault comes and goes, and how often: said once for all parts that have it. */
export interface FaultKind {
  readonly cause: string;
  readonly remedy: string;
  readonly perYear: number;
  readonly buys: boolean;
  readonly wears: boolean;
}

/** Where a device stands when it is asked how it can fail. */
export interface At {
  readonly station: Station;
  readonly panel: Panel;
}

/** Every way in which devices of one function fail. */
export type FaultsOf = (device: Device, at: At) => readonly Fault[];

/** What the display of a drive says. */
export const DISPLAY = {
  dark: 'dark',
  fault: 'in fault',
  ready: 'ready: it waits to be told to run',
  runs: 'running',
} as const;

/** What is looked at, and what of it tells its fault: a float or a drive by its tag; the impeller and the check valve of a pump, from 1; where the line ends. */
export const LOOKED_AT = {
  impeller: (n: number) => `impeller-${n}`,
  check: (n: number) => `check-${n}`,
  outlet: 'outlet',
} as const;

/** Of a part, by its tag or a sensor’s id, and what fails of it. */
export const faultId = (part: string, what: string): string => `${part}-${what}`;

/** @param mends `part`: a housing is opened or something is bought; `worn`: the same, of what age and use bring; `hand`: what was moved is put back, cleaned, set or reset */
export const kind = (
  perYear: number,
  cause: string,
  remedy: string,
  mends: 'part' | 'worn' | 'hand' = 'hand',
): FaultKind => ({
  perYear,
  cause,
  remedy,
  buys: mends !== 'hand',
  wears: mends === 'worn',
});

/**
 * A fault that comes in several sizes: the middle one, which is the fault of the catalogue, and the others that are as likely.
 * @param make of a size, with what its name ends in
 */
export function inSizes(
  of: (size: number) => Quantity,
  usual: number,
  others: readonly number[],
  make: (size: number, ending: string) => Fault,
): Fault {
  const sized = (size: number, ending: string): Fault => {
    const made = make(size, ending);
    return { ...made, size: { is: of(size), others: [] } };
  };
  const first = sized(usual, '');
  return { ...first, size: { is: of(usual), others: others.map((s, i) => sized(s, `-size-${i + 1}`)) } };
}
