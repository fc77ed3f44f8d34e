import { sameIn } from './difference';
import { nextOfMotor, turns } from './motor';
import type { Behaviour, MotorBehaviour, States } from './netlist';
import { size } from './phasor';
import { sensed, voltsOver } from './senses';
import { solve, solveAgain, type Solution } from './solve';
import type { Structure } from './structure';
import { tripTime } from './tripCurve';

const held = (value: number, was: boolean, { pickUp, dropOut }: { pickUp: number; dropOut: number }): boolean =>
  was ? value >= dropOut : value >= pickUp;

/** What moves a device by one figure: not a hand, and not the phases of a motor. */
type Attends = Exclude<Behaviour, { kind: 'worked' } | MotorBehaviour>;

/** The state that a device goes to at once from this one; itself where nothing moves it. */
export function next(behaviour: Attends, state: string, value: number): string {
  switch (behaviour.kind) {
    case 'relay':
      return held(value, state === 'on', behaviour) ? 'on' : 'off';
    case 'alternator': {
      // `rest 1`: pump 1 is next; `call 1`: its call stands. The turn passes on when the call ends.
      const [was, turn] = [state.startsWith('call'), Number(state.slice(5))];
      const is = held(value, was, behaviour);
      if (was === is) return state;
      return is ? `call ${turn}` : `rest ${(turn % behaviour.turns) + 1}`;
    }
    case 'delay':
      return held(value, state !== 'off', behaviour) ? (state === 'off' ? 'timing' : state) : 'off';
    case 'cycle':
      return held(value, state !== 'off', behaviour) ? (state === 'off' ? 'resting' : state) : 'off';
    case 'trip':
      return state === 'on' &&
        (value > (behaviour.curve?.instant ?? behaviour.above ?? Infinity) || value < (behaviour.below ?? -Infinity))
        ? 'tripped'
        : state;
  }
}

/** The state that a device goes to at once in a solved circuit, from the one that it is in. */
type Mover = (solution: Solution, state: string) => string;

function moverOf(structure: Structure, behaviour: Behaviour): Mover {
  if (behaviour.kind === 'worked') return (_, state) => state;
  if (behaviour.kind !== 'motor')
    return (solution, state) => next(behaviour, state, sensed(solution, behaviour.senses));
  const windings = behaviour.windings.map((id) => voltsOver(structure, id));
  const auxiliary = behaviour.auxiliary === undefined ? null : voltsOver(structure, behaviour.auxiliary);
  return (solution, state) =>
    nextOfMotor(
      behaviour,
      state,
      windings.map((volts) => volts(solution)),
      auxiliary ? size(auxiliary(solution)) : 0,
    );
}

/** Whether what a device attends to holds it in; of a motor, whether it turns. */
export function isPickedUp(behaviour: Behaviour, state: string): boolean {
  if (behaviour.kind === 'motor') return turns(state);
  return behaviour.kind === 'alternator' ? state.startsWith('call') : 'pickUp' in behaviour && state !== 'off';
}

/** What time alone will do to a device: to which state, and how many seconds after it came into this one. */
function due(behaviour: Behaviour, state: string, solution: Solution): { to: string; after: number } | null {
  if (behaviour.kind === 'trip' && state === 'on' && behaviour.curve && behaviour.above !== undefined) {
    const after = tripTime(sensed(solution, behaviour.senses), behaviour.above, behaviour.curve);
    return after < LONGEST ? { to: 'tripped', after } : null;
  }
  if (behaviour.kind === 'delay' && state === 'timing') return { to: 'on', after: behaviour.seconds };
  if (behaviour.kind === 'cycle' && state === 'resting') return { to: 'running', after: behaviour.rest };
  if (behaviour.kind === 'cycle' && state === 'running') return { to: 'resting', after: behaviour.run };
  return null;
}

/** A current that opens something only after this, s, is one that it carries. */
const LONGEST = 7200;

export interface Settled {
  readonly solution: Solution;
  readonly states: States;
  /** Devices that never come to rest, in the order they move; empty when all is quiet. */
  readonly chatter: readonly string[];
  /** What moved by itself on the way, in order. */
  readonly moves: readonly Move[];
}

/** A device that waits: time alone takes it from one state to another. */
export interface Waiting {
  readonly device: string;
  readonly from: string;
  readonly to: string;
  /** s after it came into this state */
  readonly after: number;
}

