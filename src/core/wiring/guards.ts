import type { Device, Panel } from '../schemes';
import { guardedAt, type Laid } from './ampacity';
import { soldSizes } from './conductor';
import { LOADS } from './loads';

/*
 * What a wire inside a panel must carry without harm: the rating of what opens before it burns. From each source the current that can come
 * is followed through what conducts; a breaker or a fuse lets no more through than its rating.
 */

interface Way {
  readonly a: string;
  readonly b: string;
  readonly most: number;
}

/** Ways through devices from wire to wire, each with the most that it lets through; loads are none. */
function waysOf({ devices, spans }: Panel): Way[] {
  const byTag = new Map(devices.map((d) => [d.tag, d]));
  return Object.entries(spans).flatMap(([leaf, [a, b]]): Way[] => {
    const dot = leaf.indexOf('.');
    const device = byTag.get(leaf.slice(0, dot));
    const element = device?.elements[leaf.slice(dot + 1)];
    if (!device || !element || (LOADS.has(element.sign) && !element.closed)) return [];
    if (element.sign === 'source' || element.sign === 'cell') return [];
    return [{ a, b, most: device.rating ?? Infinity }];
  });
}

/** Wires that a source feeds, each with the most that can come before something else opens, A. */
function fedBy({ devices, terminals, cores, spans }: Panel): [net: string, amps: number][] {
  const nets = new Map(terminals.map((t) => [t.id, t.net]));
  const board = (d: Device): [string, number][] =>
    cores
      .filter((c) => c.pin.startsWith(`${d.tag}:`) && c.terminal !== null)
      .map((c) => [nets.get(c.terminal!)!, d.rating!]);
  return devices.flatMap((d) => {
    if (d.function === 'supply' || d.function === 'alarm-supply') return board(d);
    // Its fuse sits at its terminal.
    if (d.function === 'battery')
      return (spans[`${d.tag}.cell`] ?? []).map((net): [string, number] => [net, d.rating!]);
    const fed = d.gives ? (spans[d.gives.element] ?? spans[`${d.tag}.out`]) : undefined;
    return fed ? fed.map((net): [string, number] => [net, d.gives!.amps]) : [];
  });
}

/** By wire: the most that can flow in it before something opens, A. What no source of the panel feeds is not there. */
export function guardsOf(panel: Panel): ReadonlyMap<string, number> {
  const found = new Map<string, number>();
  const ways = waysOf(panel);
  const queue = fedBy(panel);
  for (let next = queue.pop(); next !== undefined; next = queue.pop()) {
    const [net, amps] = next;
    if (amps <= (found.get(net) ?? 0)) continue;
    found.set(net, amps);
    for (const { a, b, most } of ways)
      if (a === net || b === net) queue.push([a === net ? b : a, Math.min(amps, most)]);
  }
  return found;
}

/** The smallest size that is sold, m², from a least one on, that a guard of so many amperes keeps from harm; null where none does. Typical; the local code decides. */
export const sizeFor = (amps: number, least: number, laid: Laid): number | null =>
  soldSizes(laid.profile).find((area) => area >= least * 0.99 && guardedAt(area, laid) >= amps) ?? null;
