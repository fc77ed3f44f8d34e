import { traitsOf } from '../../duties';
import type { Act } from '../act';
import { asIsolated } from '../catalogue/makeSafe';
import type { World } from '../world';

/** How a station stands while a fault is looked for: the water under every call, at the first call, over the alarm; or everything dead. */
export const SETTINGS = ['resting', 'called', 'high', 'dead'] as const;
export type Setting = (typeof SETTINGS)[number];

/** Room past a trip, m: nothing else lies in it. */
const JUST = 1e-6;

/** Where the water stands in a setting, m; null: it does not matter there, or this station has nothing that acts so high. */
export function levelOf({ station, levels }: World, setting: Setting): number | null {
  const fills = traitsOf(station).direction === 'fill';
  const { stop, lead, overflow, alarm, cutoff, peak, calls } = levels;
  switch (setting) {
    case 'resting':
      return fills ? stop + JUST : Math.max(0, stop - JUST);
    case 'called':
      return fills ? lead - JUST : lead + JUST;
    case 'high': {
      const trips = [peak, alarm, cutoff].flatMap((t) => t?.rise ?? []);
      const over = [...(fills ? [] : calls.slice(1)), ...trips].filter((l) => Number.isFinite(l) && l < overflow);
      return over.length === 0 ? null : Math.max(...over) + JUST;
    }
    case 'dead':
      return null;
  }
}

const made = new WeakMap<World, Map<Setting, readonly Act[]>>();

/** What brings a station at rest into a setting; the same list each time, so that what follows from it is worked out once. */
export function actsOf(world: World, setting: Setting): readonly Act[] {
  let of = made.get(world);
  if (!of) made.set(world, (of = new Map()));
  const found = of.get(setting);
  if (found) return found;
  const water = (s: Setting): Act[] => {
    const to = levelOf(world, s);
    return to === null ? [] : [{ kind: 'water', to }];
  };
  const acts: readonly Act[] =
    setting === 'dead'
      ? asIsolated(world)
      : [
          ...water('resting'),
          ...(setting === 'resting' ? [] : water('called')),
          ...(setting === 'high' ? water('high') : []),
          ...(setting === 'called' && traitsOf(world.station).timer ? [{ kind: 'wait' } as const] : []),
        ];
  of.set(setting, acts);
  return acts;
}
