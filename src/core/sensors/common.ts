import type { Fields, ValuesOf } from '../form';
import type { SensorRole } from './roles';

/** Where a sensor is fixed, in plan: on the common pole, or by itself. Bearings in degrees, offsets in m. */
export type Place =
  { from: 'pole'; bearing: number; offset: number } | { from: 'axis'; bearing: number; offset: number; facing: number };

/** What a sensor has whatever its kind. */
export interface SensorCommon {
  id: string;
  role: SensorRole;
  /** motor: the contact carries the motor; control: pilot duty only. */
  duty: 'motor' | 'control';
  contact: 'closes-on-rise' | 'opens-on-rise';
  changeover: boolean;
  /** A */
  contactRating: number;
  /** Cord or tube from the sensor to its end, m. */
  cordLength: number;
  place: Place;
}

/** A sensor of a kind with its own fields. */
export type SensorWith<K extends string, F extends Fields> = SensorCommon & { kind: K } & ValuesOf<F>;

/** The way a sensor looks or its tether leads, degrees clockwise from the mark on the rim. */
export const facingOf = ({ place }: Pick<SensorCommon, 'place'>): number =>
  place.from === 'axis' ? place.facing : place.bearing;
