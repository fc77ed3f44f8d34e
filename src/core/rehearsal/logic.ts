import { due, settle, type States } from '../circuit';
import { happens, type Wired } from '../wiring';

/** The panel at rest in one combination of its states, and what follows from each thing that can happen to it. */
export interface Node {
  readonly states: States;
  /** Which pumps run: bits, the first pump the lowest. */
  readonly running: number;
  readonly outcomes: Readonly<Record<string, boolean>>;
  /** Timers that wait: to what, and after how long. */
  readonly waiting: readonly { readonly device: string; readonly from: string; readonly to: string; readonly after: number }[];
  readonly chatter: readonly string[];
  readonly next: Map<string, Node>;
}

export interface Logic {
  readonly first: Node;
  /** What the panel comes to when a device is put in a state. */
  after(node: Node, device: string, state: string): Node;
}

/**
 * The solved circuit as a machine: every combination that has been met is solved once, and every step from one to another is looked up. The
 * steps are what water, hands, time and power do.
 */
export function logicOf(wired: Wired): Logic {
  const { panel, structure, netlist } = wired;
  const known = new Map<string, Node>();
  const pumps = panel.outcomes.filter((o) => o.kind === 'pump');

  const nodeOf = (from: States): Node => {
    const settled = settle(structure, from);
    const key = netlist.devices.map((d) => settled.states[d.id]).join('|');
    const found = known.get(key);
    if (found) return found;
    const outcomes = Object.fromEntries(panel.outcomes.map((o) => [o.id, happens(settled, o)]));
    const made: Node = {
      states: settled.states,
      running: pumps.reduce((mask, o) => (outcomes[o.id] ? mask | (1 << (Number(o.id.slice(1)) - 1)) : mask), 0),
      outcomes,
      waiting: netlist.devices.flatMap((d) => {
        const state = settled.states[d.id]!;
        const next = due(d.behaviour, state);
        return next ? [{ device: d.id, from: state, ...next }] : [];
      }),
      chatter: settled.chatter,
      next: new Map(),
    };
    known.set(key, made);
    return made;
  };

  return {
    first: nodeOf(wired.states),
    after(node, device, state) {
      if (node.states[device] === state) return node;
      const step = `${device}=${state}`;
      const found = node.next.get(step);
      if (found) return found;
      const made = nodeOf({ ...node.states, [device]: state });
      node.next.set(step, made);
      return made;
    },
  };
}
