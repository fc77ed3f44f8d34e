import type { RodFloat } from '../../station';
import type { SensorKind } from './kind';

/** A float on a rod acts at its stops. */
export const rod: SensorKind<RodFloat> = {
  name: 'rod float',
  noun: 'float',
  trips: (float) => ({ rise: float.upperStop, fall: float.lowerStop }),
  moved: (float, by) => ({ ...float, upperStop: float.upperStop + by, lowerStop: float.lowerStop + by }),
  widened: (float, by) => ({ ...float, upperStop: float.upperStop + by }),
  setting: (float) => float.upperStop,
  extent: (float) => [float.lowerStop, float.upperStop],
  measures: (float) => [
    { field: 'upperStop', label: 'upper stop', of: 'height', value: float.upperStop },
    { field: 'lowerStop', label: 'lower stop', of: 'height', value: float.lowerStop },
  ],
  hand: {
    how: 'Hold the float at its lower stop, then slide it to the upper; listen for the click.',
    low: 'at the lower stop',
    high: 'at the upper stop',
  },
};
