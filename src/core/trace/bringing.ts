import { traitsOf } from '../duties';
import {
  actsOf,
  atRest,
  byHandTo,
  isolatedAt,
  isSlow,
  levelOf,
  perform,
  resetsOnWay,
  type Height,
  type Setting,
  type World,
} from '../tests';

const HELD = 'each pump held off by its selector, plug or breaker as the water comes there, then given back';

/** How water is brought, in the words of a station that empties, and of one that fills. */
const WAYS = {
  empty: { toStop: 'pumped down', on: 'hose in', toHand: 'down to there, and off before it draws air' },
  fill: { toStop: 'filled', on: 'open a draw', toHand: 'up to there, and off before it runs over' },
} as const;

/** What is left to flow beside hose or draw where that alone takes long. */
const FLOWS = { empty: ', the inflow left on', fill: ', the usual use left on' } as const;

/** Whether pumps bring the water to a height from another, as it is drawn, hosed in or runs in the other way. */
function isPumped(world: World, from: Setting, to: Height): boolean {
  const [at, wanted] = [levelOf(world, from), levelOf(world, to)];
  if (at === null || wanted === null) return false;
  return traitsOf(world.station).direction === 'fill' ? at < wanted : at > wanted;
}

/** How somebody brings the water where a card wants it, in words. */
function byWater(world: World, from: Setting | null, to: Height): string[] {
  const { direction, timer } = traitsOf(world.station);
  const { toStop, on, toHand } = WAYS[direction];
  if (byHandTo(world, to)) return [`run it by hand, watched, ${toHand}`];
  if (to === 'resting') return [`let it be ${toStop} to its stop`];
  if (from !== null && isPumped(world, from, to)) return [`let it be ${toStop}, ${HELD}`];
  // The minutes of the card count on it.
  const too = isSlow(world, levelOf(world, from ?? 'resting') ?? 0, levelOf(world, to) ?? 0) ? FLOWS[direction] : '';
  if (to !== 'called') return [`${on}${too}, ${HELD}`];
  return [`${on}${too} until the water stands at the start${timer ? ', and wait until the timer has rested' : ''}`];
}

/** What is to be reset on the way: that an alarm latched, or that the power was away, does not go by itself. */
function resetsTo(world: World, from: Setting, to: Setting): string[] {
  const in_ = (setting: Setting) => actsOf(world, setting).reduce(perform, atRest(world));
  return resetsOnWay(from === 'dead' ? isolatedAt(world, actsOf(world, 'resting')) : in_(from), in_(to));
}

/**
 * How somebody brings a station where a card wants it, in words: the water brought, and what tripped or latched meanwhile reset.
 * @param from null: nobody has said how it stands
 * @returns nothing where it stands there, or it does not matter
 */
export const bringing = (world: World, from: Setting | null, to: Setting | null): string[] =>
  to === null || to === 'dead' || from === to
    ? []
    : [...byWater(world, from, to), ...(from === null ? [] : resetsTo(world, from, to))];
