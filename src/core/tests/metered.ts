import {
  shownOn,
  solve,
  structureOf,
  type Component,
  type Netlist,
  type Potentials,
  type Shown,
  type States,
} from '../circuit';
import type { Panel } from '../schemes';
import type { Probes } from './observation';
import { putsOf, type Scene } from './scene';

/** What the meter shows between two points of a scene, before its own load has moved anything; null where there is no panel. */
export function metered(scene: Scene, { a, b, mode }: Probes): Shown | null {
  const panel = scene.panel();
  if (!panel) return null;
  const node = (point: string) => (point === 'earth' ? '0' : panel.wired.points.get(point));
  const [from, to] = [node(a), node(b)];
  if (from === undefined || to === undefined)
    return { ok: false, reason: 'no-such-point', at: from === undefined ? a : b };
  const { solution } = panel.settled;
  return remembered(solution.ac, `${from} ${to} ${mode}`, () => shownOn(solution, from, to, mode));
}

const readings = new WeakMap<Potentials, Map<string, Shown>>();

/** A reading of a solved circuit, made once: of all that stand the same. */
function remembered(solved: Potentials, at: string, make: () => Shown): Shown {
  let of = readings.get(solved);
  if (!of) readings.set(solved, (of = new Map()));
  const found = of.get(at) ?? make();
  of.set(at, found);
  return found;
}

/** Between two ends that nothing joins, Ω. */
const AIR = 1e12;

const ownKnown = new WeakMap<readonly Component[], ReadonlyMap<string, readonly Component[]>>();

/** What each device of a circuit is made of, by its tag. */
function ownOf({ components }: Netlist): ReadonlyMap<string, readonly Component[]> {
  const found = ownKnown.get(components);
  if (found) return found;
  const lists = new Map<string, Component[]>();
  for (const c of components) {
    const tag = c.id.slice(0, c.id.indexOf('.'));
    const list = lists.get(tag);
    if (list) list.push(c);
    else lists.set(tag, [c]);
  }
  ownKnown.set(components, lists);
  return lists;
}

/** What is known of the devices of a panel by themselves. */
interface Alone {
  readonly rest: States;
  /** A number for each part that is made otherwise, in whatever circuit: the same one as text, and as it was met. */
  readonly texts: Map<string, number>;
  readonly parts: WeakMap<Component, number>;
  /** What was read: by parts, states and points. */
  readonly read: Map<string, Shown>;
}

const aloneKnown = new WeakMap<Panel, Alone>();

function aloneIn(panel: Panel): Alone {
  const found = aloneKnown.get(panel);
  if (found) return found;
  const rest = Object.fromEntries(panel.devices.map((d) => [d.tag, d.initial]));
  const made: Alone = { rest, texts: new Map(), parts: new WeakMap(), read: new Map() };
  aloneKnown.set(panel, made);
  return made;
}

function numberOf({ texts, parts }: Alone, part: Component): number {
  const met = parts.get(part);
  if (met !== undefined) return met;
  const text = JSON.stringify(part);
  const made = texts.get(text) ?? texts.size;
  texts.set(text, made);
  parts.set(part, made);
  return made;
}

/** What the meter shows over one device with its wires off: nothing of the panel is asked but how it stands itself. */
export function alone({ world, hands }: Scene, tag: string, { a, b, mode }: Probes): Shown | null {
  if (!world.panel) return null;
  const { netlist, points } = world.wiring({ cores: [], links: [] }).wired;
  const [from, to] = [points.get(a)!, points.get(b)!];
  const parts = ownOf(netlist).get(tag) ?? [];
  const known = aloneIn(world.panel);
  const puts = putsOf(world, true);
  const standing = (device: string) => puts[device] ?? hands[device] ?? known.rest[device];
  let key = `${from} ${to} ${mode}`;
  for (const p of parts) key += `,${numberOf(known, p)}${p.when ? ` ${standing(p.when.device)}` : ''}`;
  const found = known.read.get(key);
  if (found) return found;
  // A cord that is cut leaves nothing between its ends but air.
  const air: Component = { kind: 'impedance', id: 'air', a: from, b: to, r: AIR };
  const structure = structureOf({ ...netlist, components: [...parts, air] });
  const reading = shownOn(solve(structure, { ...known.rest, ...hands, ...puts }), from, to, mode);
  known.read.set(key, reading);
  return reading;
}
