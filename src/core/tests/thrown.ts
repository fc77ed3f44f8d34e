import type { Device, Panel } from '../schemes';
import { phrase, type Phrase } from '../units';
import { resets, solveWith, wire, type Inputs } from '../wiring';
import type { Act } from './act';
import type { World } from './world';

/*
 * An empty pit throws what water holds in: a drive whose low float hangs sees an external fault, which only a hand resets. A station in service
 * has water there, and somebody has reset it.
 */

const known = new WeakMap<Panel, Inputs>();

/** What the hanging floats of a sound station throw and only a hand resets, each by the position that does; nothing in most. */
export function thrownDry({ panel, of }: World): Inputs {
  if (!panel) return {};
  const found = known.get(panel);
  if (found) return found;
  const sound = wire({ ...of, landings: { cores: [], links: [] } }, panel);
  const made = resets(panel.devices, solveWith(sound, {}).states);
  known.set(panel, made);
  return made;
}

/** Those devices. */
export const thrownDevices = (world: World): Device[] =>
  (world.panel?.devices ?? []).filter((d) => d.tag in thrownDry(world));

/** A hand resets them, once what threw them is over. */
export const resetActs = (world: World): Act[] =>
  Object.entries(thrownDry(world)).map(([device, to]) => ({ kind: 'put', device, to }));

/** The same, told where it is done. */
export const resetWords = (world: World): Phrase[] =>
  thrownDevices(world).map(
    ({ tag, label }) => phrase`${tag} (${label}): hanging floats throw it. Reset it once the lowest float is up.`,
  );
