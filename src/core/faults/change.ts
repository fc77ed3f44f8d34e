import type { CircuitDevice, Netlist, Component } from '../circuit';

/*
 * Changes of a circuit that faults are made of. Each gives a new netlist; devices and nodes keep their names.
 */

const each = (netlist: Netlist, change: (part: Component) => readonly Component[]): Netlist => ({
  ...netlist,
  components: netlist.components.flatMap(change),
});

/** Takes out components: a broken wire, a coil. */
export const without =
  (...ids: readonly string[]) =>
  (netlist: Netlist): Netlist =>
    each(netlist, (p) => (ids.includes(p.id) ? [] : [p]));

/** Takes out a winding, with what more it takes while its rotor stands. */
export const withoutWinding =
  (...ids: readonly string[]) =>
  (netlist: Netlist): Netlist =>
    each(netlist, (p) => (ids.some((id) => p.id === id || p.id.startsWith(`${id}-`)) ? [] : [p]));

/** Contacts that conduct whatever their device does. */
export const welded =
  (...ids: readonly string[]) =>
  (netlist: Netlist): Netlist =>
    each(netlist, (p) => {
      if (!ids.includes(p.id)) return [p];
      const { when: _, ...always } = p;
      return [always as Component];
    });

/** An open contact that leaks so much, S. */
export const leaking =
  (id: string, leak: number) =>
  (netlist: Netlist): Netlist =>
    each(netlist, (p) => (p.id === id && p.when ? [{ ...p, when: { ...p.when, leak } }] : [p]));

/** Contacts of one device that close where they should open: states changed for one another. */
export const reversed =
  (device: string, pairs: Readonly<Record<string, string>>) =>
  (netlist: Netlist): Netlist =>
    each(netlist, (p) =>
      p.when?.device === device
        ? [{ ...p, when: { ...p.when, states: p.when.states.map((s) => pairs[s] ?? s) } }]
        : [p],
    );

/** Sources that give another share of their voltage. */
export const sourcesAt =
  (share: number, ...ids: readonly string[]) =>
  (netlist: Netlist): Netlist =>
    each(netlist, (p) => (p.kind === 'source' && ids.includes(p.id) ? [{ ...p, volts: p.volts * share }] : [p]));

/** A part that is another resistance now: insulation that has failed. Ω */
export const resisting =
  (id: string, r: number) =>
  (netlist: Netlist): Netlist =>
    each(netlist, (p) => (p.id === id && p.kind === 'impedance' ? [{ ...p, r }] : [p]));

/** Something between two points that ought not to be there, Ω. */
export const joining =
  (id: string, a: string, b: string, r: number) =>
  (netlist: Netlist): Netlist => ({
    ...netlist,
    components: [...netlist.components, { kind: 'impedance', id, a, b, r }],
  });

export const behaving =
  (id: string, change: (device: CircuitDevice) => CircuitDevice) =>
  (netlist: Netlist): Netlist => ({ ...netlist, devices: netlist.devices.map((d) => (d.id === id ? change(d) : d)) });

/** Devices that nothing moves any more. */
export const frozen =
  (ids: readonly string[]) =>
  (netlist: Netlist): Netlist => ({
    ...netlist,
    devices: netlist.devices.map((d) => (ids.includes(d.id) ? { ...d, behaviour: { kind: 'worked' } } : d)),
  });
