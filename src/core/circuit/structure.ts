import { admittance, emf } from './admittance';
import { differenceOf, type Difference } from './difference';
import { EARTH, type Netlist, type Component } from './netlist';

/** Where a part is put: pairs of nodes with the weight of its admittance there. A place below zero is to earth at node −1 − place. */
interface Stamp {
  readonly part: Component;
  readonly at: readonly { readonly place: number; readonly weight: number }[];
  /** Its ends among the nodes of the island; below zero: earth. */
  readonly a: number;
  readonly b: number;
  /** What a transformer is at 0 Hz: its two windings, each with where it is put and what it conducts there, S. */
  readonly windings?: readonly { readonly stamp: Stamp; readonly g: number }[];
}

/** A stamp that a device opens and closes, with what it conducts closed, S, and what it injects then, A. */
export interface Gate {
  readonly stamp: Stamp;
  readonly re: number;
  readonly im: number;
  readonly jRe: number;
  readonly jIm: number;
}

/** Admittances between the nodes of an island by their places, S; those of each node to earth, S; what is injected into each node, A. */
export interface Equations {
  readonly yRe: Float64Array;
  readonly yIm: Float64Array;
  readonly gRe: Float64Array;
  readonly gIm: Float64Array;
  readonly jRe: Float64Array;
  readonly jIm: Float64Array;
}

