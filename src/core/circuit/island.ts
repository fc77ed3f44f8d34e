import { admittance, emf } from './admittance';
import { blankEquations, fits, joins, placeIn, type Equations, type Layout, type Put } from './layout';
import type { Component } from './netlist';

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

/** Parts put into a layout; null where some of them join what was not laid out as joined. */
export function islandOn(layout: Layout, components: readonly Component[], frequency: number): Island | null {
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
