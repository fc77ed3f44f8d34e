import { admittance, emf } from './admittance';
import { conducts, type Component, type States } from './netlist';
import { minus, type Phasor, size, times, ZERO } from './phasor';
import { type Island, type Prepared, put, type Structure } from './structure';

/** Potentials against earth at one frequency. */
export interface Potentials {
  readonly frequency: number;
  readonly re: Float64Array;
  readonly im: Float64Array;
}

export interface Solution {
  readonly structure: Structure;
  readonly states: States;
  readonly ac: Potentials;
  /** null: nothing in the circuit is direct current. */
  readonly dc: Potentials | null;
}

/** One ampere put in at a node and taken out at another, all sources off; below zero: earth. */
interface Probe {
  readonly a: number;
  readonly b: number;
}

/** The equations of an island in given states: what it conducts, and what its sources, or the probe alone, put in. */
function equationsOf(nodes: Int32Array, prepared: Prepared, states: States, probe?: Probe) {
  const count = nodes.length;
  const equations = {
    yRe: prepared.yRe.slice(),
    yIm: prepared.yIm.slice(),
    gRe: prepared.gRe.slice(),
    gIm: prepared.gIm.slice(),
    jRe: probe ? new Float64Array(count) : prepared.jRe.slice(),
    jIm: probe ? new Float64Array(count) : prepared.jIm.slice(),
  };
  if (probe)
    for (let n = 0; n < count; n++) {
      if (nodes[n] === probe.a) equations.jRe[n]! += 1;
      if (nodes[n] === probe.b) equations.jRe[n]! -= 1;
    }
  for (const { stamp, re, im, jRe, jIm } of prepared.gates) {
    if (conducts(stamp.part, states)) put(stamp, re, im, probe ? 0 : jRe, probe ? 0 : jIm, equations);
    else if (stamp.part.when?.leak) put(stamp, stamp.part.when.leak, 0, 0, 0, equations);
  }
  return equations;
}

/**
 * Node potentials of an island at one frequency by elimination node by node: each node is replaced by a mesh between its neighbours
 * (star–mesh transformation, A. Rosen, 1924), its injected current shared among them; then the potentials follow backwards. This is
 * Gaussian elimination of the nodal equations whose diagonal is never stored but summed, so that nothing is subtracted where all components
 * are passive, and a leak of 1e-9 S beside a contact of 100 S keeps its digits (W. K. Grassmann, M. I. Taksar and D. P. Heyman, 1985).
 */
function solveIsland(
  { nodes, order }: Island,
  prepared: Prepared,
  states: States,
  field: Potentials,
  probe?: Probe,
): void {
  const count = nodes.length;
  const { yRe, yIm, gRe, gIm, jRe, jIm } = equationsOf(nodes, prepared, states, probe);

  const sRe = new Float64Array(count);
  const sIm = new Float64Array(count);
  for (const { node, neighbours, to, between } of order) {
    let re = gRe[node]!;
    let im = gIm[node]!;
    for (const p of to) {
      re += yRe[p]!;
      im += yIm[p]!;
    }
    const d = re * re + im * im;
    sRe[node] = d === 0 ? 0 : re / d;
    sIm[node] = d === 0 ? 0 : -im / d;
    let next = 0;
    for (let i = 0; i < to.length; i++) {
      const wRe = yRe[to[i]!]! * sRe[node]! - yIm[to[i]!]! * sIm[node]!;
      const wIm = yRe[to[i]!]! * sIm[node]! + yIm[to[i]!]! * sRe[node]!;
      const n = neighbours[i]!;
      gRe[n]! += wRe * gRe[node]! - wIm * gIm[node]!;
      gIm[n]! += wRe * gIm[node]! + wIm * gRe[node]!;
      jRe[n]! += wRe * jRe[node]! - wIm * jIm[node]!;
      jIm[n]! += wRe * jIm[node]! + wIm * jRe[node]!;
      for (let k = i + 1; k < to.length; k++) {
        const p = between[next++]!;
        yRe[p]! += wRe * yRe[to[k]!]! - wIm * yIm[to[k]!]!;
        yIm[p]! += wRe * yIm[to[k]!]! + wIm * yRe[to[k]!]!;
      }
    }
  }

  const re = new Float64Array(count);
  const im = new Float64Array(count);
  for (let o = order.length - 1; o >= 0; o--) {
    const { node, neighbours, to } = order[o]!;
    let aRe = jRe[node]!;
    let aIm = jIm[node]!;
    for (let i = 0; i < to.length; i++) {
      const p = to[i]!;
      const n = neighbours[i]!;
      aRe += yRe[p]! * re[n]! - yIm[p]! * im[n]!;
      aIm += yRe[p]! * im[n]! + yIm[p]! * re[n]!;
    }
    re[node] = aRe * sRe[node]! - aIm * sIm[node]!;
    im[node] = aRe * sIm[node]! + aIm * sRe[node]!;
  }
  for (let i = 0; i < count; i++) {
    field.re[nodes[i]!] = re[i]!;
    field.im[nodes[i]!] = im[i]!;
  }
}

