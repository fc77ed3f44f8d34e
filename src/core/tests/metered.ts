import {
  read,
  readOn,
  structureOf,
  type Component,
  type Netlist,
  type Potentials,
  type Reading,
  type States,
} from '../circuit';
import type { Panel } from '../schemes';
import type { Probes } from './observation';
import { putsOf, type Scene } from './scene';

/** What the meter shows between two points of a scene, before its own load has moved anything; null where there is no panel. */
export function metered(scene: Scene, { a, b, mode }: Probes): Reading | null {
  const panel = scene.panel();
  if (!panel) return null;
  const node = (point: string) => (point === 'earth' ? '0' : panel.wired.points.get(point));
  const [from, to] = [node(a), node(b)];
  if (from === undefined || to === undefined)
    return { ok: false, reason: 'no-such-point', at: from === undefined ? a : b };
  const { solution } = panel.settled;
  return remembered(solution.ac, `${from} ${to} ${mode}`, () => readOn(solution, from, to, mode, false));
}

const readings = new WeakMap<Potentials, Map<string, Reading>>();

/** A reading of a solved circuit, made once: of all that stand the same. */
function remembered(solved: Potentials, at: string, make: () => Reading): Reading {
  let of = readings.get(solved);
  if (!of) readings.set(solved, (of = new Map()));
  const found = of.get(at) ?? make();
  of.set(at, found);
  return found;
}

/** Between two ends that nothing joins, Ω. */
const AIR = 1e12;

interface Own {
  readonly parts: readonly Component[];
  readonly text: string;
}

const ownKnown = new WeakMap<readonly Component[], ReadonlyMap<string, Own>>();

/** What each device of a circuit is made of, by its tag, and the same as text. */
function ownOf({ components }: Netlist): ReadonlyMap<string, Own> {
  const found = ownKnown.get(components);
  if (found) return found;
  const lists = new Map<string, Component[]>();
  for (const c of components) {
    const tag = c.id.slice(0, c.id.indexOf('.'));
    const list = lists.get(tag);
    if (list) list.push(c);
    else lists.set(tag, [c]);
  }
  const made = new Map([...lists].map(([tag, parts]) => [tag, { parts, text: JSON.stringify(parts) }]));
  ownKnown.set(components, made);
  return made;
}

const NONE_OF_IT: Own = { parts: [], text: '' };

/** How each device of a panel rests, and what was read over devices by themselves: by parts, states and points as one text. */
const aloneKnown = new WeakMap<Panel, { readonly rest: States; readonly read: Map<string, Reading> }>();

const restOf = ({ devices }: Panel): States => Object.fromEntries(devices.map((d) => [d.tag, d.initial]));

/** What the meter shows over one device with its wires off: nothing of the panel is asked but how it stands itself. */
export function alone({ world, hands }: Scene, tag: string, { a, b, mode }: Probes): Reading | null {
  if (!world.panel) return null;
  const { netlist, points } = world.wiring({ cores: [], links: [] }).wired;
  const [from, to] = [points.get(a)!, points.get(b)!];
  const { parts, text } = ownOf(netlist).get(tag) ?? NONE_OF_IT;
  let known = aloneKnown.get(world.panel);
  if (!known) aloneKnown.set(world.panel, (known = { rest: restOf(world.panel), read: new Map() }));
  const { rest, read: readings } = known;
  const puts = putsOf(world, true);
  const standing = (device: string) => puts[device] ?? hands[device] ?? rest[device];
  const key = `${text} ${parts.map((p) => p.when && standing(p.when.device)).join()} ${from} ${to} ${mode}`;
  const found = readings.get(key);
  if (found) return found;
  // A cord that is cut leaves nothing between its ends but air.
  const air: Component = { kind: 'impedance', id: 'air', a: from, b: to, r: AIR };
  const structure = structureOf({ ...netlist, components: [...parts, air] });
  const reading = read(structure, { ...rest, ...hands, ...puts }, from, to, mode);
  readings.set(key, reading);
  return reading;
}
