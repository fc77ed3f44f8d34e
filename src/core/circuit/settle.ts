import type { Behaviour, CircuitDevice, Sense, States } from './netlist';
import { plus, size, ZERO, type Phasor } from './phasor';
import { across, between, solve, type Solution } from './solve';
import type { Structure } from './structure';

/** What a device attends to, V or A. */
export function sensed(solution: Solution, sense: Sense): number {
  // Most devices are coils: the volts over one part.
  if (sense.what === 'volts' && sense.components.length === 1) {
    const part = solution.structure.components.get(sense.components[0]!);
    return part ? size(between(solution, part.a, part.b, sense.of)) : 0;
  }
  const all = sense.components.map((id): Phasor => {
    const part = solution.structure.components.get(id);
    return part ? across(solution, part, sense.of)[sense.what] : ZERO;
  });
  if (sense.by === 'sum') return size(all.reduce(plus, ZERO));
  const sizes = all.map(size);
  return sense.by === 'least' ? Math.min(...sizes) : Math.max(...sizes);
}

const held = (value: number, was: boolean, { pickUp, dropOut }: { pickUp: number; dropOut: number }): boolean =>
  was ? value >= dropOut : value >= pickUp;

/** The state that a device goes to at once from this one; itself where nothing moves it. */
export function next(behaviour: Behaviour, state: string, value: number): string {
  switch (behaviour.kind) {
    case 'worked':
      return state;
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
      return state === 'on' && (value > (behaviour.above ?? Infinity) || value < (behaviour.below ?? -Infinity))
        ? 'tripped'
        : state;
  }
}

/** Whether what a device attends to holds it in. */
export const isPickedUp = (behaviour: Behaviour, state: string): boolean =>
  behaviour.kind === 'alternator' ? state.startsWith('call') : 'pickUp' in behaviour && state !== 'off';

/** What time alone will do to a device: to which state, and how many seconds after it came into this one. */
export function due(behaviour: Behaviour, state: string): { to: string; after: number } | null {
  if (behaviour.kind === 'delay' && state === 'timing') return { to: 'on', after: behaviour.seconds };
  if (behaviour.kind === 'cycle' && state === 'resting') return { to: 'running', after: behaviour.rest };
  if (behaviour.kind === 'cycle' && state === 'running') return { to: 'resting', after: behaviour.run };
  return null;
}

export interface Settled {
  readonly solution: Solution;
  readonly states: States;
  /** Devices that never come to rest, in the order they move; empty when all is quiet. */
  readonly chatter: readonly string[];
  /** What moved by itself on the way, in order. */
  readonly moves: readonly { readonly device: string; readonly from: string; readonly to: string }[];
}

const keyOf = (devices: readonly CircuitDevice[], states: States): string => devices.map((d) => states[d.id]).join('|');

/**
 * Solves again and again until no device wants to move. Protection moves before coils, and of those that want to move the first
 * in the list does, one at a time, as the quickest of several relays would: the answer is always the same. Where a combination of
 * states comes back, the devices that moved since then chatter.
 */
export function settle(structure: Structure, from: States): Settled {
  const { devices } = structure.netlist;
  const moving = [
    ...devices.filter((d) => d.behaviour.kind === 'trip'),
    ...devices.filter((d) => d.behaviour.kind !== 'trip' && d.behaviour.kind !== 'worked'),
  ];
  let states = from;
  const seen = new Map<string, number>([[keyOf(devices, states), 0]]);
  const moves: { device: string; from: string; to: string }[] = [];
  let solution: Solution | undefined;
  for (;;) {
    solution = solve(structure, states, solution);
    let moved: (typeof moves)[number] | null = null;
    for (const { id, behaviour } of moving) {
      if (behaviour.kind === 'worked') continue;
      const to = next(behaviour, states[id]!, sensed(solution, behaviour.senses));
      if (to !== states[id]) {
        moved = { device: id, from: states[id]!, to };
        break;
      }
    }
    if (moved === null) return { solution, states, chatter: [], moves };
    moves.push(moved);
    states = { ...states, [moved.device]: moved.to };
    const key = keyOf(devices, states);
    const before = seen.get(key);
    if (before !== undefined)
      return { solution, states, chatter: [...new Set(moves.slice(before).map((m) => m.device))], moves };
    seen.set(key, moves.length);
  }
}
