import { conducts, type Settled } from '../circuit';
import { fold, leaves, namesOf, nets, type Panel, type Rung, type Sign, type Tree } from '../schemes';
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

/** How a tree lets current through, or what stops it. */
const wayOf = (tree: Tree, closed: (leaf: string) => boolean): Way =>
  fold<Way>(tree, {
    net: () => ({ conducts: true, through: [], breaks: [] }),
    leaf: (leaf) =>
      closed(leaf) ? { conducts: true, through: [leaf], breaks: [] } : { conducts: false, through: [], breaks: [leaf] },
    series: (ways) => ({
      conducts: ways.every((w) => w.conducts),
      through: ways.flatMap((w) => w.through),
      breaks: ways.flatMap((w) => w.breaks),
    }),
    parallel(ways) {
      const open = ways.filter((w) => w.conducts);
      return {
        conducts: open.length > 0,
        through: open.flatMap((w) => w.through),
        breaks: open.length > 0 ? [] : ways.flatMap((w) => w.breaks),
      };
    },
  });

const holds = (tree: Tree, leaf: string): boolean => leaves(tree).includes(leaf);

/** Part of a tree that the current to a load passes: the series it sits in, only its own branch where loads stand side by side. */
const towards = (tree: Tree, wanted: string): Tree =>
  fold<Tree>(tree, {
    leaf: (leaf) => ({ leaf }),
    net: (net) => ({ net }),
    series: (series) => ({ series }),
    parallel: (branches, trees) => branches[trees.findIndex((t) => holds(t, wanted))] ?? { parallel: trees },
  });

/** Signs of what uses current: a rung with one of these ends at its wire, it does not feed it. */
const USES: ReadonlySet<Sign> = new Set(['coil', 'timer', 'motor', 'lamp', 'horn', 'counter', 'input', 'valve']);

const signOf = (panel: Panel, leaf: string): Sign | undefined => {
  const [tag, element] = namesOf(leaf);
  return panel.devices.find((d) => d.tag === tag)?.elements[element]?.sign;
};

const uses = (panel: Panel, tree: Tree): boolean => leaves(tree).some((leaf) => USES.has(signOf(panel, leaf)!));

const feeds = (panel: Panel, net: string, not: Rung): Rung | undefined =>
  panel.rungs.find((r) => r !== not && ((r.to === net && !uses(panel, r.tree)) || nets(r.tree).includes(net)));

/**
 * What holds a load in, or what stops it, as its rung is drawn. Where its own rung is closed and it is off all the same, the rungs that
 * feed it are followed back until the break is found.
 * @returns null for an element that is in no rung
 */
export function reasonFor({ panel, netlist }: Wired, { states }: Settled, element: string): Reason | null {
  const parts = new Map(netlist.components.map((p) => [p.id, p]));
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
