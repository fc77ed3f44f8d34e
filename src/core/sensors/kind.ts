import type { Shape } from '../drawing';
import type { Fields } from '../form';
import type { SettingName, Settings } from '../settings';
import type { Phrase, Quantity, UnitSystem } from '../units';
import type { SensorCommon, SensorWith } from './common';
import type { Drawn } from './drawn';

/** The two levels at which a sensor acts, m above the floor. Rise is above fall for every sensor. */
export interface Trips {
  /** Where it acts as the water comes up. */
  readonly rise: number;
  /** Where it goes back as the water goes down. */
  readonly fall: number;
}

/** What a trip level depends on beside the sensor itself. */
export interface Surrounds {
  /** Water, kg/m³. */
  readonly density: number;
  /** Air in the pit, Pa. */
  readonly airPressure: number;
}

/** One thing that is set or checked with a tape: a height above the floor, or a length of its own. */
export interface Measure {
  /** Field of the document. */
  readonly field: string;
  readonly label: string;
  /** `height`: above the floor, and so also rim down; `length`: between two points of the sensor. */
  readonly of: 'height' | 'length';
  readonly value: number;
}

/** The vessel round a sensor, as far as its reach asks. m */
export interface Room extends Surrounds {
  readonly depth: number;
  readonly minimumTether: number;
  widthAt(height: number): number;
}

/** One thing that a sensor must satisfy to act at both its trips where it is set. */
export interface Need {
  readonly sense: 'at-least' | 'at-most';
  readonly needs: Quantity;
  readonly has: Quantity;
  /** What slack is measured against, in the same units; the need itself when left out. */
  readonly scale?: number;
  readonly why: Phrase;
}

/** Something upright that a sensor puts in the way of others, at its clip point. m */
export interface Standing {
  readonly name: string;
  readonly diameter: number;
  readonly from: number;
  readonly to: number;
}

/** A body that swings on an arm about its clip. m */
export interface Swinging {
  readonly clip: number;
  readonly tether: number;
  readonly body: number;
  readonly thickness: number;
}

/** What a new sensor is set to: trips wanted, and what a tape can set. */
export interface Wanted extends Trips {
  readonly common: SensorCommon;
  readonly depth: number;
  /** One mark of the tape, m. */
  readonly step: number;
  readonly system: UnitSystem;
  readonly surrounds: Surrounds;
  /** The nearest height that a tape can set, not below the floor. */
  tape(height: number): number;
}

/** Marks of the tape that a range is looked for on. m */
export interface Reach {
  readonly depth: number;
  /** Across the vessel where it is widest. */
  readonly widest: number;
  readonly step: number;
  marks(from: number, to: number): readonly number[];
}

/** Ways in which a sensor can fail; how each acts and is mended is said in the catalogue of faults. */
export type SensorFault =
  | 'stuck-up'
  | 'stuck-down'
  | 'tangled'
  | 'waterlogged'
  | 'slipped'
  | 'deposit'
  | 'cord-cut'
  | 'welded'
  | 'leaking'
  | 'upside-down'
  | 'tube-leak'
  | 'breather';

/**
 * One kind of sensor: its fields in the document, its words, how it acts, is set, moved, drawn and worked by hand, what it must satisfy and
 * how it fails. All of the program asks here what depends on the kind; a kind more is a file like this and its name in the table.
 */
