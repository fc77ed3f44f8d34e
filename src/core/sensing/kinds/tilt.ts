import type { TiltFloat } from '../../station';
import type { SensorKind } from './kind';

const sinDeg = (degrees: number) => Math.sin((degrees * Math.PI) / 180);

/** From the clip to the middle of the body, m: the arm that the float turns on. */
export const armOf = (float: Pick<TiltFloat, 'tether' | 'body'>): number => float.tether + float.body / 2;

/**
 * A tilt float turns about its clip with its body's middle at the surface: it acts where its arm stands at its rise angle above
 * level and at its fall angle below, so rise = z + (L + b/2)·sin θr and fall = z − (L + b/2)·sin θf; a measured
 * range overrides this.
 */
export const tilt: SensorKind<TiltFloat> = {
  name: 'tilt float',
  noun: 'float',
  trips(float) {
    if (float.measured) return { rise: float.clip + float.measured.above, fall: float.clip - float.measured.below };
    return {
      rise: float.clip + armOf(float) * sinDeg(float.riseDeg),
      fall: float.clip - armOf(float) * sinDeg(float.fallDeg),
    };
  },
  moved: (float, by) => ({ ...float, clip: float.clip + by }),
  /** A range that was measured was true of another tether, and is given up. */
  widened: (float, by) => ({ ...float, tether: float.tether + by, measured: null }),
  setting: (float) => float.clip,
  extent: (float) => [float.clip, float.clip],
  measures: (float) => [
    { field: 'clip', label: float.weight ? 'weight' : 'clip', of: 'height', value: float.clip },
    { field: 'tether', label: 'tether', of: 'length', value: float.tether },
  ],
  hand: {
    how: 'Hold the float hanging, then tip it up past level; listen for the click.',
    low: 'hanging',
    high: 'tipped up',
  },
};
