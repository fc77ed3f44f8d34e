import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  across,
  clamp,
  initialStates,
  potential,
  read,
  settle,
  size,
  solve,
  spice,
  structureOf,
  waitingOf,
  type CircuitDevice,
  type Netlist,
  type Component,
} from '.';
import { solveSpice } from './simulator.fixture';

const F = 50;
const W = 2 * Math.PI * F;
const net = (components: Component[], devices: CircuitDevice[] = []): Netlist => ({
  frequency: F,
  components,
  devices,
});
const mains = (a = 'L', volts = 230, r = 0.2): Component => ({
  kind: 'source',
  id: `mains-${a}`,
  a,
  b: '0',
  volts,
  phaseDeg: 0,
  frequency: F,
  r,
});
const ohm = (id: string, a: string, b: string, r: number, l?: number): Component => ({
  kind: 'impedance',
  id,
  a,
  b,
  r,
  ...(l ? { l } : {}),
});
const contact = (id: string, a: string, b: string, device: string, ...states: string[]): Component => ({
  kind: 'impedance',
  id,
  a,
  b,
  r: 0.01,
  when: { device, states, leak: 1e-10 },
});
const worked = (id: string, initial: string): CircuitDevice => ({ id, initial, behaviour: { kind: 'worked' } });
const coil = (id: string, part: string, pickUp = 180, dropOut = 90): CircuitDevice => ({
  id,
  initial: 'off',
  behaviour: { kind: 'relay', senses: { what: 'volts', of: 'ac', components: [part], by: 'sum' }, pickUp, dropOut },
});

describe('networks solved by hand', () => {
  it('a divider: 230 V behind 0.2 Ω on 9.8 Ω and 36 Ω', () => {
    // I = 230/46 = 5 A; the tap stands at 5·36 = 180 V.
    const s = solve(structureOf(net([mains(), ohm('a', 'L', 'T', 9.8), ohm('b', 'T', '0', 36)])), {});
    expect(size(potential(s, 'T', 'ac'))).toBeCloseTo(180, 5);
    expect(size(across(s, s.structure.components.get('b')!, 'ac').amps)).toBeCloseTo(5, 6);
  });

  it('a coil of 300 Ω and 400 Ω reactance takes V/500 and lags by atan(4/3)', () => {
    const s = solve(structureOf(net([mains('L', 250, 1e-6), ohm('k', 'L', '0', 300, 400 / W)])), {});
    const { amps } = across(s, s.structure.components.get('k')!, 'ac');
    expect(size(amps)).toBeCloseTo(0.5, 7);
    expect(Math.atan2(-amps.im, amps.re)).toBeCloseTo(Math.atan2(4, 3), 7);
  });

  it('a balanced bridge carries nothing over its middle', () => {
    const s = solve(
      structureOf(
        net([
          mains(),
          ohm('1', 'L', 'P', 10),
          ohm('2', 'P', '0', 20),
          ohm('3', 'L', 'Q', 30),
          ohm('4', 'Q', '0', 60),
          ohm('m', 'P', 'Q', 5),
        ]),
      ),
      {},
    );
    expect(size(across(s, s.structure.components.get('m')!, 'ac').amps)).toBeLessThan(1e-7);
  });

  it('three phases in star of 23 Ω: no current in the neutral, 400 V between legs', () => {
    const phases = [0, -120, 120].map((phaseDeg, i): Component => ({
      kind: 'source',
      id: `s${i}`,
      a: `L${i}`,
      b: '0',
      volts: 230,
      phaseDeg,
      frequency: F,
      r: 1e-6,
    }));
    const s = solve(
      structureOf(
        net([...phases, ...[0, 1, 2].map((i) => ohm(`w${i}`, `L${i}`, 'star', 23)), ohm('n', 'star', '0', 1)]),
      ),
      {},
    );
    expect(size(across(s, s.structure.components.get('n')!, 'ac').amps)).toBeLessThan(1e-9);
    const a = potential(s, 'L0', 'ac');
    const b = potential(s, 'L1', 'ac');
    expect(Math.hypot(a.re - b.re, a.im - b.im)).toBeCloseTo(230 * Math.sqrt(3), 3);
  });

  it('a transformer 230 to 24 with 1 Ω of windings on 23 Ω: 23 V, and its primary takes the reflected amp', () => {
    const s = solve(
      structureOf(
        net([
          mains('L', 230, 1e-6),
          { kind: 'transformer', id: 't', a: 'L', b: '0', c: 'x', d: 'y', ratio: 24 / 230, r: 1 },
          ohm('load', 'x', 'y', 23),
        ]),
      ),
      {},
    );
    const load = across(s, s.structure.components.get('load')!, 'ac');
    expect(size(load.volts)).toBeCloseTo(23, 6);
    expect(size(across(s, s.structure.components.get('t')!, 'ac').amps)).toBeCloseTo(24 / 230, 6);
  });

  it('direct and mains current are superposed: a lamp on both shows the root of the squares', () => {
    const s = solve(
      structureOf(
        net([
          { kind: 'source', id: 'ac', a: 'p', b: '0', volts: 3, phaseDeg: 0, frequency: F, r: 1e-9 },
          { kind: 'source', id: 'dc', a: 'q', b: 'p', volts: 4, phaseDeg: 0, frequency: 0, r: 1e-9 },
          ohm('lamp', 'q', '0', 10),
        ]),
      ),
      {},
    );
    expect(clamp(s, ['lamp'])).toMatchObject({ ok: true, value: expect.closeTo(0.5, 6) });
  });

  it('a float cord left open couples through its capacitance: 20 nF onto 10 kΩ', () => {
    const s = solve(
      structureOf(
        net([
          mains('L', 230, 1e-6),
          { kind: 'capacitor', id: 'c', a: 'L', b: 'in', c: 20e-9 },
          ohm('relay', 'in', '0', 1e4),
        ]),
      ),
      {},
    );
    expect(size(potential(s, 'in', 'ac'))).toBeCloseTo((230 * 1e4) / Math.hypot(1e4, 1 / (W * 20e-9)), 3);
  });
});

