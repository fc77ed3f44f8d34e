import { kindOf, type Sensor, type Surrounds, type Trips } from '../sensors';

/** Trip levels of a sensor. */
export const tripsOf = (sensor: Sensor, surrounds: Surrounds): Trips => kindOf(sensor).trips(sensor, surrounds);

/** True while the contact is closed, `risen` telling whether the sensor last acted on the rise. */
export const contactClosed = (sensor: Sensor, risen: boolean): boolean =>
  risen === (sensor.contact === 'closes-on-rise');

/** Whether a sensor has acted at `level`; between its trips it keeps `before`. */
export function hasRisen({ rise, fall }: Trips, level: number, before: boolean): boolean {
  if (level >= rise) return true;
  return level <= fall ? false : before;
}
