import { traitsOf } from '../duties';
import { byHandTo, levelOf, type Setting, type World } from '../tests';

const OFF = 'by its selector, plug or breaker';

/**
 * How somebody brings the water where a card wants it, in words.
 * @param from null: nobody has said how it stands
 * @returns nothing where it stands there, or it does not matter
 */
export function bringing(world: World, from: Setting | null, to: Setting | null): string[] {
  if (to === null || to === 'dead' || from === to) return [];
  const { direction, timer } = traitsOf(world.station);
  const fills = direction === 'fill';
  if (byHandTo(world, to))
    return [
      `run it by hand, watched, ${fills ? 'up' : 'down'} to there, and off before it ${fills ? 'runs over' : 'draws air'}`,
    ];
  if (to === 'resting') return [fills ? 'let it fill to its stop' : 'let it be pumped down to its stop'];
  const [at, wanted] = [from && levelOf(world, from), levelOf(world, to)];
  // What pumps brings it back; what comes in, or is drawn, brings it on.
  const back = at !== null && wanted !== null && (fills ? at < wanted : at > wanted);
  const held = `each pump held off ${OFF} as the water comes there, then given back`;
  if (back) return [`let it be ${fills ? 'filled' : 'pumped down'}, ${held}`];
  const on = fills ? 'open a draw' : 'hose in';
  if (to !== 'called') return [`${on}, ${held}`];
  return [`${on} until the water stands at the start${timer ? ', and wait until the timer has rested' : ''}`];
}
