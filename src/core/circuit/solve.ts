import { admittance } from './admittance';
import { conducts, EARTH, type Part, type States } from './netlist';
import { minus, type Phasor, polar, size, times, ZERO } from './phasor';
import type { Structure } from './structure';

/** Every node hangs on earth by this, S: what nothing else holds has a potential all the same, and any meter pulls it down. */
const AIR = 1e-9;

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

/** What a source drives at a frequency; null for one that does not, and for what is none. */
const emf = (part: Part, frequency: number, states: States): Phasor | null =>
  part.kind === 'source' && part.frequency === frequency && conducts(part, states) ? polar(part.volts, frequency === 0 ? 0 : part.phaseDeg) : null;

/**
 * Node potentials at one frequency by elimination node by node: each node is replaced by a mesh between its neighbours (star–mesh
 * transformation, A. Rosen, 1924), its injected current shared among them; then the potentials follow backwards. This is Gaussian
 * elimination of the nodal equations whose diagonal is never stored but summed, so that nothing is subtracted where all parts are
 * passive, and a leak of 1e-9 S beside a contact of 100 S keeps its digits (W. K. Grassmann, M. I. Taksar and D. P. Heyman, 1985).
 */
function potentials(structure: Structure, states: States, frequency: number): Potentials {
  const { names, places, order, stamps } = structure;
  const count = names.length;
  const yRe = new Float64Array(places);
  const yIm = new Float64Array(places);
  const gRe = new Float64Array(count).fill(AIR);
  const gIm = new Float64Array(count);
  const jRe = new Float64Array(count);
  const jIm = new Float64Array(count);

  const inject = (name: string, re: number, im: number): void => {
    if (name === EARTH) return;
    const n = structure.nodes.get(name)!;
    jRe[n]! += re;
    jIm[n]! += im;
  };
  for (const { part, at } of stamps) {
    const { re, im } = admittance(part, frequency, states);
    if (re === 0 && im === 0) continue;
    const couples = part.kind !== 'transformer' || frequency > 0;
    for (const { place, weight } of couples ? at : []) {
      if (place < 0) {
        gRe[-1 - place]! += weight * re;
        gIm[-1 - place]! += weight * im;
      } else {
        yRe[place]! += weight * re;
        yIm[place]! += weight * im;
      }
    }
    const e = emf(part, frequency, states);
    if (e !== null) {
      inject(part.a, e.re * re, e.im * re);
      inject(part.b, -e.re * re, -e.im * re);
    }
  }

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
  return { frequency, re, im };
}

/**
 * Solves a circuit in given states of its devices: complex nodal analysis at the mains frequency and, where there are direct
 * sources, at 0 Hz beside it; the two are superposed by whoever asks.
 */
export const solve = (structure: Structure, states: States): Solution => ({
  structure,
  states,
  ac: potentials(structure, states, structure.netlist.frequency),
  dc: structure.hasDc ? potentials(structure, states, 0) : null,
});

/** Potential of a node against earth, V; zero for a node that is in no part. */
export function potential({ structure, ac, dc }: Solution, node: string, of: 'ac' | 'dc'): Phasor {
  const field = of === 'ac' ? ac : dc;
  const n = structure.nodes.get(node);
  return field === null || n === undefined ? ZERO : { re: field.re[n]!, im: field.im[n]! };
}

export const between = (solution: Solution, a: string, b: string, of: 'ac' | 'dc'): Phasor => minus(potential(solution, a, of), potential(solution, b, of));

/** Volts across and amps through a part, from `a` to `b`. */
export function across(solution: Solution, part: Part, of: 'ac' | 'dc'): { volts: Phasor; amps: Phasor } {
  const frequency = of === 'ac' ? solution.ac.frequency : 0;
  const volts = between(solution, part.a, part.b, of);
  const y = admittance(part, frequency, solution.states);
  if (part.kind === 'transformer') {
    if (of === 'dc') return { volts, amps: ZERO };
    const second = between(solution, part.c, part.d, of);
    return { volts, amps: times({ re: part.ratio * y.re, im: 0 }, { re: part.ratio * volts.re - second.re, im: part.ratio * volts.im - second.im }) };
  }
  return { volts, amps: times(y, minus(volts, emf(part, frequency, solution.states) ?? ZERO)) };
}

/** The two parts of a value as one r.m.s. figure. */
export const rms = (ac: Phasor, dc: Phasor): number => Math.hypot(size(ac), size(dc));
