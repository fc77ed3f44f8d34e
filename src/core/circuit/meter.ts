import type { Component, States } from './netlist';
import { rms, across, between, solve, type Solution } from './solve';
import { size, ZERO } from './phasor';
import { settle } from './settle';
import { type Structure, structureOf } from './structure';

export const METER_MODES = ['ac-volts', 'dc-volts', 'low-z-volts', 'ohms', 'continuity', 'insulation'] as const;
export type MeterMode = (typeof METER_MODES)[number];

export type Reading =
  | {
      readonly ok: true;
      readonly value: number;
      readonly unit: 'V' | 'Ω' | 'A';
      readonly state: 'steady' | 'ghost' | 'near-zero' | 'open' | 'beeps' | 'silent';
    }
  | {
      readonly ok: false;
      readonly reason: 'no-such-point' | 'live' | 'no-such-conductor';
      readonly at: string;
      readonly volts?: number;
    };

/** What a meter of the trade loads a circuit with: 10 MΩ beside 100 pF; 3 kΩ in its low-impedance mode. */
const HIGH = 10e6;
const INPUT = 100e-12;
const LOW = 3000;
/** More than this between the probes, or from either to earth, and a resistance reading is not one. */
const STRAY = 0.1;
const TOUCH = 10;
/** Past this the display says open line; an insulation tester reads further. */
const OPEN = 40e6;
const INSULATION_TOP = 1e9;
const BEEP = 50;
/** A voltage that falls below this share of itself in low-impedance mode (a source of more than about 100 kΩ) is a ghost. */
const GHOST = 0.03;

const METER = 'meter';

const probes = (a: string, b: string, r: number, c: number): Component[] => [
  { kind: 'impedance', id: METER, a, b, r },
  ...(c > 0 ? [{ kind: 'capacitor' as const, id: `${METER}-input`, a, b, c }] : []),
];

/** The circuit once more with its meter in it, settled: a meter of low impedance may let a relay fall. */
function loaded(structure: Structure, states: States, a: string, b: string, r: number, c: number): Solution {
  const { netlist } = structure;
  return settle(structureOf({ ...netlist, components: [...netlist.components, ...probes(a, b, r, c)] }), states)
    .solution;
}

function volts(structure: Structure, states: States, a: string, b: string, mode: MeterMode): Reading {
  const low = mode === 'low-z-volts';
  const read = (solution: Solution): number => {
    const ac = between(solution, a, b, 'ac');
    const dc = between(solution, a, b, 'dc');
    return mode === 'ac-volts' ? size(ac) : mode === 'dc-volts' ? dc.re : rms(ac, dc);
  };
  const value = read(loaded(structure, states, a, b, low ? LOW : HIGH, low ? 0 : INPUT));
  if (Math.abs(value) < 0.5) return { ok: true, value, unit: 'V', state: 'near-zero' };
  // What a load of a few kilohms pulls down to nearly nothing was never behind a conductor, nor behind a coil.
  const stands = low || Math.abs(read(loaded(structure, states, a, b, LOW, 0))) > GHOST * Math.abs(value);
  return { ok: true, value, unit: 'V', state: stands ? 'steady' : 'ghost' };
}

function ohms(structure: Structure, states: States, a: string, b: string, mode: MeterMode): Reading {
  const live = solve(structure, states);
  const seen = [
    { at: `${a} – ${b}`, volts: rms(between(live, a, b, 'ac'), between(live, a, b, 'dc')), limit: STRAY },
    ...[a, b].map((at) => ({
      at,
      volts: rms(between(loadedTo(structure, states, at), at, '0', 'ac'), between(live, at, '0', 'dc')),
      limit: TOUCH,
    })),
  ].find((v) => v.volts > v.limit);
  if (seen) return { ok: false, reason: 'live', at: seen.at, volts: seen.volts };

  const [test, behind] = [1, 1e6];
  const dead: Component[] = structure.netlist.components.map((p) => (p.kind === 'source' ? { ...p, volts: 0 } : p));
  const meter: Component = { kind: 'source', id: METER, a, b, volts: test, phaseDeg: 0, frequency: 0, r: behind };
  const shown = between(
    solve(structureOf({ ...structure.netlist, components: [...dead, meter] }), states),
    a,
    b,
    'dc',
  ).re;
  const value = (shown * behind) / (test - shown);
  const top = mode === 'insulation' ? INSULATION_TOP : OPEN;
  if (mode === 'continuity')
    return {
      ok: true,
      value: value > OPEN || value < 0 ? Infinity : value,
      unit: 'Ω',
      state: value >= 0 && value < BEEP ? 'beeps' : 'silent',
    };
  if (value > top || value < 0) return { ok: true, value: Infinity, unit: 'Ω', state: 'open' };
  return { ok: true, value, unit: 'Ω', state: value < 1 ? 'near-zero' : 'steady' };
}

/** Potential to earth as it stands with a meter on it: what only the air holds up is none. */
const loadedTo = (structure: Structure, states: States, at: string): Solution =>
  loaded(structure, states, at, '0', LOW * 100, 0);

/**
 * What a meter reads between two points of a circuit in given states: V, or Ω. In `ac-volts` and `dc-volts` it is 10 MΩ beside
 * 100 pF, in `low-z-volts` 3 kΩ. Ohms, continuity (under 50 Ω) and insulation are refused where there is voltage.
 * @example
 * const sump = newStation('Sump', 'Yard', 'metric-230');
 * const wired = wire(sump, panelOf(sump).panel);
 * const { states } = solveWith(wired, {});
 * const [line, neutral] = ['P:1', 'P:N'].map((point) => wired.points.get(point));
 * read(wired.structure, states, line, neutral, 'ac-volts').value.toFixed(0) // → '230'
 * read(wired.structure, states, line, neutral, 'ohms').reason // → 'live'
 */
export function read(structure: Structure, states: States, a: string, b: string, mode: MeterMode): Reading {
  for (const at of [a, b])
    if (at !== '0' && !structure.nodes.has(at)) return { ok: false, reason: 'no-such-point', at };
  return mode.endsWith('volts') ? volts(structure, states, a, b, mode) : ohms(structure, states, a, b, mode);
}

/** What a clamp round one conductor reads, A; round several at once, their sum (what leaks to earth). */
export function clamp(solution: Solution, components: readonly string[]): Reading {
  const missing = components.find((id) => !solution.structure.components.has(id));
  if (missing !== undefined) return { ok: false, reason: 'no-such-conductor', at: missing };
  const sum = (of: 'ac' | 'dc') =>
    components
      .map((id) => across(solution, solution.structure.components.get(id)!, of).amps)
      .reduce((p, q) => ({ re: p.re + q.re, im: p.im + q.im }), ZERO);
  const value = rms(sum('ac'), sum('dc'));
  return { ok: true, value, unit: 'A', state: value < 0.005 ? 'near-zero' : 'steady' };
}
