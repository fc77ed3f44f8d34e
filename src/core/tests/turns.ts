import { perform } from './perform';
import { atRest, floatsOf, inTime, moved, runningIn, type Scene } from './scene';
import type { World } from './world';

/** The devices that the water works, lowest first. */
export const floatTags = ({ world }: Scene): string[] => floatsOf(world).map((f) => f.tag);

const known = new WeakMap<World, readonly Scene[]>();

/** A station at rest as it may be met, by whose turn it is: from new first. */
export function byTurns(world: World): readonly Scene[] {
  const found = known.get(world);
  if (found) return found;
  const rest = atRest(world);
  const passes = world.panel?.devices.find((d) => d.function === 'alternator');
  const turns = passes?.behaviour.kind === 'alternator' && !world.held.has(passes.tag) ? passes.behaviour.turns : 1;
  const later = Array.from({ length: turns - 1 }, (_, i) => moved(rest, { [passes!.tag]: `rest ${i + 2}` }));
  const made = [rest, ...later];
  known.set(world, made);
  return made;
}

/** Which pumps start as the water calls, call after call: their numbers, or none. */
export function turnsOf(rest: Scene, calls: number): string[] {
  const { lead } = rest.world.levels;
  let scene = rest;
  return Array.from({ length: calls }, () => {
    const up = perform(scene, { kind: 'water', to: lead + 1e-6 });
    const now = runningIn(up).length > 0 ? up : (inTime(up) ?? up);
    scene = { ...perform(up, { kind: 'water', to: 0 }), level: null };
    return (
      runningIn(now)
        .map((n) => n + 1)
        .join(' and ') || 'none'
    );
  });
}