/** An island at one frequency with every part in it that no device opens; the others apart. */
export interface Prepared extends Equations {
  readonly gates: readonly Gate[];
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

/** Nodes that hang together other than by earth: solved by themselves. */
export interface Island {
  /** Each node’s place among all nodes of the circuit. */
  readonly nodes: Int32Array;
  /**
   * The order of elimination as one list of whole numbers, node after node: the node; how many neighbours it has then, n; n neighbours; the n
   * places of the admittances to them; the n(n − 1)/2 places of those between each pair of them, row by row.
   */
  readonly order: Int32Array;
  /** Where each node begins in `order`. */
  readonly starts: Int32Array;
  readonly work: Workspace;
  /** Devices whose states decide which components of it conduct. */
  readonly devices: ReadonlySet<string>;
  /** At the mains frequency and at 0 Hz; null where it has no source of that kind. */
  readonly ac: Prepared | null;
  readonly dc: Prepared | null;
  /** The same whether it has a source of that kind or not: for what is put into it from outside. */
  at(of: 'ac' | 'dc'): Prepared;
}

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

interface Join {
  readonly a: string;
  readonly b: string;
  readonly weight: number;
}

/** The pairs that a part joins, with weights: one for two ends; the six of the rank-one admittance w·wᵀ for a transformer, w = (n, −n, −1, 1). */
function joins(part: Component): Join[] {
  if (part.kind !== 'transformer') return [{ a: part.a, b: part.b, weight: 1 }];
  const ends = [part.a, part.b, part.c, part.d];
  const w = [part.ratio, -part.ratio, -1, 1];
  return ends.flatMap((a, i) => ends.slice(i + 1).map((b, j) => ({ a, b, weight: -w[i]! * w[i + 1 + j]! })));
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
    const ends = (part.kind === 'transformer' ? [part.a, part.b, part.c, part.d] : [part.a, part.b]).filter(
      (e) => e !== EARTH,
    );
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

/**
 * Lays an island out for elimination node by node, always the node with fewest neighbours next (minimum degree: W. F. Tinney and
 * J. W. Walker, “Direct solutions of sparse network equations by optimally ordered triangular factorization”, 1967).
 */
function islandOf(components: readonly Component[], frequency: number, globalOf: (name: string) => number): Island {
  const local = new Map<string, number>();
  const nodes: number[] = [];
  const nodeOf = (name: string): number => {
    if (name === EARTH) return -1;
    const known = local.get(name);
    if (known !== undefined) return known;
    local.set(name, nodes.length);
    nodes.push(globalOf(name));
    return nodes.length - 1;
  };
  const joined = components.map((part) =>
    joins(part).map((j) => ({ a: nodeOf(j.a), b: nodeOf(j.b), weight: j.weight })),
  );

  const neighbours = nodes.map(() => new Map<number, number>());
  let places = 0;
  const placeOf = (a: number, b: number): number => {
    const known = neighbours[a]!.get(b);
    if (known !== undefined) return known;
    neighbours[a]!.set(b, places);
    neighbours[b]!.set(a, places);
    return places++;
  };
  const stampOf = (part: Component, over: readonly { a: number; b: number; weight: number }[]): Stamp => ({
    part,
    a: nodeOf(part.a),
    b: nodeOf(part.b),
    at: over
      .filter(({ a, b }) => a !== b)
      .map(({ a, b, weight }) => ({ place: a < 0 ? -1 - b : b < 0 ? -1 - a : placeOf(a, b), weight })),
  });
  const stamps = components.map((part, i): Stamp => {
    const stamp = stampOf(part, joined[i]!);
    if (part.kind !== 'transformer' || !part.dc) return stamp;
    const [primary, secondary] = part.dc;
    return {
      ...stamp,
      windings: [
        { stamp: stampOf(part, [{ a: nodeOf(part.a), b: nodeOf(part.b), weight: 1 }]), g: 1 / primary },
        { stamp: stampOf(part, [{ a: nodeOf(part.c), b: nodeOf(part.d), weight: 1 }]), g: 1 / secondary },
      ],
    };
  });

  const left = new Set(nodes.keys());
  const order: number[] = [];
  const starts: number[] = [];
  while (left.size > 0) {
    let node = -1;
    for (const n of left) if (node < 0 || neighbours[n]!.size < neighbours[node]!.size) node = n;
    const around = [...neighbours[node]!];
    const between: number[] = [];
    for (const [i, [n]] of around.entries()) for (const [m] of around.slice(i + 1)) between.push(placeOf(n, m));
    for (const [n] of around) neighbours[n]!.delete(node);
    left.delete(node);
    starts.push(order.length);
    order.push(node, around.length, ...around.map(([n]) => n), ...around.map(([, p]) => p), ...between);
  }
  const source = (dc: boolean) => components.some((p) => p.kind === 'source' && (p.frequency === 0) === dc);
  const made = new Map<'ac' | 'dc', Prepared>();
  const at = (of: 'ac' | 'dc'): Prepared => {
    const known = made.get(of);
    if (known) return known;
    const now = prepare(stamps, nodes.length, places, of === 'ac' ? frequency : 0);
    made.set(of, now);
    return now;
  };
  return {
    nodes: Int32Array.from(nodes),
    order: Int32Array.from(order),
    starts: Int32Array.from(starts),
    work: workspace(nodes.length, places),
    devices: new Set(components.flatMap((p) => (p.when ? [p.when.device] : []))),
    ac: source(false) ? at('ac') : null,
    dc: source(true) ? at('dc') : null,
    at,
  };
}

/** Every node hangs on earth by this, S: what nothing else holds has a potential all the same, and any meter pulls it down. */
const AIR = 1e-9;

/** Adds a stamp that conducts re + j·im and injects j into the equations of an island. */
export function put({ at, a, b }: Stamp, re: number, im: number, jRe: number, jIm: number, to: Equations): void {
  for (const { place, weight } of at) {
    if (place < 0) {
      to.gRe[-1 - place]! += weight * re;
      to.gIm[-1 - place]! += weight * im;
    } else {
      to.yRe[place]! += weight * re;
      to.yIm[place]! += weight * im;
    }
  }
  if (jRe === 0 && jIm === 0) return;
  if (a >= 0) {
    to.jRe[a]! += jRe;
    to.jIm[a]! += jIm;
  }
  if (b >= 0) {
    to.jRe[b]! -= jRe;
    to.jIm[b]! -= jIm;
  }
}

const blankEquations = (count: number, places: number): Equations => ({
  yRe: new Float64Array(places),
  yIm: new Float64Array(places),
  gRe: new Float64Array(count),
  gIm: new Float64Array(count),
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

function prepare(stamps: readonly Stamp[], count: number, places: number, frequency: number): Prepared {
  const made = { ...blankEquations(count, places), gates: [] as Gate[] };
  made.gRe.fill(AIR);
  for (const stamp of stamps) {
    const { part } = stamp;
    // At 0 Hz a transformer does not couple: its windings are copper, each by itself.
    if (part.kind === 'transformer' && frequency === 0) {
      for (const { stamp: winding, g } of stamp.windings ?? []) put(winding, g, 0, 0, 0, made);
      continue;
    }
    const { re, im } = admittance(part, frequency);
    const e = emf(part, frequency);
    const gate = { stamp, re, im, jRe: e.re * re, jIm: e.im * re };
    if (part.when) made.gates.push(gate);
    else put(stamp, re, im, gate.jRe, gate.jIm, made);
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
  const nodes = new Map<string, number>();
  const names: string[] = [];
  const globalOf = (name: string): number => {
    const known = nodes.get(name);
    if (known !== undefined) return known;
    nodes.set(name, names.length);
    names.push(name);
    return names.length - 1;
  };
  const islands = islandsOf(netlist.components).map((components) => islandOf(components, netlist.frequency, globalOf));
  return {
    netlist,
    nodes,
    names,
    islands,
    components: new Map(netlist.components.map((p) => [p.id, p])),
    hasDc: islands.some((i) => i.dc !== null),
    like: likeness,
  };
}
