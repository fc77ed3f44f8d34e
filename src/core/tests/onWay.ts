import type { Act } from './act';
import { isolationOf } from './isolation';
import { perform } from './perform';
import { resetsIn, sayAct } from './resets';
import { atRest, runningIn, type Scene } from './scene';
import { undone } from './standing';
import type { World } from './world';

/** A station with water in it that was isolated: its floats stand where the water has them. */
export const isolatedAt = (world: World, acts: readonly Act[]): Scene =>
  [...acts, ...(isolationOf(world)?.acts ?? [])].reduce(perform, atRest(world));

/**
 * What a hand must reset to come from one state of a sound station to another, in words: what tripped or latched in the first, or as the power
 * comes back, and does not stand so in the other. Nothing where the other has no water to hold floats.
 */
export function resetsOnWay(from: Scene, to: Scene): string[] {
  if (to.level === null || !to.world.panel) return [];
  const arrived = perform(undone(from).reduce(perform, from), { kind: 'water', to: to.level });
  const own = resetsIn(to).map((a) => sayAct(to.world, a));
  const before = runningIn(arrived);
  return resetsIn(arrived).flatMap((act) => {
    const says = sayAct(to.world, act);
    const starts = runningIn(perform(arrived, act)).some((n) => !before.includes(n));
    return own.includes(says) ? [] : [starts ? `${says}, nobody at the pump: it starts with it` : says];
  });
}
