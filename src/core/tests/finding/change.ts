import { traitsOf } from '../../duties';
import { ISOLATING } from '../catalogue/makeSafe';
import { minutesOf, runTime, waitFor } from '../catalogue/water';
import { perform } from '../perform';
import { atRest } from '../scene';
import type { World } from '../world';
import { actsOf, heightsOf, levelOf, type Setting } from './setting';

/** Minutes to take the locks off and give the supply back. */
export const GIVING_BACK = 3;

/** The water of a setting; while all is off it stands where the pumps last left it. */
const waterIn = (world: World, setting: Setting): number =>
  levelOf(world, setting === 'dead' ? 'resting' : setting) ?? levelOf(world, 'called')!;

/** Minutes for the water from one level to another: pumps take it their way, hose, inflow or an open draw the other. */
function minutesOfWater(world: World, from: number, to: number): number {
  if (from === to) return 0;
  const pumped = to > from === (traitsOf(world.station).direction === 'fill');
  return Math.max(1, minutesOf((pumped ? runTime : waitFor)(world, from, to), 0));
}

/** Minutes from one setting into another. */
function minutesFrom(world: World, from: Setting, to: Setting): number {
  if (from === to) return 0;
  if (to === 'dead') return ISOLATING;
  // A pump that a timer calls rests first.
  const rest = to === 'called' ? actsOf(world, to).reduce(perform, atRest(world)).waited : 0;
  return (
    (from === 'dead' ? GIVING_BACK : 0) +
    minutesOfWater(world, waterIn(world, from), waterIn(world, to)) +
    Math.ceil(rest / 60)
  );
}

const known = new WeakMap<World, Map<string, number>>();

/**
 * Minutes that it takes to bring a station from one setting into another, asked of its water, its pump and its timers: isolating and proving
 * dead, giving back, filling by hose and pumping down. Whole minutes.
 * @param world of the station as it should be
 * @param from null: nobody has said how it stands, and it is the longest
 * @param to null: it does not matter
 */
export function minutesBetween(world: World, from: Setting | null, to: Setting | null): number {
  if (to === null) return 0;
  // Supplies are on where nobody has said otherwise.
  if (from === null) return Math.max(...[...heightsOf(world).keys()].map((s) => minutesBetween(world, s, to)));
  const changes = known.get(world) ?? new Map<string, number>();
  known.set(world, changes);
  const key = `${from} ${to}`;
  const minutes = changes.get(key) ?? minutesFrom(world, from, to);
  changes.set(key, minutes);
  return minutes;
}