/** Random passive networks with sources: every node may join every other. */
const networks = fc
  .array(
    fc.record({
      a: fc.integer({ min: 0, max: 7 }),
      b: fc.integer({ min: 0, max: 7 }),
      what: fc.constantFrom('r', 'rl', 'c', 'ac', 'dc', 'open'),
      size: fc.double({ min: 0.05, max: 5000, noNaN: true }),
    }),
    { minLength: 3, maxLength: 24 },
  )
  .map((list) =>
    net(
      list
        .filter(({ a, b }) => a !== b)
        .map(({ a, b, what, size: z }, i): Component => {
          const ends = { id: `p${i}`, a: String(a), b: String(b) };
          if (what === 'c') return { kind: 'capacitor', ...ends, c: z * 1e-9 };
          if (what === 'ac' || what === 'dc')
            return { kind: 'source', ...ends, volts: 10 + z / 20, phaseDeg: z, frequency: what === 'ac' ? F : 0, r: 1 };
          if (what === 'open') return contact(ends.id, ends.a, ends.b, 'S', 'closed');
          return ohm(ends.id, ends.a, ends.b, z, what === 'rl' ? z / W : undefined);
        }),
      [worked('S', 'open')],
    ),
  );

describe('Kirchhoff, on random networks', () => {
  it('what flows into a node flows out of it, and power is made as it is used', () => {
    fc.assert(
      fc.property(networks, (n) => {
        const s = solve(structureOf(n), initialStates(n));
        for (const of of s.dc ? (['ac', 'dc'] as const) : (['ac'] as const)) {
          const into = new Map<string, { re: number; im: number; most: number }>();
          // Every node hangs on earth by 1 GΩ.
          let [power, most] = [
            s.structure.names.reduce((sum, name) => sum + 1e-9 * size(potential(s, name, of)) ** 2, 0),
            0,
          ];
          for (const part of n.components) {
            const { volts, amps } = across(s, part, of);
            power += volts.re * amps.re + volts.im * amps.im;
            most = Math.max(most, size(volts) * size(amps));
            for (const [node, sign] of [
              [part.a, -1],
              [part.b, 1],
            ] as const) {
              const sum = into.get(node) ?? { re: 0, im: 0, most: 0 };
              into.set(node, {
                re: sum.re + sign * amps.re,
                im: sum.im + sign * amps.im,
                most: Math.max(sum.most, size(amps)),
              });
            }
          }
          for (const [node, { re, im, most: m }] of into)
            if (node !== '0') expect(Math.hypot(re, im)).toBeLessThan(1e-7 * m + 1e-6);
          expect(Math.abs(power)).toBeLessThan(1e-6 * most + 1e-4);
        }
      }),
      { numRuns: 200 },
    );
  });

  it('turning every source by an angle, or doubling it, does so to every potential', () => {
    fc.assert(
      fc.property(networks, fc.double({ min: 0, max: 360, noNaN: true }), (n, deg) => {
        const turned = {
          ...n,
          components: n.components.map((p) =>
            p.kind === 'source' ? { ...p, volts: 2 * p.volts, phaseDeg: p.phaseDeg + (p.frequency > 0 ? deg : 0) } : p,
          ),
        };
        const [s, t] = [solve(structureOf(n), initialStates(n)), solve(structureOf(turned), initialStates(n))];
        for (const name of s.structure.names)
          expect(size(potential(t, name, 'ac'))).toBeCloseTo(2 * size(potential(s, name, 'ac')), 3);
      }),
      { numRuns: 60 },
    );
  });

  it('agrees to 1e-6 with the netlist it exports, solved as text by other means', () => {
    fc.assert(
      fc.property(networks, (n) => {
        const states = initialStates(n);
        const s = solve(structureOf(n), states);
        for (const of of s.dc ? (['ac', 'dc'] as const) : (['ac'] as const)) {
          const theirs = solveSpice(spice(n, states, of));
          const most = Math.max(1, ...n.components.map((p) => (p.kind === 'source' ? p.volts : 0)));
          for (const [name, v] of theirs) {
            const mine = potential(s, name, of);
            expect(Math.hypot(mine.re - v.re, mine.im - v.im)).toBeLessThan(1e-6 * most);
          }
        }
      }),
      { numRuns: 100 },
    );
  });

  it('names every node of the netlist it exports, each number once, and earth is 0', () => {
    const n = net([mains(), ohm('load', 'L', '0', 100), ohm('far', 'L', 'lamp', 7)]);
    const text = spice(n, {}, 'ac');
    const named = [...text.matchAll(/^\* node (\d+): (.*)$/gm)].map(
      ([, number, name]) => [name, Number(number)] as const,
    );
    const number = new Map<string | undefined, number>(named);
    expect([...number.keys()].sort()).toEqual(['L', 'lamp']);
    expect(new Set(number.values()).size).toBe(2);
    expect(Math.min(...number.values())).toBeGreaterThan(0);
    // A resistor of 100 Ω lies between L and earth, one of 7 Ω between L and the lamp.
    const resistors = [...text.matchAll(/^R\d+ (\w+) (\w+) (\S+)$/gm)].map(([, a, b, r]) => [a, b, Number(r)]);
    expect(resistors).toContainEqual([String(number.get('L')), '0', 100]);
    expect(resistors).toContainEqual([String(number.get('L')), String(number.get('lamp')), 7]);
    expect(text).toMatch(/^\.ac lin 1 (\d+) \1$/m);
  });

  it('a node in no current path stands where its leak lets it, whatever else is in the circuit', () => {
    const s = solve(structureOf(net([mains(), ohm('load', 'L', '0', 0.001), ohm('far', 'x', 'y', 1)])), {});
    expect(size(potential(s, 'x', 'ac'))).toBe(0);
  });
});

