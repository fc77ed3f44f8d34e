import { differenceOf, type Difference } from './difference';
import { islandOn, type Island } from './island';
import { endsOf, layoutOf } from './layout';
import { EARTH, type Netlist, type Component } from './netlist';

/** What of a circuit does not change with its states: nodes, islands, order of elimination, places of admittances. */
export interface Structure {
  readonly netlist: Netlist;
  readonly nodes: ReadonlyMap<string, number>;
  readonly names: readonly string[];
  readonly islands: readonly Island[];
  readonly components: ReadonlyMap<string, Component>;
  readonly hasDc: boolean;
  /** A circuit that it differs little from; null where there is none, or more than that is different. */
  readonly like: { readonly structure: Structure; readonly by: Difference } | null;
}

/** Which components hang together, each list an island. */
function islandsOf(components: readonly Component[]): Component[][] {
  const over = new Map<string, string>();
  const root = (name: string): string => {
    let at = name;
    for (let up = over.get(at); up !== undefined && up !== at; up = over.get(at)) at = up;
    over.set(name, at);
    return at;
  };
  for (const part of components) {
    const ends = endsOf(part).filter((e) => e !== EARTH);
    for (const end of ends) over.set(root(end), root(ends[0]!));
  }
  const lists = new Map<string, Component[]>();
  for (const part of components) {
    const end = part.a === EARTH ? part.b : part.a;
    if (end === EARTH) continue;
    const list = lists.get(root(end));
    if (list) list.push(part);
    else lists.set(root(end), [part]);
  }
  return [...lists.values()];
}

/** In which island each node and each part of a circuit is, by their places. */
interface Whereabouts {
  readonly node: Int32Array;
  readonly part: ReadonlyMap<Component, number>;
}

const WHEREABOUTS = new WeakMap<readonly Island[], Whereabouts>();

function whereaboutsIn({ islands, names }: Structure): Whereabouts {
  const known = WHEREABOUTS.get(islands);
  if (known) return known;
  const node = new Int32Array(names.length);
  for (const [i, { nodes }] of islands.entries()) for (const n of nodes) node[n] = i;
  const part = new Map(islands.flatMap(({ components }, i) => components.map((p) => [p, i] as const)));
  const made = { node, part };
  WHEREABOUTS.set(islands, made);
  return made;
}

/** The island that all ends of a part are in; −1 where it is to earth only, null where they are not in one. */
function islandFor(part: Component, nodes: Structure['nodes'], node: Int32Array): number | null {
  let found = -1;
  for (const end of endsOf(part)) {
    if (end === EARTH) continue;
    const n = nodes.get(end);
    if (n === undefined || (found >= 0 && node[n] !== found)) return null;
    found = node[n]!;
  }
  return found;
}

/**
 * The islands of a circuit laid out as those of one before it, where it joins no nodes that were not joined there and leaves none of them out:
 * a part that is another, that is gone, or that lies beside what was there. Null: it is to be laid out by itself.
 */
function islandsAs({ components, frequency }: Netlist, before: Structure): Island[] | null {
  const { nodes, islands } = before;
  const { node, part: places } = whereaboutsIn(before);
  const lists = islands.map((): Component[] => []);
  const changed = new Set<number>();
  for (const part of components) {
    let place = places.get(part);
    if (place === undefined) {
      const found = islandFor(part, nodes, node);
      if (found === null) return null;
      if (found < 0) continue;
      changed.add((place = found));
    }
    lists[place]!.push(part);
  }
  const made: Island[] = [];
  for (const [i, island] of islands.entries()) {
    const parts = lists[i]!;
    if (!changed.has(i) && parts.length === island.components.length) {
      made.push(island);
      continue;
    }
    const met = new Set(parts.flatMap(endsOf).filter((end) => end !== EARTH));
    const one = met.size === island.nodes.length ? islandOn(island, parts, frequency) : null;
    if (!one) return null;
    made.push(one);
  }
  return made;
}

/**
 * Lays a circuit out to be solved.
 * @param like one that was laid out before: where it is made of the same components it is laid out the same
 */
export function structureOf(netlist: Netlist, like: Structure | null = null): Structure {
  const by = like && differenceOf(netlist, like.netlist);
  const likeness = by && { structure: like, by };
  if (like && like.netlist.components === netlist.components && like.netlist.frequency === netlist.frequency)
    return { ...like, netlist, like: likeness };
  const components = new Map(netlist.components.map((p) => [p.id, p]));
  const again = like && like.netlist.frequency === netlist.frequency ? islandsAs(netlist, like) : null;
  if (like && again)
    return {
      netlist,
      nodes: like.nodes,
      names: like.names,
      islands: again,
      components,
      hasDc: again.some((i) => i.dc !== null),
      like: likeness,
    };
  const nodes = new Map<string, number>();
  const names: string[] = [];
  const globalOf = (name: string): number => {
    const known = nodes.get(name);
    if (known !== undefined) return known;
    nodes.set(name, names.length);
    names.push(name);
    return names.length - 1;
  };
  const islands = islandsOf(netlist.components).map((parts) =>
    islandOn(layoutOf(parts, globalOf), parts, netlist.frequency)!,
  );
  return { netlist, nodes, names, islands, components, hasDc: islands.some((i) => i.dc !== null), like: likeness };
}
