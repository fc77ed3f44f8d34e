import { wayOf } from '../duties';
import { actsOn, markWords } from '../levels';
import type { SensorRole } from '../sensors';
import type { Station } from '../station';
import type { Setting } from '../tests';

/** Several names as one: “a, b and c”. */
const and = (names: readonly string[]): string =>
  names.length < 2 ? names.join('') : `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`;

/** How a station stands in each setting, in words: by which way its pumps move the water. */
export function settingWords({ duty, sensors }: Pick<Station, 'duty' | 'sensors'>): Readonly<Record<Setting, string>> {
  const way = wayOf({ duty });
  const at = (role: Exclude<SensorRole, 'pump'>) =>
    actsOn(role, way) === 'fall'
      ? `the water under the ${markWords(role, duty)}${role === 'low' ? '' : ' and no lower'}`
      : `the water at the ${markWords(role, duty)} and no higher`;
  const further = (['peak', 'alarm', 'cutoff'] as const).filter((r) => sensors.some((s) => s.role === r));
  const over = and(['every call', ...further.map((r) => `the ${markWords(r, duty)}`)]);
  return {
    low: at('low'),
    lag: at('lag'),
    lag2: at('lag2'),
    peak: at('peak'),
    alarm: at('alarm'),
    cutoff: at('cutoff'),
    dead: 'isolated, locked, proved dead',
    ...(way.direction === 'fill'
      ? {
          resting: 'the water at the stop, nothing called',
          called: 'the water under the start',
          high: 'the water over everything that stops and rings',
        }
      : {
          resting: 'the water under every call',
          called: 'the water at the first call',
          high: `the water over ${over}`,
        }),
  };
}
