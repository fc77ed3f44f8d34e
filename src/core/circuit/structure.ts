import { EARTH, type Netlist, type Part } from './netlist';

/** The elimination of one node: who its neighbours are then, and where the admittances between them are kept. */
interface Elimination {
  readonly node: number;
  readonly neighbours: Int32Array;
  /** Place of the admittance to each neighbour. */
  readonly to: Int32Array;
  /** Place of the admittance of each pair of neighbours, row by row. */
  readonly between: Int32Array;
}

/** Where a part is put: pairs of nodes with the weight of its admittance there. A place below zero is to earth at node −1 − place. */
interface Stamp {
  readonly part: Part;
  readonly at: readonly { readonly place: number; readonly weight: number }[];
}

/** What of a circuit does not change with its states: nodes, order of elimination, places of admittances. */
export interface Structure {
  readonly netlist: Netlist;
  readonly nodes: ReadonlyMap<string, number>;
  readonly names: readonly string[];
  readonly places: number;
  readonly order: readonly Elimination[];
  readonly stamps: readonly Stamp[];
  readonly parts: ReadonlyMap<string, Part>;
  readonly hasDc: boolean;
}

/** The pairs that a part joins, with weights: one for two ends; the six of the rank-one admittance w·wᵀ for a transformer, w = (n, −n, −1, 1). */
export function joins(part: Part): { a: string; b: string; weight: number }[] {
  if (part.kind !== 'transformer') return [{ a: part.a, b: part.b, weight: 1 }];
  const ends = [part.a, part.b, part.c, part.d];
  const w = [part.ratio, -part.ratio, -1, 1];
  return ends.flatMap((a, i) => ends.slice(i + 1).map((b, j) => ({ a, b, weight: -w[i]! * w[i + 1 + j]! })));
}

/**
 * Lays a circuit out for elimination node by node, always the node with fewest neighbours next (minimum degree: W. F. Tinney and
 * J. W. Walker, “Direct solutions of sparse network equations by optimally ordered triangular factorization”, 1967).
 */
export function structureOf(netlist: Netlist): Structure {
  const nodes = new Map<string, number>();
  const names: string[] = [];
  const nodeOf = (name: string): number => {
    if (name === EARTH) return -1;
    const known = nodes.get(name);
    if (known !== undefined) return known;
    nodes.set(name, names.length);
    names.push(name);
    return names.length - 1;
  };
  const joined = netlist.parts.flatMap((part) => joins(part).map((j) => ({ part, a: nodeOf(j.a), b: nodeOf(j.b), weight: j.weight })));

  const neighbours = names.map(() => new Map<number, number>());
  let places = 0;
  const placeOf = (a: number, b: number): number => {
    const known = neighbours[a]!.get(b);
    if (known !== undefined) return known;
    neighbours[a]!.set(b, places);
    neighbours[b]!.set(a, places);
    return places++;
  };
  const at = new Map<Part, { place: number; weight: number }[]>(netlist.parts.map((part) => [part, []]));
  for (const { part, a, b, weight } of joined) {
    if (a === b) continue;
    at.get(part)!.push({ place: a < 0 ? -1 - b : b < 0 ? -1 - a : placeOf(a, b), weight });
  }

  const left = new Set(names.keys());
  const order: Elimination[] = [];
  while (left.size > 0) {
    let node = -1;
    for (const n of left) if (node < 0 || neighbours[n]!.size < neighbours[node]!.size) node = n;
    const around = [...neighbours[node]!];
    const between: number[] = [];
    for (const [i, [n]] of around.entries()) for (const [m] of around.slice(i + 1)) between.push(placeOf(n, m));
    for (const [n] of around) neighbours[n]!.delete(node);
    left.delete(node);
    order.push({ node, neighbours: Int32Array.from(around, ([n]) => n), to: Int32Array.from(around, ([, p]) => p), between: Int32Array.from(between) });
  }
  return {
    netlist,
    nodes,
    names,
    places,
    order,
    stamps: netlist.parts.map((part) => ({ part, at: at.get(part)! })),
    parts: new Map(netlist.parts.map((p) => [p.id, p])),
    hasDc: netlist.parts.some((p) => p.kind === 'source' && p.frequency === 0),
  };
}