export interface SensorKind<S extends SensorCommon, K extends string = string, F extends Fields = Fields> {
  readonly kind: K;
  readonly fields: F;
  /** `tilt float`, as a person says it. */
  readonly name: string;
  /** What one of it is called after its role, as in `lag float`. */
  readonly noun: string;
  /** As one picks it: `tilts on a tether`. */
  readonly picks: string;
  /** What leads from it: a cord with its contact, or a tube. */
  readonly lead: 'cord' | 'tube';
  /** Where its contact is: in the pit at the end of its cord, or in the panel. */
  readonly switchIn: 'pit' | 'panel';
  /** Why its contact can carry no motor, as `a transmitter is no float on a cord`; null where it can. */
  readonly noMotor: string | null;
  readonly cost: 1 | 2 | 3;
  readonly faults: readonly SensorFault[];
  /** Settings that its trips depend on, to be set where it is surveyed. */
  readonly settings?: readonly SettingName[];
  /** What is to be known of it where it is surveyed. */
  note?(sensor: S, settings: Settings, surrounds: Surrounds): Phrase;
  /** What contradicts itself in it, in a vessel so deep: field and sentence. */
  contradictions(sensor: S, depth: number): readonly (readonly [field: string, sentence: Phrase])[];
  trips(sensor: S, surrounds: Surrounds): Trips;
  /** Moved up by `by` m, whole. */
  moved(sensor: S, by: number): S;
  /** Range widened by `by` m at its upper end, or by a longer tether; null when this kind has a fixed range. */
  widened(sensor: S, by: number): S | null;
  /** Whether it can be at all, in a vessel so deep, with so much between its trips at least. */
  possible(sensor: S, depth: number, surrounds: Surrounds, least: number): boolean;
  /** Field of the measure by which its range is widened. */
  readonly range: string;
  /** The height by which it is set with a tape, m. */
  setting(sensor: S): number;
  /** Lowest and highest point that is fixed to the pit: both stay between floor and rim. */
  extent(sensor: S): readonly [low: number, high: number];
  /** What is set with a tape, the setting first. */
  measures(sensor: S): readonly Measure[];
  /** Whether its trips were measured, not worked out. */
  measured?(sensor: S): boolean;
  /** Where its cord or tube begins, m above the floor, and what of it is used up by itself. */
  cord(sensor: S): { readonly from: number; readonly own: number };
  /** All that it must satisfy to act. @param called what it is called, as `lag float` */
  reach(sensor: S, called: string, room: Room): readonly Need[];
  standing(sensor: S): readonly Standing[];
  /** How it swings; null for what does not. */
  swings(sensor: S): Swinging | null;
  /** Where it is clipped to its pole or bracket, m above the floor; null where it is not. */
  clipped(sensor: S): number | null;
  /** A sensor of this kind that acts at these trips, as near as a tape can set it. */
  hung(wanted: Wanted): S;
  /** Every range that a tape can give it, the sensor otherwise as it is. */
  ranges(sensor: S, reach: Reach): readonly S[];
  /** What a part of its fields that need not be there begins as. */
  readonly begins?: Readonly<Record<string, (sensor: S, surrounds: Surrounds) => unknown>>;
  draw(drawn: Drawn<S>): Shape[];
  /** With a pressure trapped behind its switch, Pa; only where it compares with the air of the pit. */
  trapped?(sensor: S, pascals: number): S;
  /** How it is worked in the hand: what to do, and the names of its two ends. */
  readonly hand: {
    readonly how: string;
    readonly low: string;
    readonly high: string;
    /** Whether a rod lifts it where it hangs, as if the water had risen to it. */
    readonly lifts: boolean;
    /** How it is worked from outside where it hangs, as if the water were gone from it; null: it cannot be. */
    readonly lowered: string | null;
  };
}

/** A kind with its fields: what a sensor of it has follows from them. */
export const sensorKind = <K extends string, F extends Fields>(
  kind: K,
  fields: F,
  rest: Omit<SensorKind<SensorWith<K, F>, K, F>, 'kind' | 'fields'>,
): SensorKind<SensorWith<K, F>, K, F> => ({ kind, fields, ...rest });

/** At most so high up. */
export const under = (has: Quantity, needs: number, scale: number, why: Phrase): Need => ({
  sense: 'at-most',
  needs: { format: has.format, value: needs },
  has,
  scale,
  why,
});

/** At least so high up. */
export const over = (has: Quantity, needs: number, scale: number, why: Phrase): Need => ({
  sense: 'at-least',
  needs: { format: has.format, value: needs },
  has,
  scale,
  why,
});
