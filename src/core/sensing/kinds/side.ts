import type { SensorOf } from '../../station';
import type { SensorKind } from './kind';

/** A switch through the wall acts at one height and goes back as soon as the water is a little lower. */
export const side: SensorKind<SensorOf<'side'>> = {
  name: 'side-mount switch',
  noun: 'switch',
  trips: (s) => ({ rise: s.height, fall: s.height - s.differential }),
  moved: (s, by) => ({ ...s, height: s.height + by }),
  widened: () => null,
  setting: (s) => s.height,
  extent: (s) => [s.height - s.differential, s.height],
  measures: (s) => [{ field: 'height', label: 'switch', of: 'height', value: s.height }],
  hand: {
    how: 'Let its float hang, then lift it with a finger; listen for the click.',
    low: 'hanging',
    high: 'lifted',
  },
};
