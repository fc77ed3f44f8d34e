import { traitsOf } from '../duties';
import type { Station } from '../station';
import type { Setting } from '../tests';

/** How a station stands in each setting, in words: by which way its pumps move the water. */
export function settingWords({ duty, sensors }: Pick<Station, 'duty' | 'sensors'>): Readonly<Record<Setting, string>> {
  const dead = 'isolated, locked, proved dead';
  return traitsOf({ duty }).direction === 'fill'
    ? {
        resting: 'the water at the stop, nothing called',
        called: 'the water under the start',
        high: 'the water over everything that stops and rings',
        dead,
      }
    : {
        resting: 'the water under every call',
        called: 'the water at the first call',
        high: `the water over every call${sensors.some((x) => x.role === 'alarm') ? ' and the alarm' : ''}`,
        dead,
      };
}
