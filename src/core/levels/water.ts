import type { LevelContext } from './context';

/** How much water brings the level from one mark to the next, for a test with a hose. */
export interface Raise {
  readonly to: 'stop' | 'lead' | 'alarm' | 'overflow';
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
export function waterToRaise({ station, vessel, stop, lead, alarm, overflow }: LevelContext): Raise[] {
  const marks: Pick<Raise, 'to' | 'level'>[] = [
    { to: 'stop', level: stop },
    { to: 'lead', level: lead },
    ...(alarm ? [{ to: 'alarm' as const, level: alarm.rise }] : []),
    { to: 'overflow', level: overflow },
  ];
  let below = 0;
  return marks.map(({ to, level }) => {
    const fromFloor = vessel.volume(level);
    const fromBelow = fromFloor - below;
    below = fromFloor;
    return { to, level, fromFloor, fromBelow, byHose: fromBelow / station.settings.hoseFlow };
  });
}