describe('devices', () => {
  const sealed = net(
    [
      mains(),
      contact('start', 'L', 'in', 'S', 'pressed'),
      contact('seal', 'L', 'in', 'K', 'on'),
      contact('stop', 'in', 'c', 'P', 'out'),
      ohm('K', 'c', '0', 5000),
    ],
    [worked('S', 'out'), worked('P', 'out'), coil('K', 'K')],
  );

  it('a coil seals itself in, and lets go when its feed is broken', () => {
    const structure = structureOf(sealed);
    const pressed = settle(structure, { S: 'pressed', P: 'out', K: 'off' });
    expect(pressed.states.K).toBe('on');
    const held = settle(structure, { ...pressed.states, S: 'out' });
    expect(held.states.K).toBe('on');
    expect(settle(structure, { ...held.states, P: 'pressed' }).states.K).toBe('off');
  });

  it('a coil that breaks its own feed chatters, and is named', () => {
    const n = net([mains(), contact('b', 'L', 'c', 'K', 'off'), ohm('K', 'c', '0', 5000)], [coil('K', 'K')]);
    expect(settle(structureOf(n), initialStates(n)).chatter).toEqual(['K']);
  });

  it('two coils that start each other: a loop that feeds itself stays as it was put, on or off', () => {
    const n = net(
      [
        mains(),
        contact('1', 'L', 'a', 'B', 'on'),
        ohm('A', 'a', '0', 5000),
        contact('2', 'L', 'b', 'A', 'on'),
        ohm('B', 'b', '0', 5000),
      ],
      [coil('A', 'A'), coil('B', 'B')],
    );
    expect(settle(structureOf(n), { A: 'off', B: 'off' }).states).toEqual({ A: 'off', B: 'off' });
    expect(settle(structureOf(n), { A: 'on', B: 'on' }).states).toEqual({ A: 'on', B: 'on' });
  });

  it('three coils in a ring of break contacts never rest: all three are named', () => {
    const ring = ['A', 'B', 'C'];
    const n = net(
      [
        mains(),
        ...ring.flatMap((k, i): Component[] => [
          contact(`${k}1`, 'L', k.toLowerCase(), ring[(i + 2) % 3]!, 'off'),
          ohm(k, k.toLowerCase(), '0', 5000),
        ]),
      ],
      ring.map((k) => coil(k, k)),
    );
    expect([...settle(structureOf(n), initialStates(n)).chatter].sort()).toEqual(ring);
  });

  it('coils hold between drop-out and pick-up', () => {
    const n = (r: number) => net([mains('L', 230, r), ohm('K', 'L', '0', 1000)], [coil('K', 'K', 180, 90)]);
    expect(settle(structureOf(n(1000)), { K: 'off' }).states.K).toBe('off');
    expect(settle(structureOf(n(1000)), { K: 'on' }).states.K).toBe('on');
    expect(settle(structureOf(n(3000)), { K: 'on' }).states.K).toBe('off');
  });

  it('an alternator passes the turn when the call ends, not when it comes', () => {
    const n = net(
      [mains(), contact('call', 'L', 'a', 'S', 'up'), ohm('A', 'a', '0', 5000)],
      [
        worked('S', 'down'),
        {
          id: 'A',
          initial: 'rest 1',
          behaviour: {
            kind: 'alternator',
            turns: 2,
            senses: { what: 'volts', of: 'ac', components: ['A'], by: 'sum' },
            pickUp: 180,
            dropOut: 90,
          },
        },
      ],
    );
    const structure = structureOf(n);
    let states = settle(structure, { S: 'up', A: 'rest 1' }).states;
    expect(states.A).toBe('call 1');
    states = settle(structure, { ...states, S: 'down' }).states;
    expect(states.A).toBe('rest 2');
    states = settle(structure, { ...settle(structure, { ...states, S: 'up' }).states, S: 'down' }).states;
    expect(states.A).toBe('rest 1');
  });

  it('timers wait for time, and say how long', () => {
    const senses = { what: 'volts', of: 'ac', components: ['T'], by: 'sum' } as const;
    const n = net(
      [mains(), contact('on', 'L', 'a', 'S', 'up'), ohm('T', 'a', '0', 5000)],
      [
        worked('S', 'up'),
        { id: 'T', initial: 'off', behaviour: { kind: 'cycle', rest: 600, run: 45, senses, pickUp: 180, dropOut: 90 } },
      ],
    );
    const { states } = settle(structureOf(n), initialStates(n));
    expect(states.T).toBe('resting');
    const waits = (state: string) => waitingOf(settle(structureOf(n), { ...states, T: state }));
    expect(waits('resting')).toEqual([{ device: 'T', from: 'resting', to: 'running', after: 600 }]);
    expect(waits('running')).toEqual([{ device: 'T', from: 'running', to: 'resting', after: 45 }]);
    expect(settle(structureOf(n), { ...states, T: 'running' }).states.T).toBe('running');
    expect(settle(structureOf(n), { T: 'running', S: 'down' }).states.T).toBe('off');
  });

  it('a shorted supply opens its breaker, which stays open', () => {
    const n = net(
      [
        mains('S'),
        { kind: 'impedance', id: 'Q', a: 'S', b: 'L', r: 0.01, when: { device: 'Q', states: ['on'] } },
        contact('short', 'L', '0', 'X', 'shorted'),
      ],
      [
        {
          id: 'Q',
          initial: 'on',
          behaviour: { kind: 'trip', above: 80, senses: { what: 'amps', of: 'ac', components: ['Q'], by: 'sum' } },
        },
        worked('X', 'shorted'),
      ],
    );
    const tripped = settle(structureOf(n), initialStates(n));
    expect(tripped.moves).toEqual([{ device: 'Q', from: 'on', to: 'tripped' }]);
    expect(settle(structureOf(n), { ...tripped.states, X: 'open' }).states.Q).toBe('tripped');
  });

  it('two sources tied together, and a ring of near-zero components, are solved and not lost', () => {
    // 230 V against 24 V over 0.4 Ω: 515 A, whoever asks.
    const two = solve(
      structureOf(
        net([
          mains('L', 230),
          { kind: 'source', id: 'b', a: 'L', b: '0', volts: 24, phaseDeg: 0, frequency: F, r: 0.2 },
        ]),
      ),
      {},
    );
    expect(size(across(two, two.structure.components.get('b')!, 'ac').amps)).toBeCloseTo(515, 6);
    const ring = solve(
      structureOf(
        net([
          mains(),
          ohm('1', 'L', 'p', 1e-3),
          ohm('2', 'p', 'q', 1e-3),
          ohm('3', 'q', 'L', 1e-3),
          ohm('load', 'q', '0', 22.8),
        ]),
      ),
      {},
    );
    expect(size(across(ring, ring.structure.components.get('load')!, 'ac').amps)).toBeCloseTo(230 / (23 + 2e-3 / 3), 6);
  });
});

