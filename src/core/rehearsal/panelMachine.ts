import { settle, waitingOf, type States, type Waiting } from '../circuit';
import type { Outcome, Panel } from '../schemes';
import { happens, type Wired } from '../wiring';

/** The panel at rest in one combination of its states, and what follows from each thing that can happen to it. */
export interface PanelState {
  readonly states: States;
  /** Which pumps turn: bits, the first pump the lowest; which stand under voltage; and which turn backwards. */
  readonly running: number;
  readonly stalled: number;
  readonly backwards: number;
  readonly outcomes: Readonly<Record<string, boolean>>;
  /** The alarm sounds, or where there is no horn its lamp is lit. */
  readonly alarm: boolean;
  /** Which floats are up: bits in the order of the panel’s devices. */
  readonly up: number;
  /** Which lanes of the trace are on: bits in their order. */
  readonly lanes: number;
  /** Timers that run and protection that warms: to what, and after how long. */
  readonly waiting: readonly Waiting[];
  readonly chatter: readonly string[];
  /** Devices whose protection has opened. */
  readonly tripped: readonly string[];
  readonly next: Map<string, PanelState>;
}

export interface PanelMachine {
  readonly first: PanelState;
  /** What the panel comes to from these states. */
  at(states: States): PanelState;
  /** What the panel comes to when a device is put in a state. */
  after(node: PanelState, device: string, state: string): PanelState;
}

/** Devices that the water works, in the order of their bits. */
export const floatsOf = ({ devices }: Panel): string[] =>
  devices.flatMap((d) => (d.sensor === undefined ? [] : [d.tag]));

/**
 * The solved circuit as a machine: every combination that has been met is solved once, and every step from one to another is looked up. The
 * steps are what water, hands, time and power do.
 * @param lanes outcomes of the panel, or `alarm`
 */
export function panelMachine(wired: Wired, lanes: readonly string[] = []): PanelMachine {
  const { panel, structure, netlist } = wired;
  const known = new Map<string, PanelState>();
  const pumps = panel.outcomes.filter((o) => o.kind === 'pump');
  const pumpsThat = (of: (o: Outcome) => boolean) =>
    pumps.reduce((mask, o) => (of(o) ? mask | (1 << (o.pump! - 1)) : mask), 0);
  const floats = floatsOf(panel);
  const told = (kind: Outcome['kind']) => panel.outcomes.find((o) => o.kind === kind);
  const alarms = told('alarm') ?? told('lamp');

  const nodeOf = (from: States): PanelState => {
    const settled = settle(structure, from);
    const key = netlist.devices.map((d) => settled.states[d.id]).join('|');
    const found = known.get(key);
    if (found) return found;
    const outcomes = Object.fromEntries(panel.outcomes.map((o) => [o.id, happens(settled, o)]));
    const alarm = alarms !== undefined && outcomes[alarms.id]!;
    const made: PanelState = {
      states: settled.states,
      running: pumpsThat((o) => outcomes[o.id]!),
      stalled: pumpsThat((o) => settled.states[o.device] === 'stalled'),
      backwards: pumpsThat((o) => settled.states[o.device] === 'backwards'),
      outcomes,
      alarm,
      up: floats.reduce((mask, tag, i) => (settled.states[tag] === 'up' ? mask | (1 << i) : mask), 0),
      lanes: lanes.reduce((mask, id, i) => ((id === 'alarm' ? alarm : outcomes[id]) ? mask | (1 << i) : mask), 0),
      waiting: waitingOf(settled),
      chatter: settled.chatter,
      tripped: netlist.devices.flatMap((d) => (settled.states[d.id] === 'tripped' ? [d.id] : [])),
      next: new Map(),
    };
    known.set(key, made);
    return made;
  };

  return {
    first: nodeOf(wired.states),
    at: nodeOf,
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
