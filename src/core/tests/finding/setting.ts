import { traitsOf } from '../../duties';
import type { Act } from '../act';
import { asIsolated } from '../catalogue/makeSafe';
import { madeFirst } from '../first';
import { furtherOf, JUST } from '../further';
import type { World } from '../world';

/**
 * How a station stands while a fault is looked for: the water under every call, at the first call, over everything that acts; between them at
 * each further thing that acts, and at nothing beyond it; or everything dead.
 */
export const SETTINGS = ['low', 'resting', 'called', 'lag', 'lag2', 'peak', 'alarm', 'cutoff', 'high', 'dead'] as const;
export type Setting = (typeof SETTINGS)[number];
/** Where the water stands. */
export type Height = Exclude<Setting, 'dead'>;

/** Levels nearer than this are one to anybody who looks, m. */
const ALIKE = 1e-3;

const known = new WeakMap<World, ReadonlyMap<Height, number>>();

/** The heights at which water can stand for something else to have acted, from the floor up, m. A height that this station does not have is not among them. */
export function heightsOf(world: World): ReadonlyMap<Height, number> {
  const found = known.get(world);
  if (found) return found;
  const fills = traitsOf(world.station).direction === 'fill';
  const { stop, lead, overflow, alarm, cutoff, peak, calls } = world.levels;
  const trips = [peak, alarm, cutoff].flatMap((t) => t?.rise ?? []);
  const over = [...(fills ? [] : calls.slice(1)), ...trips].filter((l) => Number.isFinite(l) && l < overflow);
  const own: [Height, number][] = [
    ['resting', fills ? stop + JUST : Math.max(0, stop - JUST)],
    ['called', fills ? lead - JUST : lead + JUST],
    ...(over.length > 0 ? [['high', Math.max(...over) + JUST] as [Height, number]] : []),
  ];
  for (const { name, level } of furtherOf(world))
    if (!own.some(([, l]) => Math.abs(l - level) < ALIKE)) own.push([name, level]);
  const made = new Map(own.sort((a, b) => a[1] - b[1]));
  known.set(world, made);
  return made;
}

/** Whether water comes to a setting by a hand alone: under what stops a pump that empties, over what stops one that fills. */
export const byHandTo = ({ station }: World, setting: Setting): boolean =>
  traitsOf(station).direction === 'fill'
    ? setting === 'high' || setting === 'peak' || setting === 'alarm' || setting === 'cutoff'
    : setting === 'low';

/** Where the water stands in a setting, m; null: it does not matter there, or this station has nothing that acts there. */
export const levelOf = (world: World, setting: Setting): number | null =>
  setting === 'dead' ? null : (heightsOf(world).get(setting) ?? null);

/** Whether water comes to a height from rest without a call. */
function uncalled(world: World, height: Height): boolean {
  const at = (h: Height) => levelOf(world, h) ?? 0;
  const [rest, called, level] = [at('resting'), at('called'), at(height)];
  return traitsOf(world.station).direction === 'fill' ? level > called && level <= rest : level < called;
}

const ways = new WeakMap<World, Map<string, readonly Act[]>>();

/**
 * What brings a station at rest into a setting; the same list each time, so that what follows from it is worked out once.
 * @param first the pump, from 1, that is made the first there; null: the toggle is left as it is
 */
export function actsOf(world: World, setting: Setting, first: number | null = null): readonly Act[] {
  let of = ways.get(world);
  if (!of) ways.set(world, (of = new Map()));
  const turned = first === null ? [] : madeFirst(world, first);
  const key = turned.length === 0 ? setting : `${setting} ${first}`;
  const found =
    of.get(key) ?? (turned.length === 0 ? bringing(world, setting) : [...actsOf(world, setting), ...turned]);
  of.set(key, found);
  return found;
}

function bringing(world: World, setting: Setting): readonly Act[] {
  const water = (s: Setting): Act[] => {
    const to = levelOf(world, s);
    return to === null ? [] : [{ kind: 'water', to }];
  };
  return setting === 'dead'
    ? asIsolated(world)
    : [
        ...water('resting'),
        ...(uncalled(world, setting) ? [] : water('called')),
        ...(setting === 'resting' || setting === 'called' ? [] : water(setting)),
        ...(setting === 'called' && traitsOf(world.station).timer ? [{ kind: 'wait' } as const] : []),
      ];
}
