import { wayOf } from '../duties';
import { actsOn } from '../levels';
import type { SensorRole } from '../sensors';
import type { World } from './world';

/** Room past a trip, m: nothing else lies in it. */
export const JUST = 1e-6;

/** Something that acts beside stop and start, and where the water stands when it has, m. */
export interface Further {
  readonly name: Extract<SensorRole, 'low' | 'lag' | 'lag2' | 'peak' | 'alarm' | 'cutoff'>;
  readonly level: number;
  /** The device that the water works there. */
  readonly device: string;
}

/** Everything that acts beside stop and start, from the floor up. What hangs there and is in no circuit of the panel does not act. */
export function furtherOf({ station, levels: { marks, overflow }, panel }: World): Further[] {
  const way = wayOf(station);
  return marks.flatMap(({ name, level, sensor }): Further[] => {
    if (name === 'stop' || name === 'lead' || name === 'overflow') return [];
    const at = actsOn(name, way) === 'fall' ? level - JUST : level + JUST;
    const device = panel?.devices.find((d) => d.sensor === sensor)?.tag;
    return device !== undefined && at > 0 && at < overflow ? [{ name, level: at, device }] : [];
  });
}
