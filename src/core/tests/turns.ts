import { floatsOf, inTime, perform, runningIn, type Scene } from './scene';
import type { Act } from './act';

/** The devices that the water works, lowest first. */
export const floatTags = ({ world }: Scene): string[] => floatsOf(world).map((f) => f.tag);

const done = (scene: Scene, acts: readonly Act[]): Scene => acts.reduce(perform, scene);

/** One call from beginning to end, every float lifted and let back. */
function called(scene: Scene): Scene {
  const tags = floatTags(scene);
  const up = done(
    scene,
    tags.map((device): Act => ({ kind: 'put', device, to: 'up' })),
  );
  return done(
    up,
    [...tags].reverse().map((device): Act => ({ kind: 'let go', device })),
  );
}

/** The panel as it may be met, by whose turn it is: from new, and after one call and more. */
export function byTurns(rest: Scene): Scene[] {
  const devices = rest.world.panel?.devices ?? [];
  if (!devices.some((d) => d.function === 'alternator')) return [rest];
  const pumps = devices.filter((d) => d.function === 'motor').length;
  return Array.from({ length: pumps - 1 }).reduce<Scene[]>((all) => [...all, called(all.at(-1)!)], [rest]);
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
