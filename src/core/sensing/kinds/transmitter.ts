import type { SensorOf } from '../../station';
import type { SensorKind } from './kind';

/** A transmitter tells the level; the controller acts at its two thresholds. */
export const transmitter: SensorKind<SensorOf<'transmitter'>> = {
  name: 'level transmitter',
  noun: 'transmitter',
  trips: (s) => ({ rise: s.on, fall: s.off }),
  moved: (s, by) => ({ ...s, on: s.on + by, off: s.off + by }),
  widened: (s, by) => ({ ...s, on: s.on + by }),
  setting: (s) => s.on,
  extent: (s) => [s.off, s.on],
  measures: (s) => [
    { field: 'on', label: 'threshold on', of: 'height', value: s.on },
    { field: 'off', label: 'threshold off', of: 'height', value: s.off },
    { field: 'zero', label: 'transmitter', of: 'height', value: s.zero },
  ],
  hand: {
    how: 'Lower it into a bucket of water to a known depth, then lift it out; watch the reading and the output.',
    low: 'in the air',
    high: 'under water',
  },
};
