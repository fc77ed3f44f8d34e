import type { Sensor, SensorOf } from '../../station';

/** The two levels at which a sensor acts, m above the floor. Rise is above fall for every sensor. */
export interface Trips {
  /** Where it acts as the water comes up. */
  readonly rise: number;
  /** Where it goes back as the water goes down. */
  readonly fall: number;
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

/** How one kind of sensor is set, moved and worked by hand. What all of the program asks of a sensor by its kind is asked here. */
export interface SensorKind<S extends Sensor> {
  /** `tilt float`, as a person says it. */
  readonly name: string;
  /** What one of it is called after its role, as in `lag float`. */
  readonly noun: string;
  trips(sensor: S, world: World): Trips;
  /** Moved up by `by` m, whole. */
  moved(sensor: S, by: number): S;
  /** Range widened by `by` m at its upper end, or by a longer tether; null when this kind has a fixed range. */
  widened(sensor: S, by: number): S | null;
  /** The height by which it is set with a tape, m. */
  setting(sensor: S): number;
  /** Lowest and highest point that is fixed to the pit: both stay between floor and rim. */
  extent(sensor: S): readonly [low: number, high: number];
  /** What is set with a tape, the setting first. */
  measures(sensor: S): readonly Measure[];
  /** How it is worked in the hand: what to do, and the names of its two ends. */
  readonly hand: { readonly how: string; readonly low: string; readonly high: string };
}

/** What a trip level depends on beside the sensor itself. */
export interface World {
  /** Water, kg/m³. */
  readonly density: number;
  /** Air in the pit, Pa. */
  readonly airPressure: number;
}

export type KindTable = { readonly [K in Sensor['kind']]: SensorKind<SensorOf<K>> };
