import { between, conducts, rms, type Settled } from '../circuit';
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

/** What of the drawing is live, closed and energised in a settled circuit. */
export function lit({ panel, netlist }: Wired, { solution, states }: Settled): Lit {
  const volts = (a: string, b: string) => rms(between(solution, a, b, 'ac'), between(solution, a, b, 'dc'));
  const circuits = new Map(panel.circuits.map((c) => [c.id, c]));
  const live = new Set<string>();
  const look = (net: string, circuitId: string) => {
    const circuit = circuits.get(circuitId);
    if (circuit && (volts(net, circuit.reference) > SHARE * circuit.volts || volts(net, '0') > TO_EARTH)) live.add(net);
  };
  for (const t of panel.terminals) look(t.net, t.circuit);
  for (const rung of panel.rungs) {
    for (const net of [rung.from, rung.to]) look(net, rung.circuit);
    for (const [, leaf] of JSON.stringify(rung.tree).matchAll(/"leaf":"([^"]+)"/g)) for (const net of panel.spans[leaf!]!) look(net, rung.circuit);
  }
  const on = new Set<string>();
  for (const part of netlist.parts) {
    if (!panel.spans[part.id]) continue;
    if (part.when) {
      if (conducts(part, states)) on.add(part.id);
      continue;
    }
    const circuit = panel.rungs.find((r) => JSON.stringify(r.tree).includes(`"${part.id}"`))?.circuit;
    const rated = circuits.get(circuit ?? '')?.volts ?? Infinity;
    const across = part.kind === 'impedance' && volts(part.a, part.b) > 0.6 * rated;
    // A relay's coil is in when its device says so; a loop outside is on when it has lost its voltage to a closed contact.
    const state = states[part.id.split('.')[0]!];
    if (part.id.endsWith('.coil') ? state !== 'off' && state !== undefined && !state.startsWith('rest') : part.kind === 'source' ? volts(part.a, part.b) < 0.5 * Math.abs(part.volts) : across) on.add(part.id);
  }
  return { live, on };
}
