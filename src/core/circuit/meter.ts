import type { Component, States } from './netlist';
import { inverse, plus, size, times, ZERO, type Phasor } from './phasor';
import { across, between, impedanceBetween, potential, rms, solve, type Solution } from './solve';
import { settle } from './settle';
import { type Structure, structureOf } from './structure';

export const METER_MODES = ['ac-volts', 'dc-volts', 'low-z-volts', 'ohms', 'continuity', 'insulation'] as const;
export type MeterMode = (typeof METER_MODES)[number];
type VoltsMode = Extract<MeterMode, `${string}-volts`>;

/**
 * What stands behind a voltage that is shown.
 * - `steady`: a conductor, a coil or another load: it is there
 * - `ghost`: only capacitance or leakage; a few kilohms pull it down to nearly nothing
 * - `near-zero`: none, and neither point carries a voltage to earth that hurts
 * - `equal`: none between the two, and both are live to earth
 * - `blind`: none of the kind that this mode shows; the other kind is there
 */
export type VoltsState = 'steady' | 'ghost' | 'near-zero' | 'equal' | 'blind';

/** What a display shows of volts, whatever the two points carry to earth. */
export interface VoltsShown {
  readonly ok: true;
  readonly value: number;
  readonly unit: 'V';
  readonly state: Exclude<VoltsState, 'equal'>;
  /** Where the mode is blind: the volts of the other kind. */
  readonly unseen?: number;
  /** A ghost through which enough flows to be felt, A. */
  readonly felt?: number;
}

export interface VoltsReading extends Omit<VoltsShown, 'state'> {
  readonly state: VoltsState;
  /** Volts to earth of each point that carries a voltage there that hurts, by more than capacitance or leakage; 0: it carries none. */
  readonly toEarth: readonly [a: number, b: number];
  /** Devices that the load of low-impedance mode moves, and to what; then it shows `then`. */
  readonly moves?: readonly { readonly device: string; readonly to: string }[];
  readonly then?: number;
}

/** What is no voltage, or is refused. */
type Otherwise =
  | {
      readonly ok: true;
      readonly value: number;
      readonly unit: 'Ω' | 'A';
      readonly state: 'steady' | 'near-zero' | 'open' | 'beeps' | 'silent';
    }
  | {
      readonly ok: false;
      readonly reason: 'no-such-point' | 'live' | 'no-such-conductor';
      readonly at: string;
      readonly volts?: number;
    };

export type Reading = VoltsReading | Otherwise;
export type Shown = VoltsShown | Otherwise;

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
/** A voltage that falls below this share of itself under a few kilohms (a source of more than about 100 kΩ) is a ghost. */
const GHOST = 0.03;
/** Less than this shows as none, V. */
const NONE = 0.5;
/** More than this to earth hurts a wet hand, V (IEC 60364-4-41, 414.4.5: 25 V alternating). */
const HURTS = 25;
/** A hand to earth, Ω, and what it begins to feel, A (IEC 60479-1: 0.5 mA, whatever the time). */
const BODY = 1000;
const FELT = 0.5e-3;

const isVolts = (mode: MeterMode): mode is VoltsMode => mode.endsWith('-volts');

const METER = 'meter';
const KINDS = ['ac', 'dc'] as const;
type Kind = (typeof KINDS)[number];

/** What is seen from two points as it stands: a voltage with an impedance in series, of each kind. No device moves. */
interface Port {
  readonly volts: Readonly<Record<Kind, Phasor>>;
  /** Volts, of each kind, under a load, Ω beside F. */
  under(load: number, farads?: number): Readonly<Record<Kind, Phasor>>;
}

function portOf(solution: Solution, a: string, b: string): Port {
  const { structure, states } = solution;
  const volts = { ac: between(solution, a, b, 'ac'), dc: between(solution, a, b, 'dc') };
  const behind = new Map<Kind, Phasor>();
  const impedance = (of: Kind): Phasor => {
    const known = behind.get(of) ?? impedanceBetween(structure, states, a, b, of);
    behind.set(of, known);
    return known;
  };
  const under = (of: Kind, load: number, farads: number): Phasor => {
    if (size(volts[of]) === 0) return volts[of];
    const admittance = { re: 1 / load, im: of === 'ac' ? 2 * Math.PI * solution.ac.frequency * farads : 0 };
    // V · Z / (Z + Zs) = V / (1 + Y · Zs)
    return times(volts[of], inverse(plus({ re: 1, im: 0 }, times(admittance, impedance(of)))));
  };
  return { volts, under: (load, farads = 0) => ({ ac: under('ac', load, farads), dc: under('dc', load, farads) }) };
}

/** Whether a voltage stands by more than capacitance or leakage: a load of a few kilohms leaves something of it. */
const stands = (open: number, underLow: number): boolean => underLow > GHOST * open;

