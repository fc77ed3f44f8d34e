import { describe, expect, it } from 'vitest';
import { between, settle, size, structureOf, waitingOf, type CircuitDevice, type Component, type Netlist } from '.';

const F = 50;
const ohm = (id: string, a: string, b: string, r: number): Component => ({ kind: 'impedance', id, a, b, r });
const contact = (id: string, a: string, b: string, device: string, state: string): Component => ({
  kind: 'impedance',
  id,
  a,
  b,
  r: 0.01,
  when: { device, states: [state], leak: 1e-10 },
});
const float: CircuitDevice = { id: 'F', initial: 'down', behaviour: { kind: 'worked' } };
const attends = { what: 'volts', of: 'ac', components: ['coil'], by: 'sum' } as const;
const relay: CircuitDevice = {
  id: 'K',
  initial: 'off',
  behaviour: { kind: 'relay', senses: attends, pickUp: 180, dropOut: 90 },
};

/** A float that works a relay, and a lamp on its contact. */
const sound: Netlist = {
  frequency: F,
  components: [
    { kind: 'source', id: 'mains', a: 'L', b: '0', volts: 230, phaseDeg: 0, frequency: F, r: 0.2 },
    contact('float', 'L', 'a', 'F', 'up'),
    ohm('coil', 'a', '0', 5000),
    contact('made', 'L', 'b', 'K', 'on'),
    ohm('lamp', 'b', '0', 1000),
  ],
  devices: [float, relay],
};
const change = (id: string, to: (part: Component) => Component): Netlist => ({
  ...sound,
  components: sound.components.map((p) => (p.id === id ? to(p) : p)),
});
const beside = (netlist: Netlist) => structureOf(netlist, structureOf(sound));
const lamp = (netlist: Netlist, from: Record<string, string>): number =>
  size(between(settle(beside(netlist), from).solution, 'b', '0', 'ac'));

describe('a circuit that is like another', () => {
  it('goes on as the other does only while both conduct alike on the way', () => {
    const welded = change('made', ({ when: _, ...part }) => part);
    // Both begin with the relay in and its contact closed; it drops, and in the sound one the lamp goes out.
    expect(lamp(sound, { F: 'down', K: 'on' })).toBeLessThan(1);
    expect(lamp(welded, { F: 'down', K: 'on' })).toBeGreaterThan(225);
    expect(lamp(welded, { F: 'down', K: 'off' })).toBeGreaterThan(225);
  });

  it('is not the other where an open contact leaks, or a closed one has another resistance', () => {
    const wet = change('float', (p) => ({ ...p, when: { ...p.when!, leak: 1 / 5000 } }));
    const over = settle(beside(wet), { F: 'down', K: 'off' }).solution;
    // Half of it over the leak, half over the coil.
    expect(size(between(over, 'a', '0', 'ac'))).toBeCloseTo(115, 0);
    const burnt = change('float', (p) => ({ ...p, r: 5000 }) as Component);
    expect(settle(beside(burnt), { F: 'up', K: 'off' }).states).toEqual({ F: 'up', K: 'off' });
    expect(settle(structureOf(sound), { F: 'up', K: 'off' }).states).toEqual({ F: 'up', K: 'on' });
  });

  it('leaves alone what is held in it, and tells no timer of it', () => {
    const timer: CircuitDevice = {
      ...relay,
      behaviour: { kind: 'delay', senses: attends, pickUp: 180, dropOut: 90, seconds: 5 },
    };
    const timed: Netlist = { ...sound, devices: [float, timer] };
    const stuck: Netlist = { ...sound, devices: [float, { ...timer, behaviour: { kind: 'worked' } }] };
    const one = structureOf(timed);
    const other = structureOf(stuck, one);
    const from = { F: 'up', K: 'timing' };
    expect(waitingOf(settle(one, from))).toEqual([{ device: 'K', from: 'timing', to: 'on', after: 5 }]);
    expect(waitingOf(settle(other, from))).toEqual([]);
    expect(settle(other, { F: 'up', K: 'off' }).states).toEqual({ F: 'up', K: 'off' });
    expect(settle(one, { F: 'up', K: 'off' }).states).toEqual({ F: 'up', K: 'timing' });
  });

  it('is laid out by itself where it joins other nodes, or leaves one out', () => {
    const moved = change('lamp', (p) => ({ ...p, a: 'a' }) as Component);
    expect(structureOf(moved, structureOf(sound)).like).toBeNull();
    const cut: Netlist = { ...sound, components: sound.components.filter((p) => p.id !== 'lamp' && p.id !== 'made') };
    const alone = beside(cut);
    expect(alone.nodes.has('b')).toBe(false);
    expect(settle(alone, { F: 'up', K: 'off' }).states).toEqual({ F: 'up', K: 'on' });
    const joined: Netlist = { ...sound, components: [...sound.components, ohm('bridge', 'a', 'b', 0.1)] };
    const bridged = settle(beside(joined), { F: 'up', K: 'off' }).solution;
    expect(size(between(bridged, 'a', 'b', 'ac'))).toBeLessThan(0.1);
    expect(size(between(bridged, 'b', '0', 'ac'))).toBeGreaterThan(225);
  });
});