/** Everything that time alone will do to a settled circuit: timers that run, and protection that warms. */
export const waitingOf = ({ solution, states }: Settled): Waiting[] =>
  solution.structure.netlist.devices.flatMap(({ id, behaviour }) => {
    const from = states[id]!;
    const next = due(behaviour, from, solution);
    return next ? [{ device: id, from, ...next }] : [];
  });

interface Move {
  readonly device: string;
  readonly from: string;
  readonly to: string;
}

/** The place among the moves since when they have come to nothing: every device is again as it was then. Null: there is none. */
function comesBack(moves: readonly Move[], states: States): number | null {
  const changed = new Set<string>();
  for (let i = moves.length - 1; i >= 0; i--) {
    const { device, from } = moves[i]!;
    if (states[device] === from) changed.delete(device);
    else changed.add(device);
    if (changed.size === 0) return i;
  }
  return null;
}

interface Moving {
  readonly id: string;
  readonly to: Mover;
}

/** The devices that move by themselves, in the order in which they are asked. */
function movingIn(structure: Structure): readonly Moving[] {
  const known = MOVING.get(structure);
  if (known) return known;
  const { devices } = structure.netlist;
  const ordered = [
    ...devices.filter((d) => d.behaviour.kind === 'trip').reverse(),
    ...devices.filter((d) => !['trip', 'worked', 'motor'].includes(d.behaviour.kind)),
    ...devices.filter((d) => d.behaviour.kind === 'motor'),
  ];
  const made = ordered.map(({ id, behaviour }) => ({ id, to: moverOf(structure, behaviour) }));
  MOVING.set(structure, made);
  return made;
}
const MOVING = new WeakMap<Structure, readonly Moving[]>();

/** Combinations that are remembered of a circuit, at most. */
const REMEMBERED = 5000;
const SETTLED = new WeakMap<Structure, Map<string, Settled>>();

/**
 * What one that is like this circuit comes to from the same states, where this one comes to the same: both conduct alike in every state on
 * the way, and nothing moves there that is held here. Null: that is not so, and it is to be solved.
 */
function asThere(structure: Structure, from: States): Settled | null {
  if (!structure.like) return null;
  const { structure: there, by } = structure.like;
  if (!sameIn(by, from)) return null;
  const settled = settle(there, from);
  const states = { ...from };
  for (const { device, to } of settled.moves) {
    states[device] = to;
    if (by.held.has(device) || !sameIn(by, states)) return null;
  }
  return { ...settled, solution: { ...settled.solution, structure } };
}

/**
 * What a circuit comes to from given states, when no device wants to move any more. It is remembered: the same states, the same answer; and
 * what a circuit like it comes to is not solved anew where it must be the same.
 */
export function settle(structure: Structure, from: States): Settled {
  let known = SETTLED.get(structure);
  if (!known) SETTLED.set(structure, (known = new Map()));
  let key = '';
  for (const { id } of structure.netlist.devices) key += `${from[id]}|`;
  const found = known.get(key);
  if (found) return found;
  const made = asThere(structure, from) ?? solved(structure, from);
  if (known.size >= REMEMBERED) known.clear();
  known.set(key, made);
  return made;
}

/**
 * Solves again and again until no device wants to move. Protection moves before coils, coils before rotors, one at a time: of
 * protection the last in the list, which is nearest to the load; of the others the first. The answer is always the same. Where a combination of
 * states comes back, the devices that moved since then chatter.
 */
function solved(structure: Structure, from: States): Settled {
  const moving = movingIn(structure);
  const states = { ...from };
  const solution = solve(structure, states);
  const moves: Move[] = [];
  for (;;) {
    let move: Move | null = null;
    for (const device of moving) {
      const from = states[device.id]!;
      const to = device.to(solution, from);
      if (to !== from) {
        move = { device: device.id, from, to };
        break;
      }
    }
    if (move === null) return { solution, states, chatter: [], moves };
    moves.push(move);
    states[move.device] = move.to;
    solveAgain(solution, move.device);
    const since = comesBack(moves, states);
    if (since !== null)
      return { solution, states, chatter: [...new Set(moves.slice(since).map((m) => m.device))], moves };
  }
}
