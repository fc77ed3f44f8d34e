import { between, conducts, rms, type Settled } from '../circuit';
import type { Circuit, Panel, Tree } from '../schemes';
import type { Wired } from './wired';

/** A wire with more than this share of its circuit's voltage against its return, or this much to earth, is live. */
const SHARE = 0.15;
const TO_EARTH = 40;

export interface Lit {
  /** Wires that are live. */
  readonly live: ReadonlySet<string>;
  /** Elements, as `tag.element`, that are closed, or have what they need. */
  readonly on: ReadonlySet<string>;
}

/** Which circuit each wire and each element of a panel belongs to: worked out once for a panel. */
interface Belongs {
  readonly wires: readonly (readonly [net: string, circuit: Circuit])[];
  readonly elements: ReadonlyMap<string, Circuit>;
}

const known = new WeakMap<Panel, Belongs>();

function belongs(panel: Panel): Belongs {
  const found = known.get(panel);
  if (found) return found;
  const circuits = new Map(panel.circuits.map((c) => [c.id, c]));
  const wires = new Map<string, readonly [string, Circuit]>();
  const elements = new Map<string, Circuit>();
  const wire = (net: string, id: string) => wires.set(`${net} ${id}`, [net, circuits.get(id)!]);
  const walk = (tree: Tree, id: string): void => {
    if ('leaf' in tree) {
      elements.set(tree.leaf, circuits.get(id)!);
      for (const net of panel.spans[tree.leaf]!) wire(net, id);
    } else if (!('net' in tree)) for (const t of 'series' in tree ? tree.series : tree.parallel) walk(t, id);
  };
  for (const t of panel.terminals) wire(t.net, t.circuit);
  for (const rung of panel.rungs) {
    for (const net of [rung.from, rung.to]) wire(net, rung.circuit);
    walk(rung.tree, rung.circuit);
  }
  const made = { wires: [...wires.values()], elements };
  known.set(panel, made);
  return made;
}

/** What of the drawing is live, closed and energised in a settled circuit. */
export function lit({ panel, netlist }: Wired, { solution, states }: Settled): Lit {
  const { wires, elements } = belongs(panel);
  const volts = (a: string, b: string) => rms(between(solution, a, b, 'ac'), between(solution, a, b, 'dc'));
  const live = new Set<string>();
  for (const [net, circuit] of wires)
    if (!live.has(net) && (volts(net, circuit.reference) > SHARE * circuit.volts || volts(net, '0') > TO_EARTH))
      live.add(net);
  const on = new Set<string>();
  for (const part of netlist.parts) {
    const circuit = elements.get(part.id);
    if (!circuit) continue;
    if (part.when) {
      if (conducts(part, states)) on.add(part.id);
      continue;
    }
    // A relay's coil is in when its device says so; a loop outside is on when it has lost its voltage to a closed contact.
    const state = states[part.id.slice(0, part.id.indexOf('.'))];
    const is = part.id.endsWith('.coil')
      ? state !== 'off' && state !== undefined && !state.startsWith('rest')
      : part.kind === 'source'
        ? volts(part.a, part.b) < 0.5 * Math.abs(part.volts)
        : part.kind === 'impedance' && volts(part.a, part.b) > 0.6 * circuit.volts;
    if (is) on.add(part.id);
  }
  return { live, on };
}
