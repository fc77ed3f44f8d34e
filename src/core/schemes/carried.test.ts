import { describe, expect, it } from 'vitest';
import { potential, read, size, waitingOf } from '../circuit';
import { demoStations } from '../demo';
import { applyFaults, faultsOf } from '../faults';
import { checkStation, type Station } from '../station';
import { sayPhrase } from '../units';
import { cautions, happens, outcomesOf, partsList, solveWith, wire, wireList } from '../wiring';
import { FLOAT, standing, station, table, up } from './truth.fixture';
import { panelOf, SCHEMES } from '.';

/*
 * Parts that a panel carries beside its scheme: what each must do, from its description, in every scheme that can carry it.
 */

type Parts = Station['control']['parts'];
const carrying = (s: Station, parts: Partial<Parts>): Station => ({
  ...s,
  control: { ...s.control, parts: { ...s.control.parts, ...parts } },
});
const BARRIER = { voltage: 9.6, current: 0.01, capacitance: 3e-6, inductance: 0.3 } as const;
const demo = (file: string) => demoStations().find((d) => d.file === file)!.station;
const underpass = demo('underpass-storm-sump.json');
const three = (s: Station): Station => ({
  ...s,
  supply: { ...s.supply, source: 'three', voltage: 400, residualCurrent: false },
});

const clearing = (s: Station): Station => ({ ...s, alarm: { ...s.alarm, latch: false } });

/** A station for each scheme in which a relay or contactor runs the pumps, and the floats by which pump 1 is called. */
const COILS: readonly (readonly [name: string, station: Station, calls: Record<string, string>])[] = [
  ['relay', station('relay', ['pump', 'alarm']), { 'S-pump': 'up' }],
  ['contactor', station('contactor', ['pump', 'alarm']), { 'S-pump': 'up' }],
  ['duplex', underpass, { 'S-stop': 'up', 'S-lead': 'up' }],
  ['bells', clearing(demo('lodge-grinder-well.json')), { 'S-pump': 'up' }],
  ['drive', station('drive', ['pump', 'alarm']), { 'S-pump': 'up' }],
];