/**
 * Volts to earth of a node, where they hurt a wet hand (25 V and more) and stand by more than capacitance or leakage; 0 otherwise.
 * As the circuit stands: no device moves.
 */
export function liveToEarth(solution: Solution, at: string): number {
  if (rms(potential(solution, at, 'ac'), potential(solution, at, 'dc')) <= HURTS) return 0;
  const port = portOf(solution, at, '0');
  const low = port.under(LOW);
  const volts = KINDS.map((k) => (stands(size(port.volts[k]), size(low[k])) ? size(port.volts[k]) : 0));
  const all = Math.hypot(...volts);
  return all > HURTS ? all : 0;
}

/** What the load of low-impedance mode makes devices do, where it makes them do anything. */
function movedBy({ structure, states }: Solution, a: string, b: string): Pick<VoltsReading, 'moves' | 'then'> {
  const { netlist } = structure;
  const meter: Component = { kind: 'impedance', id: METER, a, b, r: LOW };
  const settled = settle(structureOf({ ...netlist, components: [...netlist.components, meter] }, structure), states);
  if (settled.moves.length === 0) return {};
  const { solution } = settled;
  return {
    moves: settled.moves.map(({ device, to }) => ({ device, to })),
    then: rms(between(solution, a, b, 'ac'), between(solution, a, b, 'dc')),
  };
}

function shownVolts(port: Port, mode: VoltsMode): VoltsShown {
  const low = port.under(LOW);
  const { ac, dc } = mode === 'low-z-volts' ? low : port.under(HIGH, INPUT);
  const value = { 'ac-volts': size(ac), 'dc-volts': dc.re, 'low-z-volts': rms(ac, dc) }[mode];
  const shown = { ok: true, value, unit: 'V' } as const;
  const none = Math.abs(value) < NONE;
  if (mode === 'low-z-volts') return { ...shown, state: none ? 'near-zero' : 'steady' };
  const kind: Kind = mode === 'dc-volts' ? 'dc' : 'ac';
  if (none) {
    const unseen = size(kind === 'ac' ? dc : ac);
    return unseen >= NONE ? { ...shown, state: 'blind', unseen } : { ...shown, state: 'near-zero' };
  }
  if (stands(size(port.volts[kind]), size(low[kind]))) return { ...shown, state: 'steady' };
  const felt = size(port.under(BODY)[kind]) / BODY;
  return { ...shown, state: 'ghost', ...(felt >= FELT && { felt }) };
}

function volts(solution: Solution, a: string, b: string, mode: VoltsMode): VoltsReading {
  const shown = shownVolts(portOf(solution, a, b), mode);
  const toEarth = [liveToEarth(solution, a), liveToEarth(solution, b)] as const;
  const moved = mode === 'low-z-volts' ? movedBy(solution, a, b) : {};
  if (moved.moves) return { ...shown, toEarth, state: 'steady', ...moved };
  return { ...shown, toEarth, state: shown.state === 'near-zero' && Math.max(...toEarth) > 0 ? 'equal' : shown.state };
}

/** By what a battery would drive through it: the resistance between the two at 0 Hz with every source off. */
function ohms(live: Solution, a: string, b: string, mode: Exclude<MeterMode, VoltsMode>): Otherwise {
  // What only the air holds up is none; what is too little without a load is so under one.
  const held = (p: string, q: string, limit: number): number | null => {
    const port = portOf(live, p, q);
    if (rms(port.volts.ac, port.volts.dc) <= limit) return null;
    const { ac, dc } = port.under(LOW * 100);
    return rms(ac, dc) > limit ? rms(ac, dc) : null;
  };
  for (const [p, q, at, limit] of [
    [a, b, `${a} – ${b}`, STRAY],
    [a, '0', a, TOUCH],
    [b, '0', b, TOUCH],
  ] as const) {
    const volts = held(p, q, limit);
    if (volts !== null) return { ok: false, reason: 'live', at, volts };
  }

  const value = impedanceBetween(live.structure, live.states, a, b, 'dc').re;
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

/** Why a meter cannot be put there. */
const stranger = ({ structure }: Solution, ...points: readonly string[]): Otherwise | null => {
  const at = points.find((p) => p !== '0' && !structure.nodes.has(p));
  return at === undefined ? null : { ok: false, reason: 'no-such-point', at };
};

/** What the display shows on a circuit that is solved already: as `read`, but what the points carry to earth, and what its load would move, is not asked. */
export const shownOn = (solution: Solution, a: string, b: string, mode: MeterMode): Shown =>
  stranger(solution, a, b) ?? (isVolts(mode) ? shownVolts(portOf(solution, a, b), mode) : ohms(solution, a, b, mode));

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
  const solution = solve(structure, states);
  return stranger(solution, a, b) ?? (isVolts(mode) ? volts(solution, a, b, mode) : ohms(solution, a, b, mode));
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
