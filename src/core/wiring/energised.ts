import { between, conducts, isPickedUp, rms, type Settled } from '../circuit';
import { leaves, type Circuit, type Device, type Panel } from '../schemes';
import type { Wired } from './wired';

/** A wire with more than this share of its circuit's voltage against its return, or this much to earth, is live. */
const SHARE = 0.15;
const TO_EARTH = 40;

export interface Energised {
  /** Wires that are live. */
  readonly live: ReadonlySet<string>;
  /** Elements, as `tag.element`, that are closed, or have what they need. */
  readonly on: ReadonlySet<string>;
}

/** Which circuit each wire and each element of a panel belongs to: worked out once for a panel. */
interface Belongs {
  readonly wires: readonly (readonly [net: string, circuit: Circuit])[];
  readonly elements: ReadonlyMap<string, Circuit>;
  /** The device that attends to an element: a relay to its coil, a motor to its windings. */
  readonly coils: ReadonlyMap<string, Device>;
}

const known = new WeakMap<Panel, Belongs>();

function belongs(panel: Panel): Belongs {
  const found = known.get(panel);
  if (found) return found;
  const circuits = new Map(panel.circuits.map((c) => [c.id, c]));
  const wires = new Map<string, readonly [string, Circuit]>();
  const elements = new Map<string, Circuit>();
  const wire = (net: string, id: string) => wires.set(`${net} ${id}`, [net, circuits.get(id)!]);
  for (const t of panel.terminals) wire(t.net, t.circuit);
  for (const rung of panel.rungs) {
    for (const net of [rung.from, rung.to]) wire(net, rung.circuit);
    for (const leaf of leaves(rung.tree)) {
      elements.set(leaf, circuits.get(rung.circuit)!);
      for (const net of panel.spans[leaf]!) wire(net, rung.circuit);
    }
  }
  const coils = new Map(
    panel.devices.flatMap((d) =>
      'pickUp' in d.behaviour
        ? d.behaviour.senses.components.map((id) => [id, d] as const)
        : d.behaviour.kind === 'motor'
          ? d.behaviour.windings.map((id) => [id, d] as const)
          : [],
    ),
  );
  const made = { wires: [...wires.values()], elements, coils };
  known.set(panel, made);
  return made;
}

/** What of the drawing is live, closed and energised in a settled circuit. */
export function energised({ panel, netlist }: Wired, { solution, states }: Settled): Energised {
  const { wires, elements, coils } = belongs(panel);
  const volts = (a: string, b: string) => rms(between(solution, a, b, 'ac'), between(solution, a, b, 'dc'));
  const live = new Set<string>();
  for (const [net, circuit] of wires)
    if (!live.has(net) && (volts(net, circuit.reference) > SHARE * circuit.volts || volts(net, '0') > TO_EARTH))
      live.add(net);
  const on = new Set<string>();
  for (const part of netlist.components) {
    const circuit = elements.get(part.id);
    if (!circuit) continue;
    if (part.when) {
      if (conducts(part, states)) on.add(part.id);
      continue;
    }
    // A relay's coil is in when its device says so; a loop outside is on when it has lost its voltage to a closed contact.
    const coil = coils.get(part.id);
    const is = coil
      ? isPickedUp(coil.behaviour, states[coil.tag]!)
      : part.kind === 'source'
        ? volts(part.a, part.b) < 0.5 * Math.abs(part.volts)
        : part.kind === 'impedance' && volts(part.a, part.b) > 0.6 * circuit.volts;
    if (is) on.add(part.id);
  }
  return { live, on };
}
