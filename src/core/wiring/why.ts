import { conducts, type Settled } from '../circuit';
import type { Panel, Rung, Sign, Tree } from '../schemes';
import type { Wired } from './wired';

/** Why a load is on or off: the elements that hold it in, or those that stop it, rung by rung from the load back to the supply. */
export interface Reason {
  readonly held: boolean;
  readonly elements: readonly string[];
  readonly rungs: readonly number[];
}

interface Way {
  readonly conducts: boolean;
  readonly through: readonly string[];
  readonly breaks: readonly string[];
}

function wayOf(tree: Tree, closed: (leaf: string) => boolean): Way {
  if ('net' in tree) return { conducts: true, through: [], breaks: [] };
  if ('leaf' in tree)
    return closed(tree.leaf)
      ? { conducts: true, through: [tree.leaf], breaks: [] }
      : { conducts: false, through: [], breaks: [tree.leaf] };
  if ('series' in tree) {
    const ways = tree.series.map((t) => wayOf(t, closed));
    return {
      conducts: ways.every((w) => w.conducts),
      through: ways.flatMap((w) => w.through),
      breaks: ways.flatMap((w) => w.breaks),
    };
  }
  const ways = tree.parallel.map((t) => wayOf(t, closed));
  const open = ways.filter((w) => w.conducts);
  return {
    conducts: open.length > 0,
    through: open.flatMap((w) => w.through),
    breaks: open.length > 0 ? [] : ways.flatMap((w) => w.breaks),
  };
}

const holds = (tree: Tree, leaf: string): boolean =>
  'leaf' in tree
    ? tree.leaf === leaf
    : 'series' in tree
      ? tree.series.some((t) => holds(t, leaf))
      : 'parallel' in tree && tree.parallel.some((t) => holds(t, leaf));

/** Part of a tree that the current to a load passes: the series it sits in, only its own branch where loads stand side by side. */
function towards(tree: Tree, leaf: string): Tree {
  if ('parallel' in tree) return towards(tree.parallel.find((t) => holds(t, leaf)) ?? tree, leaf);
  if ('series' in tree) return { series: tree.series.map((t) => (holds(t, leaf) ? towards(t, leaf) : t)) };
  return tree;
}

/** Signs of what uses current: a rung with one of these ends at its wire, it does not feed it. */
const USES: ReadonlySet<Sign> = new Set(['coil', 'timer', 'motor', 'lamp', 'horn', 'counter', 'input']);

const uses = (panel: Panel, tree: Tree): boolean =>
  'leaf' in tree
    ? USES.has(signOf(panel, tree.leaf)!)
    : 'series' in tree
      ? tree.series.some((t) => uses(panel, t))
      : 'parallel' in tree && tree.parallel.some((t) => uses(panel, t));

const signOf = (panel: Panel, leaf: string): Sign | undefined =>
  panel.devices.find((d) => leaf.startsWith(`${d.tag}.`))?.elements[leaf.slice(leaf.indexOf('.') + 1)]?.sign;

const feeds = (panel: Panel, net: string, not: Rung): Rung | undefined =>
  panel.rungs.find((r) => r !== not && ((r.to === net && !uses(panel, r.tree)) || hasNet(r.tree, net)));
const hasNet = (tree: Tree, net: string): boolean =>
  'net' in tree
    ? tree.net === net
    : 'series' in tree
      ? tree.series.some((t) => hasNet(t, net))
      : 'parallel' in tree && tree.parallel.some((t) => hasNet(t, net));

/**
 * What holds a load in, or what stops it, as its rung is drawn. Where its own rung is closed and it is off all the same, the rungs that
 * feed it are followed back until the break is found.
 * @returns null for an element that is in no rung
 */
export function reasonFor({ panel, netlist }: Wired, { states }: Settled, element: string): Reason | null {
  const parts = new Map(netlist.parts.map((p) => [p.id, p]));
  const closed = (leaf: string): boolean => {
    const part = parts.get(leaf);
    return part === undefined || conducts(part, states);
  };
  const rung = panel.rungs.find((r) => holds(r.tree, element));
  if (!rung) return null;
  const seen: Rung[] = [];
  const through: string[] = [];
  const back = (at: Rung, tree: Tree): readonly string[] => {
    seen.push(at);
    const way = wayOf(tree, closed);
    through.push(...way.through);
    if (!way.conducts) return way.breaks;
    for (const net of [at.from, at.to]) {
      const before = feeds(panel, net, at);
      if (!before || seen.includes(before)) continue;
      const breaks = back(before, before.tree);
      if (breaks.length > 0) return breaks;
    }
    return [];
  };
  const breaks = back(rung, towards(rung.tree, element));
  const held = breaks.length === 0;
  return { held, elements: held ? through : breaks, rungs: seen.map((r) => r.number) };
}
