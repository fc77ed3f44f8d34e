import { EARTH, type Component } from './netlist';

/** What a part conducts, S, and injects, A, where it is put: plain figures by their places. */
export interface Put {
  readonly places: readonly number[];
  readonly re: readonly number[];
  readonly im: readonly number[];
  readonly nodes: readonly number[];
  readonly jRe: readonly number[];
  readonly jIm: readonly number[];
}

/** Admittances of an island by their places, S: of each node to earth, then between nodes; what is injected into each node, A. */
export interface Equations {
  readonly yRe: Float64Array;
  readonly yIm: Float64Array;
  readonly jRe: Float64Array;
  readonly jIm: Float64Array;
}

/** Where an island is solved, again and again: written anew by each solve, read by nobody after it. */
export interface Workspace extends Equations {
  /** Impedance of each node as it is eliminated, Ω. */
  readonly sRe: Float64Array;
  readonly sIm: Float64Array;
  /** Potential of each node, V. */
  readonly re: Float64Array;
  readonly im: Float64Array;
}

/** How nodes that hang together are laid out to be eliminated, whatever stands between them. */
export interface Layout {
  /** Each node’s place among all nodes of the circuit, and its number here by its name. */
  readonly nodes: Int32Array;
  readonly local: ReadonlyMap<string, number>;
  /** The place of the admittance between two nodes, a and b: by a · nodes + b, and by b · nodes + a. */
  readonly between: ReadonlyMap<number, number>;
  readonly places: number;
  /**
   * The order of elimination as one list of whole numbers, node after node: the node; how many neighbours it has then, n; n neighbours; the n
   * places of the admittances to them; the n(n − 1)/2 places of those between each pair of them, row by row.
   */
  readonly order: Int32Array;
  /** Where each node begins in `order`. */
  readonly starts: Int32Array;
  readonly work: Workspace;
  /** What parts come to in it, each once: circuits that differ little are made of the same ones. */
  readonly puts: Readonly<Record<'ac' | 'dc', WeakMap<Component, Put>>>;
}

interface Join {
  readonly a: string;
  readonly b: string;
  readonly weight: number;
}

/** The nodes that a part is between. */
export const endsOf = (part: Component): readonly string[] =>
  part.kind === 'transformer' ? [part.a, part.b, part.c, part.d] : [part.a, part.b];

/** The pairs that a part joins, with weights: one for two ends; the six of the rank-one admittance w·wᵀ for a transformer, w = (n, −n, −1, 1). */
export function joins(part: Component): Join[] {
  if (part.kind !== 'transformer') return [{ a: part.a, b: part.b, weight: 1 }];
  const ends = endsOf(part);
  const w = [part.ratio, -part.ratio, -1, 1];
  return ends.flatMap((a, i) => ends.slice(i + 1).map((b, j) => ({ a, b, weight: -w[i]! * w[i + 1 + j]! })));
}

export const blankEquations = (count: number, places: number): Equations => ({
  yRe: new Float64Array(places),
  yIm: new Float64Array(places),
  jRe: new Float64Array(count),
  jIm: new Float64Array(count),
});

const workspace = (count: number, places: number): Workspace => ({
  ...blankEquations(count, places),
  sRe: new Float64Array(count),
  sIm: new Float64Array(count),
  re: new Float64Array(count),
  im: new Float64Array(count),
});

/** Nodes with the places of what lies between them. */
function places(count: number) {
  const neighbours = Array.from({ length: count }, () => new Map<number, number>());
  const between = new Map<number, number>();
  let next = count;
  return {
    neighbours,
    between,
    total: () => next,
    /** The place of what lies between two nodes: a new one, where nothing lay there. */
    of(a: number, b: number): number {
      const known = neighbours[a]!.get(b);
      if (known !== undefined) return known;
      neighbours[a]!.set(b, next);
      neighbours[b]!.set(a, next);
      between.set(a * count + b, next).set(b * count + a, next);
      return next++;
    },
  };
}

/** The order of elimination: always the node with fewest neighbours next. What is eliminated leaves its neighbours joined with one another. */
function ordered({ neighbours, of }: ReturnType<typeof places>): Pick<Layout, 'order' | 'starts'> {
  const left = new Set(neighbours.keys());
  const order: number[] = [];
  const starts: number[] = [];
  while (left.size > 0) {
    let node = -1;
    for (const n of left) if (node < 0 || neighbours[n]!.size < neighbours[node]!.size) node = n;
    const around = [...neighbours[node]!];
    const pairs: number[] = [];
    for (const [i, [n]] of around.entries()) for (const [m] of around.slice(i + 1)) pairs.push(of(n, m));
    for (const [n] of around) neighbours[n]!.delete(node);
    left.delete(node);
    starts.push(order.length);
    order.push(node, around.length, ...around.map(([n]) => n), ...around.map(([, p]) => p), ...pairs);
  }
  return { order: Int32Array.from(order), starts: Int32Array.from(starts) };
}

/**
 * Lays an island out for elimination node by node, always the node with fewest neighbours next (minimum degree: W. F. Tinney and
 * J. W. Walker, “Direct solutions of sparse network equations by optimally ordered triangular factorization”, 1967).
 */
export function layoutOf(components: readonly Component[], globalOf: (name: string) => number): Layout {
  const local = new Map<string, number>();
  for (const end of components.flatMap(endsOf)) if (end !== EARTH && !local.has(end)) local.set(end, local.size);
  const laid = places(local.size);
  for (const { a, b } of components.flatMap(joins))
    if (a !== b && a !== EARTH && b !== EARTH) laid.of(local.get(a)!, local.get(b)!);
  const order = ordered(laid);
  return {
    nodes: Int32Array.from([...local.keys()], globalOf),
    local,
    between: laid.between,
    places: laid.total(),
    ...order,
    work: workspace(local.size, laid.total()),
    puts: { ac: new WeakMap(), dc: new WeakMap() },
  };
}

/** Where two ends meet in a layout: their place; −1 where they are one, undefined where nothing was laid out between them. */
export function placeIn({ nodes, local, between }: Layout, from: string, to: string): number | undefined {
  if (from === to) return -1;
  if (from === EARTH) return local.get(to);
  if (to === EARTH) return local.get(from);
  return between.get(local.get(from)! * nodes.length + local.get(to)!);
}

/** Whether all that a part joins was laid out as joined. */
export const fits = (layout: Layout, part: Component): boolean =>
  joins(part).every(({ a, b }) => placeIn(layout, a, b) !== undefined);
