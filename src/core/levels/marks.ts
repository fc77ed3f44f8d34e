import type { Station } from '../station';
import { traitsOf, type Duty, type Way } from '../duties';
import { ROLE, type MarkName, type SensorRole, type Trips } from '../sensors';

/** One level that must stand in its place among the others. */
export interface Mark {
  readonly name: MarkName;
  /** m above the floor */
  readonly level: number;
  /** The sensor that acts there; null for what is built in. */
  readonly sensor: string | null;
}

/** Where each role acts that is fitted: the levels that the marks are made of. */
export interface Acting {
  readonly stop: number;
  readonly lead: number;
  /** The sensor that stops the pump, and the one that starts it; one float may do both. */
  readonly stopBy: string;
  readonly leadBy: string;
  readonly others: Readonly<
    Partial<Record<'low' | 'peak' | 'lag' | 'lag2' | 'alarm' | 'cutoff', Trips & { readonly sensor: string }>>
  >;
}

/** Every level that is fitted, in the order in which they must stand from the floor up: those of the roles, and the overflow over them. */
export function marksOf({ stop, lead, stopBy, leadBy, others }: Acting, overflow: number, way: Way): Mark[] {
  const marks = way.order.flatMap((name): Mark[] => {
    switch (name) {
      case 'pump':
        return [];
      case 'stop':
        return [{ name, level: stop, sensor: stopBy }];
      case 'lead':
        return [{ name, level: lead, sensor: leadBy }];
      default: {
        const trips = others[name];
        return trips ? [{ name, level: trips[actsOn(name, way)], sensor: trips.sensor }] : [];
      }
    }
  });
  return [...marks, { name: 'overflow', level: overflow, sensor: null }];
}

/** On which side of the water's move a further float acts: a low level as the water falls, one that calls a pump where pumps are called, all else as it rises. */
export const actsOn = (role: SensorRole, way: Way): 'rise' | 'fall' =>
  role === 'low' ? 'fall' : ROLE[role].calls === null ? 'rise' : way.calls;

/** What the levels are called everywhere, unless the duty has a word of its own. */
const WORDS: Readonly<Record<MarkName | 'inlet', string>> = {
  inlet: 'inlet',
  low: 'redundant off',
  stop: 'stop',
  lead: 'start',
  peak: 'peak',
  lag: 'lag',
  lag2: 'second lag',
  alarm: 'alarm',
  cutoff: 'cut-off',
  overflow: 'overflow',
};

/** What happens at a level, unless the duty says something else. @param pumps how many there are */
const actsAt = (name: MarkName, pumps: number): string =>
  ({
    overflow: 'water leaves where it should not',
    cutoff: 'what makes the water is stopped',
    alarm: 'the alarm acts',
    lag: 'a second pump starts',
    lag2: 'a third pump starts',
    peak: 'the timer rests less',
    lead: 'pump starts',
    stop: pumps > 1 ? 'every pump stops' : 'pump stops',
    low: 'everything off, whatever else says',
  })[name];

/** What happens at a mark of a station, in a few words. */
export const markActs = (name: MarkName, { duty, pumps }: Pick<Station, 'duty' | 'pumps'>): string =>
  traitsOf({ duty }).words.acts[name] ?? actsAt(name, pumps.length);

/** What a mark is called on the drawing and in the lists of a station. */
export const markWords = (name: MarkName | 'inlet', duty: Duty): string =>
  traitsOf({ duty }).words.marks[name] ?? WORDS[name];
