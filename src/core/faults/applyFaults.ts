import { structureOf } from '../circuit';
import type { Panel } from '../schemes';
import type { Station } from '../station';
import { wire, type Wired } from '../wiring';
import { frozen } from './change';
import type { Fault } from './fault';

/** What faults hold: devices and the state that each is put in, null where it stays in the one it has. */
export const heldBy = (faults: readonly Fault[]): Readonly<Record<string, string | null>> =>
  Object.assign({}, ...faults.map((f) => f.effects.holds ?? {}));

const wirings = new WeakMap<Wired, Map<string, Wired>>();

/** A panel wired with some landings, once for each: a hand that bridges two terminals does so in every world. */
function wiredWith(station: Station, panel: Panel, healthy: Wired, landings: Station['landings']): Wired {
  let of = wirings.get(healthy);
  if (!of) wirings.set(healthy, (of = new Map()));
  const key = JSON.stringify(landings);
  const found = of.get(key) ?? wire(station, panel, landings);
  of.set(key, found);
  return found;
}

/** The panel as it is wired with faults in it: the same devices and points, another circuit. Without faults, the one that is given. */
export function applyFaults(station: Station, panel: Panel, healthy: Wired, faults: readonly Fault[]): Wired {
  if (faults.length === 0) return healthy;
  const { cores, links } = station.landings;
  const landings = {
    cores: [...cores, ...faults.flatMap((f) => f.effects.landings?.cores ?? [])],
    links: [...links, ...faults.flatMap((f) => f.effects.landings?.links ?? [])],
  };
  const wired = faults.some((f) => f.effects.landings) ? wiredWith(station, panel, healthy, landings) : healthy;
  const held = heldBy(faults);
  const netlist = [
    ...faults.flatMap((f) => (f.effects.circuit ? [f.effects.circuit] : [])),
    frozen(Object.keys(held)),
  ].reduce((now, change) => change(now), wired.netlist);
  const puts = Object.fromEntries(Object.entries(held).filter((e): e is [string, string] => e[1] !== null));
  return { ...wired, netlist, structure: structureOf(netlist, wired.structure), states: { ...wired.states, ...puts } };
}
