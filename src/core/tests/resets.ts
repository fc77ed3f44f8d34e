import type { Device } from '../schemes';
import { phrase, type Phrase } from '../units';
import { resets } from '../wiring';
import type { Act } from './act';
import { atRest, floatsOf, moved, type Scene } from './scene';
import type { World } from './world';

/*
 * What stays until a hand resets it: a drive that saw its low float hang, an alarm that latches. An empty pit throws such things; a station in
 * service has water where they hold, and somebody has reset them.
 */

const deviceOf = ({ world }: Scene, tag: string): Device | undefined => world.panel?.devices.find((d) => d.tag === tag);

/** A button pressed and let go. */
export function pressed(scene: Scene, device: string): Scene {
  const made = deviceOf(scene, device);
  const way = made?.positions.find((p) => p.state !== made.initial);
  if (!made || !way) return scene;
  return moved(moved(scene, { [device]: way.state }), { [device]: made.initial });
}

const statesOf = (scene: Scene) => scene.panel()!.settled.states;

/** What a hand resets in a scene, as acts: what has tripped and stays reset, and each button that lets something go. Asked of the panel. */
export function resetsIn(scene: Scene): Act[] {
  const { panel } = scene.world;
  if (!panel) return [];
  const tripped = Object.entries(resets(panel.devices, statesOf(scene))).filter(([tag]) => !(tag in scene.hands));
  const tried = tripped.length > 0 ? moved(scene, Object.fromEntries(tripped)) : scene;
  const puts = tripped.filter(([tag, to]) => statesOf(tried)[tag] === to);
  let now = tried;
  const buttons = panel.devices.filter((d) => {
    if (d.function !== 'reset') return false;
    const [was, after] = [statesOf(now), pressed(now, d.tag)];
    const is = statesOf(after);
    now = after;
    return Object.keys(is).some((tag) => is[tag] !== was[tag]);
  });
  return [
    ...puts.map(([device, to]): Act => ({ kind: 'put', device, to })),
    ...buttons.map(({ tag }): Act => ({ kind: 'press', device: tag })),
  ];
}

const known = new WeakMap<World, readonly Act[]>();

/** What the hanging floats of a station throw or latch, and a hand resets once one of them is up; nothing in most. Asked of the sound one. */
export function resetActs(world: World): readonly Act[] {
  const sound = world.sound();
  const found = known.get(sound);
  if (found) return found;
  const rest = atRest(sound);
  const all = floatsOf(sound).flatMap(({ tag }) => resetsIn(moved(rest, { [tag]: 'up' })));
  const made = all.filter((a, i) => all.findIndex((b) => sayAct(sound, b) === sayAct(sound, a)) === i);
  known.set(sound, made);
  return made;
}

/** A reset in words. */
export function sayAct({ panel }: World, act: Act): string {
  if (act.kind !== 'put' && act.kind !== 'press') return '';
  const label = panel?.devices.find((d) => d.tag === act.device)?.label ?? '';
  return act.kind === 'put' ? `reset ${act.device} (${label})` : `press ${act.device} (${label})`;
}

/** Resets as one line of what to do. */
export const sayResets = (world: World, acts: readonly Act[]): string =>
  acts.map((a) => sayAct(world, a)).join(' and ');

/** What hanging floats throw or latch, told where it is reset. */
export function resetWords(world: World): Phrase[] {
  const acts = resetActs(world);
  return acts.length === 0
    ? []
    : [
        phrase`While the floats hang something trips or latches that does not come back by itself: with the lowest float up ${sayResets(world, acts)}.`,
      ];
}
