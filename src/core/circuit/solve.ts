import { admittance, emf } from './admittance';
import { add, type Island, type Prepared } from './island';
import { conducts, type Component, type States } from './netlist';
import { minus, type Phasor, size, times, ZERO } from './phasor';
import type { Structure } from './structure';

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

/** Lays down the equations of an island in given states: what it conducts, and what its sources, or the probe alone, put in. */
function layDown({ nodes, work }: Island, prepared: Prepared, states: States, probe?: Probe): void {
  work.yRe.set(prepared.yRe);
  work.yIm.set(prepared.yIm);
  if (probe) {
    work.jRe.fill(0);
    work.jIm.fill(0);
    for (let n = 0; n < nodes.length; n++) {
      if (nodes[n] === probe.a) work.jRe[n]! += 1;
      if (nodes[n] === probe.b) work.jRe[n]! -= 1;
    }
  } else {
    work.jRe.set(prepared.jRe);
    work.jIm.set(prepared.jIm);
  }
  for (const gates of prepared.gates) add(gates.in(states[gates.device]), work, !probe);
}

/** Eliminates node after node of the equations that are laid down. */
function eliminate({ order, work }: Island): void {
  const { yRe, yIm, jRe, jIm, sRe, sIm } = work;
  let at = 0;
  while (at < order.length) {
    const node = order[at]!;
    const count = order[at + 1]!;
    const neighbours = at + 2;
    const to = neighbours + count;
    at = to + count;
    let re = yRe[node]!;
    let im = yIm[node]!;
    for (let i = to; i < to + count; i++) {
      re += yRe[order[i]!]!;
      im += yIm[order[i]!]!;
    }
    const d = re * re + im * im;
    sRe[node] = d === 0 ? 0 : re / d;
    sIm[node] = d === 0 ? 0 : -im / d;
    for (let i = 0; i < count; i++) {
      const place = order[to + i]!;
      const wRe = yRe[place]! * sRe[node] - yIm[place]! * sIm[node];
      const wIm = yRe[place]! * sIm[node] + yIm[place]! * sRe[node];
      const n = order[neighbours + i]!;
      yRe[n]! += wRe * yRe[node]! - wIm * yIm[node]!;
      yIm[n]! += wRe * yIm[node]! + wIm * yRe[node]!;
      jRe[n]! += wRe * jRe[node]! - wIm * jIm[node]!;
      jIm[n]! += wRe * jIm[node]! + wIm * jRe[node]!;
      for (let k = to + i + 1; k < to + count; k++) {
        const from = order[k]!;
        const between = order[at++]!;
        yRe[between]! += wRe * yRe[from]! - wIm * yIm[from]!;
        yIm[between]! += wRe * yIm[from]! + wIm * yRe[from]!;
      }
    }
  }
}

/** The potentials of the nodes, from the last that was eliminated to the first. */
function follow({ order, starts, work }: Island): void {
  const { yRe, yIm, jRe, jIm, sRe, sIm, re, im } = work;
  for (let o = starts.length - 1; o >= 0; o--) {
    const at = starts[o]!;
    const node = order[at]!;
    const count = order[at + 1]!;
    let aRe = jRe[node]!;
    let aIm = jIm[node]!;
    for (let i = at + 2; i < at + 2 + count; i++) {
      const n = order[i]!;
      const p = order[i + count]!;
      aRe += yRe[p]! * re[n]! - yIm[p]! * im[n]!;
      aIm += yRe[p]! * im[n]! + yIm[p]! * re[n]!;
    }
    re[node] = aRe * sRe[node]! - aIm * sIm[node]!;
    im[node] = aRe * sIm[node]! + aIm * sRe[node]!;
  }
}

/**
 * Node potentials of an island at one frequency by elimination node by node: each node is replaced by a mesh between its neighbours
 * (star–mesh transformation, A. Rosen, 1924), its injected current shared among them; then the potentials follow backwards. This is
 * Gaussian elimination of the nodal equations whose diagonal is never stored but summed, so that nothing is subtracted where all components
 * are passive, and a leak of 1e-9 S beside a contact of 100 S keeps its digits (W. K. Grassmann, M. I. Taksar and D. P. Heyman, 1985).
 * They stand in the workspace of the island until it is solved again.
 */
function solveIsland(island: Island, prepared: Prepared, states: States, probe?: Probe): void {
  layDown(island, prepared, states, probe);
  eliminate(island);
  follow(island);
}

const blank = (frequency: number, count: number): Potentials => ({
  frequency,
  re: new Float64Array(count),
  im: new Float64Array(count),
});

/**
 * Solves a circuit in given states of its devices: complex nodal analysis at the mains frequency and, where there are direct
 * sources, at 0 Hz beside it; the two are superposed by whoever asks. Islands are solved each by itself, at what its sources are.
 */
export function solve(structure: Structure, states: States): Solution {
  const { names, islands, netlist, hasDc } = structure;
  const solution: Solution = {
    structure,
    states,
    ac: blank(netlist.frequency, names.length),
    dc: hasDc ? blank(0, names.length) : null,
  };
  for (const island of islands) into(solution, island);
  return solution;
}

function into({ states, ac, dc }: Solution, island: Island): void {
  if (island.ac) put(island, island.ac, states, ac);
  if (island.dc) put(island, island.dc, states, dc!);
}

function put(island: Island, prepared: Prepared, states: States, { re, im }: Potentials): void {
  solveIsland(island, prepared, states);
  const { nodes, work } = island;
  for (let i = 0; i < nodes.length; i++) {
    re[nodes[i]!] = work.re[i]!;
    im[nodes[i]!] = work.im[i]!;
  }
}

/** Solves again, in place, what a device reaches whose state has changed in the solution’s own states. */
export function solveAgain(solution: Solution, device: string): void {
  for (const island of solution.structure.islands) if (island.devices.has(device)) into(solution, island);
}

/**
 * The impedance, Ω, that is seen between two nodes in given states with every source off: what a source behind them would have in series
 * (L. C. Thévenin, 1883). By one ampere put in at one and taken out at the other; nodes of different islands are seen through the earth.
 */
export function impedanceBetween(structure: Structure, states: States, a: string, b: string, of: 'ac' | 'dc'): Phasor {
  const place = (name: string) => structure.nodes.get(name) ?? -1;
  const probe = { a: place(a), b: place(b) };
  let [re, im] = [0, 0];
  for (const island of structure.islands) {
    const [from, to] = [island.nodes.indexOf(probe.a), island.nodes.indexOf(probe.b)];
    if (from < 0 && to < 0) continue;
    solveIsland(island, island.at(of), states, probe);
    const { work } = island;
    re += (from < 0 ? 0 : work.re[from]!) - (to < 0 ? 0 : work.re[to]!);
    im += (from < 0 ? 0 : work.im[from]!) - (to < 0 ? 0 : work.im[to]!);
  }
  return { re, im };
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