const blank = (frequency: number, count: number, from: Potentials | null | undefined): Potentials => ({
  frequency,
  re: from ? from.re.slice() : new Float64Array(count),
  im: from ? from.im.slice() : new Float64Array(count),
});

/**
 * Solves a circuit in given states of its devices: complex nodal analysis at the mains frequency and, where there are direct
 * sources, at 0 Hz beside it; the two are superposed by whoever asks. Islands are solved each by itself, at what its sources are; given a
 * solution of the same structure before, only those that a change of states reaches.
 */
export function solve(structure: Structure, states: States, before?: Solution): Solution {
  const { names, islands, netlist, hasDc } = structure;
  const ac = blank(netlist.frequency, names.length, before?.ac);
  const dc = hasDc ? blank(0, names.length, before?.dc) : null;
  for (const island of islands) {
    if (before && island.devices.every((d) => before.states[d] === states[d])) continue;
    if (island.ac) solveIsland(island, island.ac, states, ac);
    if (island.dc) solveIsland(island, island.dc, states, dc!);
  }
  return { structure, states, ac, dc };
}

/**
 * The impedance, Ω, that is seen between two nodes in given states with every source off: what a source behind them would have in series
 * (L. C. Thévenin, 1883). By one ampere put in at one and taken out at the other; nodes of different islands are seen through the earth.
 */
export function impedanceBetween(structure: Structure, states: States, a: string, b: string, of: 'ac' | 'dc'): Phasor {
  const place = (name: string) => structure.nodes.get(name) ?? -1;
  const probe = { a: place(a), b: place(b) };
  const field = blank(0, structure.names.length, null);
  for (const island of structure.islands)
    if (island.nodes.includes(probe.a) || island.nodes.includes(probe.b))
      solveIsland(island, island.at(of), states, field, probe);
  const at = (n: number): Phasor => (n < 0 ? ZERO : { re: field.re[n]!, im: field.im[n]! });
  return minus(at(probe.a), at(probe.b));
}

/** Potential of a node against earth, V; zero for a node that is in no part. */
export function potential({ structure, ac, dc }: Solution, node: string, of: 'ac' | 'dc'): Phasor {
  const field = of === 'ac' ? ac : dc;
  const n = structure.nodes.get(node);
  return field === null || n === undefined ? ZERO : { re: field.re[n]!, im: field.im[n]! };
}

export const between = (solution: Solution, a: string, b: string, of: 'ac' | 'dc'): Phasor =>
  minus(potential(solution, a, of), potential(solution, b, of));

/** Volts across and amps through a part, from `a` to `b`. */
export function across(solution: Solution, part: Component, of: 'ac' | 'dc'): { volts: Phasor; amps: Phasor } {
  const frequency = of === 'ac' ? solution.ac.frequency : 0;
  const volts = between(solution, part.a, part.b, of);
  if (!conducts(part, solution.states)) return { volts, amps: times({ re: part.when?.leak ?? 0, im: 0 }, volts) };
  const y = admittance(part, frequency);
  if (part.kind === 'transformer') {
    if (of === 'dc') return { volts, amps: ZERO };
    const second = between(solution, part.c, part.d, of);
    return {
      volts,
      amps: times(
        { re: part.ratio * y.re, im: 0 },
        { re: part.ratio * volts.re - second.re, im: part.ratio * volts.im - second.im },
      ),
    };
  }
  return { volts, amps: times(y, minus(volts, emf(part, frequency))) };
}

/** The two components of a value as one r.m.s. figure. */
export const rms = (ac: Phasor, dc: Phasor): number => Math.hypot(size(ac), size(dc));