describe('the meter', () => {
  const relay = net(
    [
      mains(),
      contact('float', 'L', 'in', 'F', 'up'),
      ohm('K', 'in', '0', 5000),
      { kind: 'capacitor', id: 'cord', a: 'L', b: 'spare', c: 1e-9 },
    ],
    [worked('F', 'down')],
  );
  const structure = structureOf(relay);

  it('shows less than half a volt as none, and more as a voltage', () => {
    const small = (volts: number) =>
      read(structureOf(net([mains('L', volts), ohm('K', 'L', '0', 100)], [])), {}, 'L', '0', 'ac-volts');
    expect([small(0.4), small(0.6)].map((r) => r.ok && r.state)).toEqual(['near-zero', 'steady']);
  });
  it('reads full control voltage over an open contact with supply behind it, near zero over a closed one', () => {
    expect(read(structure, { F: 'down' }, 'L', 'in', 'ac-volts')).toMatchObject({
      ok: true,
      value: expect.closeTo(230, 0),
      state: 'steady',
    });
    // Both sides of the closed contact are live: the display shows nothing, and that is told.
    expect(read(structure, { F: 'up' }, 'L', 'in', 'ac-volts')).toMatchObject({
      ok: true,
      value: expect.closeTo(0, 0),
      state: 'equal',
      toEarth: [expect.closeTo(230, 0), expect.closeTo(230, 0)],
    });
  });

  it('a live frame behind a residual-current device is no ghost, and low-impedance mode tells what it would trip', () => {
    // 230 V behind 2 Ω; a device that opens at 30 mA of difference between line and neutral; a frame that a winding touches.
    const behind: Netlist = {
      frequency: 50,
      devices: [
        {
          id: 'Q9',
          initial: 'on',
          behaviour: {
            kind: 'trip',
            senses: { what: 'amps', of: 'ac', components: ['Q9.L', 'Q9.N'], by: 'sum' },
            above: 0.03,
          },
        },
      ],
      components: [
        { kind: 'source', id: 'mains', a: 'L', b: 'N', volts: 230, phaseDeg: 0, frequency: 50, r: 2 },
        ohm('bond', 'N', '0', 0.5),
        { ...ohm('Q9.L', 'L', 'out', 0.01), when: { device: 'Q9', states: ['on'] } },
        { ...ohm('Q9.N', 'back', 'N', 0.01), when: { device: 'Q9', states: ['on'] } },
        ohm('load', 'out', 'back', 100),
        ohm('fault', 'out', 'frame', 1),
      ],
    };
    const s = structureOf(behind);
    for (const at of ['out', 'frame'])
      for (const mode of ['ac-volts', 'low-z-volts'] as const) {
        const reading = read(s, { Q9: 'on' }, at, '0', mode);
        expect(reading).toMatchObject({ ok: true, value: expect.closeTo(225, -1), state: 'steady' });
        expect(reading).toMatchObject({ toEarth: [expect.closeTo(225, -1), 0] });
      }
    expect(read(s, { Q9: 'on' }, 'frame', '0', 'low-z-volts')).toMatchObject({
      moves: [{ device: 'Q9', to: 'tripped' }],
      then: expect.closeTo(0, 0),
    });
    // Opened, there is nothing; the neutral side never is.
    expect(read(s, { Q9: 'tripped' }, 'frame', '0', 'ac-volts')).toMatchObject({ state: 'near-zero', toEarth: [0, 0] });
    expect(read(s, { Q9: 'on' }, 'N', '0', 'ac-volts')).toMatchObject({ toEarth: [0, 0] });
  });

  it('a mode that does not show what is there says so', () => {
    const battery = structureOf({
      frequency: 50,
      devices: [],
      components: [{ kind: 'source', id: 'battery', a: 'plus', b: '0', volts: 24, phaseDeg: 0, frequency: 0, r: 0.1 }],
    });
    expect(read(battery, {}, 'plus', '0', 'ac-volts')).toMatchObject({ state: 'blind', unseen: expect.closeTo(24, 3) });
    expect(read(battery, {}, 'plus', '0', 'dc-volts')).toMatchObject({ state: 'steady', value: expect.closeTo(24, 3) });
    expect(read(structure, { F: 'up' }, 'L', '0', 'dc-volts')).toMatchObject({
      state: 'blind',
      unseen: expect.closeTo(230, 0),
    });
  });

  it('shows a ghost on a core that only its neighbour holds up, and nothing in low-impedance mode', () => {
    expect(read(structure, { F: 'down' }, 'spare', '0', 'ac-volts')).toMatchObject({ ok: true, state: 'ghost' });
    expect(read(structure, { F: 'down' }, 'spare', '0', 'low-z-volts')).toMatchObject({ ok: true, state: 'near-zero' });
  });

  it('refuses ohms where there is voltage and says where; reads a coil and a contact when dead', () => {
    expect(read(structure, { F: 'up' }, 'in', '0', 'ohms')).toMatchObject({ ok: false, reason: 'live' });
    const dead = structureOf({ ...relay, components: relay.components.filter((p) => p.kind !== 'source') });
    expect(read(dead, { F: 'down' }, 'in', '0', 'ohms')).toMatchObject({ ok: true, value: expect.closeTo(5000, 1) });
    expect(read(dead, { F: 'down' }, 'L', 'in', 'ohms')).toMatchObject({ ok: true, value: Infinity, state: 'open' });
    expect(read(dead, { F: 'up' }, 'L', 'in', 'continuity')).toMatchObject({ ok: true, state: 'beeps' });
    expect(read(dead, { F: 'down' }, 'L', 'in', 'continuity')).toMatchObject({ ok: true, state: 'silent' });
  });

  it('says that a point or conductor is not there', () => {
    expect(read(structure, {}, 'X9:9', '0', 'ac-volts')).toEqual({ ok: false, reason: 'no-such-point', at: 'X9:9' });
    expect(clamp(solve(structure, { F: 'up' }), ['W9'])).toEqual({ ok: false, reason: 'no-such-conductor', at: 'W9' });
  });
});
