import type { Device } from '../../schemes';
import type { Act } from '../act';
import { isolationOf } from '../isolation';
import { atRest, perform } from '../scene';
import { thrownDevices } from '../thrown';
import type { World } from '../world';
import { actsOf } from './setting';

const known = new WeakMap<World, readonly Device[]>();

/**
 * What switching a station off and on again throws and only a hand resets, the water at rest: floats that are fed from elsewhere than a drive
 * are lost before its link runs down. Nothing in most.
 * @param world of the station as it should be
 */
export function thrownByCut(world: World): readonly Device[] {
  const found = known.get(world);
  if (found) return found;
  const off = thrownDevices(world).length > 0 ? (isolationOf(world)?.acts ?? []) : [];
  const initial = (tag: string) => world.panel!.devices.find((d) => d.tag === tag)!.initial;
  const on = off.map((a): Act => (a.kind === 'put' ? { ...a, to: initial(a.device) } : a));
  const scene = [...actsOf(world, 'resting'), ...off, ...on].reduce(perform, atRest(world));
  const made = thrownDevices(world).filter((d) => scene.panel()!.settled.states[d.tag] !== d.initial);
  known.set(world, made);
  return made;
}