describe.each(COILS)('a panel by %s', (name, plain, calls) => {
  it('with a seal probe that stops: dry oil lets it run, wet oil stops it and rings', () => {
    const s = carrying(plain, { sealProbe: 'stop' });
    const p = standing(s);
    expect(p.put(calls)).toMatchObject({ M1: true, horn: false });
    const wet = (r: number) => {
      const wired = wire(s, p.panel);
      const netlist = {
        ...wired.netlist,
        components: wired.netlist.components.map((c) => (c.id === 'M1.probe' ? { ...c, r } : c)),
      };
      const { structure } = applyFaults(s, p.panel, wired, [
        {
          id: 'wet',
          group: 'motor',
          part: 'M1',
          label: '',
          cause: '',
          remedy: '',
          perYear: 1,
          buys: true,
          wears: false,
          effects: { circuit: () => netlist },
        },
      ]);
      return outcomesOf(wired, solveWith({ ...wired, structure }, calls));
    };
    expect(wet(2000)).toMatchObject({ M1: false, horn: true });
    expect(wet(200e3)).toMatchObject({ M1: true, horn: false });
  });
  it('with the thermal contact of the motor: hot stops it; it comes back cool, or only by a hand', () => {
    for (const motorThermal of ['returns', 'latches'] as const) {
      const p = standing(carrying(plain, { motorThermal }));
      const reset = { S61: 'pressed' };
      if (motorThermal === 'latches') {
        p.put(reset);
        p.put({ S61: 'out' });
        if (name === 'duplex') p.put({ S62: 'pressed' });
        if (name === 'duplex') p.put({ S62: 'out' });
      }
      expect(p.put(calls)).toMatchObject({ M1: true });
      expect(p.put({ H1: 'hot' })).toMatchObject({ M1: false, horn: true });
      const cool = p.put({ H1: 'cool' });
      expect(cool.M1).toBe(name === 'duplex' ? cool.M1 : motorThermal === 'returns');
      if (motorThermal === 'latches') {
        p.put(reset);
        expect(p.put({ S61: 'out' })).toMatchObject({ horn: false });
      }
    }
  });
  it('that waits after a power cut: no pump runs before its time, the first before the second', () => {
    const s = carrying(plain, { stagger: 20 });
    const p = standing(s);
    expect(p.put(calls).M1).toBe(false);
    const wired = wire(s, p.panel);
    const waits = waitingOf(solveWith(wired, calls)).filter((w) => w.to === 'on');
    expect(waits.map((w) => [w.device, w.after])).toEqual(
      s.pumps.map((_, i) => [`K6${i + 1}D`, 20 * (i + 1)] as const),
    );
    expect(p.time('K61D', 'on').M1).toBe(true);
  });
  it('on three legs with a phase monitor: runs on the right order, not on the wrong one nor with a leg lost', () => {
    const s = carrying(three(plain), { phaseMonitor: true });
    const p = standing(s);
    expect(p.put(calls).M1).toBe(true);
    const core = (pin: string) => p.panel.cores.find((c) => c.pin === pin)!;
    const swapped = wire(s, p.panel, {
      cores: [
        { core: core('W0:L1').id, to: core('W0:L2').terminal },
        { core: core('W0:L2').id, to: core('W0:L1').terminal },
      ],
      links: [],
    });
    expect(outcomesOf(swapped, solveWith(swapped, calls))).toMatchObject({ M1: false, horn: true });
    const lost = applyFaults(s, p.panel, wire(s, p.panel), [faultsOf(s, p.panel).find((f) => f.id === 'W0-L3-lost')!]);
    expect(outcomesOf(lost, solveWith(lost, calls)).M1).toBe(false);
  });
  it('with barriers: each float does behind them what it did; its wires are light blue, and carry milliamperes', () => {
    const s = carrying(plain, { barrier: BARRIER });
    const p = standing(s);
    const plainly = standing(plain);
    const floats = p.panel.devices.filter((d) => d.sensor !== undefined && d.cable).map((d) => d.tag);
    for (let bits = 0; bits < 2 ** floats.length; bits++) {
      const posture = Object.fromEntries(floats.map((f, i) => [f, (bits >> i) & 1 ? 'up' : 'down']));
      const [is, was] = [p.fresh(posture), plainly.fresh(posture)];
      expect([posture, is.M1, is.horn]).toEqual([posture, was.M1, was.horn]);
    }
    const wired = wire(s, p.panel);
    if (floats.length > 0)
      expect(wireList(s, wired).some((w) => w.where === 'panel' && w.colour === 'light blue')).toBe(true);
    const { solution } = solveWith(wired, Object.fromEntries(floats.map((f) => [f, 'up'])));
    for (const f of floats) expect(size(potential(solution, `${f}:C`, 'dc'))).toBeLessThan(BARRIER.voltage);
  });
  it('with heater, surge arrester and transfer: it does what it did, and they are listed', () => {
    for (const generator of ['neutral-switched', 'neutral-solid'] as const) {
      const s = carrying(plain, { heater: 60, surge: true, generator });
      const p = standing(s);
      expect(p.put(calls)).toMatchObject({ M1: true, horn: false });
      expect(p.put({ Q7: 'off' }).M1).toBe(false);
      expect(p.put({ Q7: 'generator' }).M1).toBe(false);
      const back = p.put({ G7: 'running' });
      expect(back.M1 || back.M2).toBe(true);
      // With the supply cut and the switch on it, a running generator must not feed the feeder back.
      p.put({ Q7: 'supply', W0: 'cut' });
      expect(
        cautions(s, p.panel)
          .map((c) => c.sentence)
          .join(),
      ).toMatch(/generator is a second source/);
      const wired = wire(s, p.panel);
      const { solution, states } = solveWith(wired, { ...calls, W0: 'cut', G7: 'running' });
      expect(size(potential(solution, 'W0:L1', 'ac'))).toBeLessThan(5);
      expect(states.M1).toBe('still');
      const parts = partsList(s, wired).map((l) => l.description);
      for (const what of ['panel heater, 60 W', 'surge arrester', 'transfer switch'])
        expect(parts.some((d) => d.startsWith(what))).toBe(true);
    }
  });
});

describe('control at 24 V', () => {
  it.each(['ac', 'dc'] as const)('%s: every contactor scheme does what it does at the mains', (extraLow) => {
    const s = carrying(station('contactor', ['pump', 'alarm', 'low']), { extraLow });
    table(s, { 'S-pump': FLOAT, 'S-low': FLOAT, S1: ['hand', 'off', 'auto'] }, (p) => ({
      M1: (p.S1 === 'hand' || (p.S1 === 'auto' && up(p, 'pump'))) && up(p, 'low'),
    }));
    const made = panelOf(s);
    const wired = wire(s, made.ok ? made.panel : null!);
    const { solution } = solveWith(wired, { 'S-pump': 'up', 'S-low': 'up' });
    for (const core of ['S-pump:C', 'S-pump:NO', 'S-low:C'])
      expect(Math.hypot(size(potential(solution, core, 'ac')), size(potential(solution, core, 'dc')))).toBeLessThan(30);
    const duplex = standing(carrying(underpass, { extraLow }));
    expect(duplex.put({ 'S-stop': 'up', 'S-lead': 'up' })).toMatchObject({ M1: true, M2: false });
    expect(duplex.put({ 'S-lag': 'up' })).toMatchObject({ M1: true, M2: true, lag: true });
  });
});

