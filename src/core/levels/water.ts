import type { LevelContext } from './context';
import type { MarkName } from '../sensors';

/** How much water brings the level from one mark to the next, for a test with a hose. */
export interface Raise {
  readonly to: MarkName;
  /** m above the floor */
  readonly level: number;
  /** From an empty vessel, m³. */
  readonly fromFloor: number;
  /** From the mark below, m³. */
  readonly fromBelow: number;
  /** The same from the mark below, with the test hose alone, s. */
  readonly byHose: number;
}

/** Water to bring the level up to each mark in turn, the pump at rest. */
export function waterToRaise({ station, vessel, marks }: LevelContext): Raise[] {
  let below = 0;
  return [...marks]
    .sort((a, b) => a.level - b.level)
    .map(({ name, level }) => {
      const fromFloor = vessel.volume(level);
      const fromBelow = fromFloor - below;
      below = fromFloor;
      return { to: name, level, fromFloor, fromBelow, byHose: fromBelow / station.settings.hoseFlow };
    });
}
