import type { Station } from '../station';
import type { Trips } from '../sensing';

/** The levels at which something acts, by name. */
export type MarkName = 'low' | 'stop' | 'lead' | 'peak' | 'lag' | 'lag2' | 'alarm' | 'cutoff' | 'overflow';

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

/** The order in which the levels must stand, from the floor up. What is being filled starts low and stops high. */
const EMPTYING: readonly MarkName[] = ['low', 'stop', 'lead', 'peak', 'lag', 'lag2', 'alarm', 'cutoff', 'overflow'];
const FILLING: readonly MarkName[] = ['low', 'lag2', 'lag', 'lead', 'stop', 'alarm', 'overflow'];

/** On which side of the water's move each acts: a low level as the water falls, pumps that fill likewise, all else as it rises. */
const fallingIn = (name: MarkName, filling: boolean): boolean =>
  name === 'low' || (filling && (name === 'lag' || name === 'lag2'));

/** Every level that is fitted, in the order in which they must stand from the floor up. */
export function marksOf(
  { stop, lead, stopBy, leadBy, others }: Acting,
  overflow: number,
  duty: Station['duty']['kind'],
): Mark[] {
  const filling = duty === 'fill';
  return (filling ? FILLING : EMPTYING).flatMap((name): Mark[] => {
    switch (name) {
      case 'stop':
        return [{ name, level: stop, sensor: stopBy }];
      case 'lead':
        return [{ name, level: lead, sensor: leadBy }];
      case 'overflow':
        return [{ name, level: overflow, sensor: null }];
      default: {
        const trips = others[name];
        return trips ? [{ name, level: fallingIn(name, filling) ? trips.fall : trips.rise, sensor: trips.sensor }] : [];
      }
    }
  });
}

/** What a mark is called on the drawing and in the lists of a station. */
export function markWords(name: MarkName | 'inlet', duty: Station['duty']): string {
  const timed = duty.kind === 'dose' && duty.mode === 'timed';
  const words: Readonly<Record<MarkName | 'inlet', string>> = {
    inlet: duty.kind === 'fill' ? 'fill pipe' : 'inlet',
    low: duty.kind === 'fill' ? 'low alarm' : 'redundant off',
    stop: timed ? 'timer off' : 'stop',
    lead: timed ? 'timer on' : duty.kind === 'transfer' ? 'restart' : 'start',
    peak: 'peak',
    lag: 'lag',
    lag2: 'second lag',
    alarm: 'bell',
    cutoff: 'cut-off',
    overflow: 'overflow',
  };
  return words[name];
}