describe('contacts for far away', () => {
  const told = (s: Station, alarm: Partial<Station['alarm']>): Station => ({ ...s, alarm: { ...s.alarm, ...alarm } });
  it('pump-run closes with its pump, fault opens with an overload, power opens with the power: closed when all is well', () => {
    const s = told(underpass, { runContact: true, faultContact: true, powerFailContact: true });
    const p = standing(s);
    expect(p.put({})).toMatchObject({ P21: false, P22: false, P8: true, P7: true });
    expect(p.put({ 'S-stop': 'up', 'S-lead': 'up' })).toMatchObject({ P21: true, P22: false });
    expect(p.put({ F11: 'tripped' })).toMatchObject({ P8: false, P21: false, P22: true });
    expect(p.put({ W0: 'cut' })).toMatchObject({ P7: false });
  });
  it('a drive in fault rings, and a lost power does where it is to', () => {
    const s = station('drive', ['pump', 'low', 'alarm'], (d) => ({
      control: { ...d.control, options: { input: 'external-fault' } },
    }));
    const p = standing(s);
    p.put({ 'S-low': 'up' });
    expect(p.put({ U1F: 'on' }).horn).toBe(false);
    expect(p.put({ 'S-low': 'down' }).horn).toBe(true);
    const quiet = standing(told(station('contactor', ['pump', 'alarm']), { faults: false }));
    expect(quiet.put({ F11: 'tripped' }).horn).toBe(false);
    for (const scheme of ['cord', 'contactor']) {
      const lost = standing(told(station(scheme, ['pump', 'alarm']), { powerFail: true }));
      expect([scheme, lost.put({}).horn, lost.put({ W0: 'cut' }).horn]).toEqual([scheme, false, true]);
    }
  });
  it.each([
    ['high', [false, true, false]],
    ['power', [false, false, true]],
    ['either', [false, true, true]],
  ] as const)('a standby pump on %s is started so', (on, wanted) => {
    const s: Station = {
      ...station('contactor', ['pump', 'alarm']),
      interlocks: [{ kind: 'standby', name: 'engine pump', on }],
    };
    const p = standing(s);
    expect([p.fresh({}).U20, p.fresh({ 'S-alarm': 'up' }).U20, p.fresh({ W0: 'cut' }).U20]).toEqual(wanted);
  });
});

describe('what cannot be', () => {
  const reasons = (s: Station) => {
    const made = panelOf(s);
    return made.ok ? '' : made.reasons.map((r) => sayPhrase(r, 'metric')).join('; ');
  };
  it('parts that stop a pump need something to stop it by; a phase monitor needs three legs', () => {
    const cord = station('cord', ['pump', 'alarm']);
    for (const parts of [
      { sealProbe: 'stop' },
      { motorThermal: 'returns' },
      { stagger: 5 },
      { barrier: BARRIER },
      { extraLow: 'dc' },
    ] as const)
      expect(reasons(carrying(cord, parts))).toMatch(/needs a control circuit/);
    expect(reasons(carrying(cord, { sealProbe: 'alarm' }))).toBe('');
    expect(reasons(carrying(station('contactor', ['pump']), { phaseMonitor: true }))).toMatch(/watches three legs/);
  });
  it.each([
    [
      'an overload class that there is not',
      (s: Station) => ((s.pumps[0]!.motor.overloadClass as number) = 15),
      /classes 5, 10, 20, 30/,
    ],
    [
      'a barrier without its figures',
      (s: Station) => ((s.control.parts.barrier as object) = { voltage: 9.6 }),
      /current/,
    ],
    ['a capacitor of nothing', (s: Station) => (s.pumps[0]!.motor.capacitor = 0), /a capacitor must be more than zero/],
  ])('%s is refused', (_, spoil, message) => {
    const s = structuredClone(station('contactor', ['pump']));
    spoil(s);
    const checked = checkStation(s);
    expect(checked.ok ? '' : checked.problems.map((p) => `${p.path} ${p.message}`).join('; ')).toMatch(message);
  });
});

describe('fail-safe', () => {
  it('every part that any scheme carries leaves it sound: it comes to rest, and no reading of it lacks a figure', () => {
    for (const { station: s, file } of demoStations())
      for (const { id } of SCHEMES) {
        const all = carrying(s, { heater: 40, surge: true, generator: 'neutral-switched', sealProbe: 'alarm' });
        const made = panelOf(all, id);
        if (!made.ok) continue;
        const wired = wire(all, made.panel);
        const settled = solveWith(wired, {});
        expect([file, id, settled.chatter]).toEqual([file, id, []]);
        for (const o of made.panel.outcomes) expect(typeof happens(settled, o)).toBe('boolean');
        for (const point of wired.points.values()) {
          const reading = read(wired.structure, settled.states, point, '0', 'ac-volts');
          expect([file, id, point, reading.ok && Number.isFinite(reading.value)]).toEqual([file, id, point, true]);
        }
      }
  });
});
