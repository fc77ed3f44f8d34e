import type { RodFloat, Sensor, TiltFloat } from '../station';

/** The two levels at which a sensor acts, m above the floor. Rise is above fall for every sensor. */
export interface Trips {
  /** Where it acts as the water comes up. */
  readonly rise: number;
  /** Where it goes back as the water goes down. */
  readonly fall: number;
}

const sinDeg = (degrees: number) => Math.sin((degrees * Math.PI) / 180);

/** From the clip to the middle of the body, m: the arm that the float turns on. */
export const armOf = (float: TiltFloat): number => float.tether + float.body / 2;

function tiltTrips(float: TiltFloat): Trips {
  if (float.measured) return { rise: float.clip + float.measured.above, fall: float.clip - float.measured.below };
  const arm = armOf(float);
  return { rise: float.clip + arm * sinDeg(float.riseDeg), fall: float.clip - arm * sinDeg(float.fallDeg) };
}

const rodTrips = (float: RodFloat): Trips => ({ rise: float.upperStop, fall: float.lowerStop });

/**
 * Trip levels of a sensor. A tilt float turns about its clip with its body's middle at the surface: it acts where its arm
 * stands at its rise angle above level and at its fall angle below, so rise = z + (L + b/2)·sin θr and
 * fall = z − (L + b/2)·sin θf; a measured range overrides this. A rod float acts at its stops.
 */
export function tripsOf(sensor: Sensor): Trips {
  switch (sensor.kind) {
    case 'tilt':
      return tiltTrips(sensor);
    case 'rod':
      return rodTrips(sensor);
  }
}

/** True while the contact is closed, with the water at `level`, `risen` telling whether it last acted on the rise. */
export const contactClosed = (sensor: Sensor, risen: boolean): boolean => risen === (sensor.contact === 'closes-on-rise');

/** Whether the sensor has acted at `level`; between its trips it keeps `before`. */
export function hasRisen(sensor: Sensor, level: number, before: boolean): boolean {
  const { rise, fall } = tripsOf(sensor);
  if (level >= rise) return true;
  return level <= fall ? false : before;
}
