import { admittance, emf } from './admittance';
import { differenceOf, type Difference } from './difference';
import { EARTH, type Netlist, type Component } from './netlist';

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

/** What a device opens and closes in an island. */
export interface Gates {
  readonly device: string;
  /** What conducts while it is in a state: what is closed, and what open contacts leak. */
  in(state: string | undefined): Put;
}

/** An island at one frequency with every part in it that no device opens; the others apart. */
export interface Prepared extends Equations {
  readonly gates: readonly Gates[];
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
interface Layout {
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

/** Nodes that hang together other than by earth: solved by themselves. */
export interface Island extends Layout {
  readonly components: readonly Component[];
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

const endsOf = (part: Component): readonly string[] =>
  part.kind === 'transformer' ? [part.a, part.b, part.c, part.d] : [part.a, part.b];

/** The pairs that a part joins, with weights: one for two ends; the six of the rank-one admittance w·wᵀ for a transformer, w = (n, −n, −1, 1). */
function joins(part: Component): Join[] {
  if (part.kind !== 'transformer') return [{ a: part.a, b: part.b, weight: 1 }];
  const ends = endsOf(part);
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

/**
 * Lays an island out for elimination node by node, always the node with fewest neighbours next (minimum degree: W. F. Tinney and
 * J. W. Walker, “Direct solutions of sparse network equations by optimally ordered triangular factorization”, 1967).
 */
function layoutOf(components: readonly Component[], globalOf: (name: string) => number): Layout {
  const local = new Map<string, number>();
  const nodes: number[] = [];
  for (const part of components)
    for (const end of endsOf(part)) {
      if (end === EARTH || local.has(end)) continue;
      local.set(end, nodes.length);
      nodes.push(globalOf(end));
    }
  const neighbours = nodes.map(() => new Map<number, number>());
  const between = new Map<number, number>();
  let places = nodes.length;
  const placeOf = (a: number, b: number): number => {
    const known = neighbours[a]!.get(b);
    if (known !== undefined) return known;
    neighbours[a]!.set(b, places);
    neighbours[b]!.set(a, places);
    between.set(a * nodes.length + b, places).set(b * nodes.length + a, places);
    return places++;
  };
  for (const part of components)
    for (const { a, b } of joins(part))
      if (a !== b && a !== EARTH && b !== EARTH) placeOf(local.get(a)!, local.get(b)!);

  const left = new Set(nodes.keys());
  const order: number[] = [];
  const starts: number[] = [];
  while (left.size > 0) {
    let node = -1;
    for (const n of left) if (node < 0 || neighbours[n]!.size < neighbours[node]!.size) node = n;
    const around = [...neighbours[node]!];
    const pairs: number[] = [];
    for (const [i, [n]] of around.entries()) for (const [m] of around.slice(i + 1)) pairs.push(placeOf(n, m));
    for (const [n] of around) neighbours[n]!.delete(node);
    left.delete(node);
    starts.push(order.length);
    order.push(node, around.length, ...around.map(([n]) => n), ...around.map(([, p]) => p), ...pairs);
  }
  return {
    nodes: Int32Array.from(nodes),
    local,
    between,
    places,
    order: Int32Array.from(order),
    starts: Int32Array.from(starts),
    work: workspace(nodes.length, places),
    puts: { ac: new WeakMap(), dc: new WeakMap() },
  };
}

/** Where two ends meet in a layout: their place; −1 where they are one, undefined where nothing was laid out between them. */
function placeIn({ nodes, local, between }: Layout, from: string, to: string): number | undefined {
  if (from === to) return -1;
  if (from === EARTH) return local.get(to);
  if (to === EARTH) return local.get(from);
  return between.get(local.get(from)! * nodes.length + local.get(to)!);
}

/** Whether all that a part joins was laid out as joined. */
const fits = (layout: Layout, part: Component): boolean =>
  joins(part).every(({ a, b }) => placeIn(layout, a, b) !== undefined);

/** What a part joins and conducts there at a frequency, S. */
function conducted(part: Component, frequency: number): { a: string; b: string; re: number; im: number }[] {
  // At 0 Hz a transformer does not couple: its windings are copper, each by itself.
  if (part.kind === 'transformer' && frequency === 0) {
    const { a, b, c, d, dc } = part;
    if (!dc) return [];
    return [
      { a, b, re: 1 / dc[0], im: 0 },
      { a: c, b: d, re: 1 / dc[1], im: 0 },
    ];
  }
  const { re, im } = admittance(part, frequency);
  return joins(part).map(({ a, b, weight }) => ({ a, b, re: weight * re, im: weight * im }));
}

function putInto(layout: Layout, part: Component, frequency: number): Put {
  const on = conducted(part, frequency)
    .map((c) => ({ ...c, place: placeIn(layout, c.a, c.b)! }))
    .filter(({ place }) => place >= 0);
  const e = emf(part, frequency);
  const y = admittance(part, frequency).re;
  const drives = e.re !== 0 || e.im !== 0;
  const into = [
    { node: layout.local.get(part.a) ?? -1, sign: 1 },
    { node: layout.local.get(part.b) ?? -1, sign: -1 },
  ].filter(({ node }) => drives && node >= 0);
  return {
    places: on.map((x) => x.place),
    re: on.map((x) => x.re),
    im: on.map((x) => x.im),
    nodes: into.map((x) => x.node),
    jRe: into.map(({ sign }) => sign * e.re * y),
    jIm: into.map(({ sign }) => sign * e.im * y),
  };
}

/** Parts put into a layout; null where some of them join what was not laid out as joined. */
function islandOn(layout: Layout, components: readonly Component[], frequency: number): Island | null {
  if (!components.every((part) => layout.puts.ac.has(part) || layout.puts.dc.has(part) || fits(layout, part)))
    return null;
  const source = (dc: boolean) => components.some((p) => p.kind === 'source' && (p.frequency === 0) === dc);
  const made = new Map<'ac' | 'dc', Prepared>();
  const at = (of: 'ac' | 'dc'): Prepared => {
    const known = made.get(of) ?? prepare(components, layout, of, frequency);
    made.set(of, known);
    return known;
  };
  return {
    ...layout,
    components,
    devices: new Set(components.flatMap((p) => (p.when ? [p.when.device] : []))),
    ac: source(false) ? at('ac') : null,
    dc: source(true) ? at('dc') : null,
    at,
  };
}

/** Every node hangs on earth by this, S: what nothing else holds has a potential all the same, and any meter pulls it down. */
const AIR = 1e-9;

/** Adds what a part comes to to the equations of an island. @param sources false: all of them off */
export function add({ places, re, im, nodes, jRe, jIm }: Put, to: Equations, sources: boolean): void {
  const { yRe, yIm } = to;
  for (let i = 0; i < places.length; i++) {
    const place = places[i]!;
    yRe[place]! += re[i]!;
    yIm[place]! += im[i]!;
  }
  if (!sources) return;
  for (let i = 0; i < nodes.length; i++) {
    to.jRe[nodes[i]!]! += jRe[i]!;
    to.jIm[nodes[i]!]! += jIm[i]!;
  }
}

const blankEquations = (count: number, places: number): Equations => ({
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

/** A part that a device opens and closes, and what it comes to closed. */
interface Gate {
  readonly part: Component;
  readonly closed: Put;
}

const leaking = ({ places, re }: Put, leak: number): Put => ({
  places,
  re: re.map(() => leak),
  im: re.map(() => 0),
  nodes: [],
  jRe: [],
  jIm: [],
});

function together(all: readonly Put[]): Put {
  if (all.length === 1) return all[0]!;
  return {
    places: all.flatMap((p) => p.places),
    re: all.flatMap((p) => p.re),
    im: all.flatMap((p) => p.im),
    nodes: all.flatMap((p) => p.nodes),
    jRe: all.flatMap((p) => p.jRe),
    jIm: all.flatMap((p) => p.jIm),
  };
}

/** What a device opens and closes, looked up by its state. */
function gatesOf(device: string, gates: readonly Gate[]): Gates {
  const known = new Map<string | undefined, Put>();
  return {
    device,
    in(state) {
      const found = known.get(state);
      if (found) return found;
      const made = together(
        gates.flatMap(({ part, closed }): Put[] => {
          const { states, leak } = part.when!;
          if (states.includes(state ?? '')) return [closed];
          return leak ? [leaking(closed, leak)] : [];
        }),
      );
      known.set(state, made);
      return made;
    },
  };
}

function prepare(components: readonly Component[], layout: Layout, of: 'ac' | 'dc', frequency: number): Prepared {
  const made = blankEquations(layout.nodes.length, layout.places);
  made.yRe.fill(AIR, 0, layout.nodes.length);
  const puts = layout.puts[of];
  const gated = new Map<string, Gate[]>();
  for (const part of components) {
    let closed = puts.get(part);
    if (!closed) puts.set(part, (closed = putInto(layout, part, of === 'ac' ? frequency : 0)));
    const { when } = part;
    if (!when) add(closed, made, true);
    else if (gated.has(when.device)) gated.get(when.device)!.push({ part, closed });
    else gated.set(when.device, [{ part, closed }]);
  }
  return { ...made, gates: [...gated].map(([device, gates]) => gatesOf(device, gates)) };
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
