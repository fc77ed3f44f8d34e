import { describe, expect, it } from 'vitest';
import {
  clamp,
  impedanceBetween,
  potential,
  read,
  settle,
  size,
  waitingOf,
  type MeterMode,
  type Settled,
} from '../circuit';
import { demoStations } from '../demo';
import { applyFaults, faultsOf } from '../faults';
import { newStation, type Station } from '../station';
import { inTheEnd, outcomesOf, solveWith, wire, type Wired } from '../wiring';
import { panelOf } from '.';

const built = (station: Station) => {
  const made = panelOf(station);
  if (!made.ok) throw new Error(JSON.stringify(made.reasons));
  return made.panel;
};
const faulted = (station: Station, ...ids: string[]): Wired => {
  const panel = built(station);
  const faults = ids.map((id) => faultsOf(station, panel).find((f) => f.id === id)!);
  return applyFaults(station, panel, wire(station, panel), faults);
};
const amps = (wired: Wired, settled: Settled, pin: string): number => {
  const reading = clamp(settled.solution, [wired.panel.cores.find((c) => c.pin === pin)!.id]);
  if (!reading.ok) throw new Error(reading.reason);
  return reading.value;
};
const meter = (wired: Wired, { states }: Settled, a: string, b: string, mode: MeterMode) =>
  read(wired.structure, states, wired.points.get(a)!, b === 'earth' ? '0' : wired.points.get(b)!, mode);
const ohms = (wired: Wired, settled: Settled, a: string, b: string) => {
  const reading = meter(wired, settled, a, b, 'ohms');
  return reading.ok ? reading.value : reading.reason;
};

const sump = newStation('a', 'b', 'metric-230');
const [pump] = sump.pumps;
const byContactor: Station = { ...sump, control: { ...sump.control, scheme: 'contactor' } };
const withMotor = (station: Station, motor: Partial<(typeof sump)['pumps'][0]['motor']>): Station => ({
  ...station,
  pumps: station.pumps.map((p) => ({ ...p, motor: { ...p.motor, ...motor } })),
});
const underpass = demoStations().find((d) => d.file === 'underpass-storm-sump.json')!.station;
const RUN = { 'S-pump': 'up' };
const CALL = { 'S-stop': 'up', 'S-lead': 'up' };

describe('a three-phase motor', () => {
  const rated = underpass.pumps[0]!.ratedCurrent;
  const healthy = wire(underpass, built(underpass));
  const runs = solveWith(healthy, CALL);

  it('runs at its rated current, forwards', () => {
    expect([runs.states.M1, outcomesOf(healthy, runs).M1]).toEqual(['running', true]);
    for (const pin of ['M1:U', 'M1:V', 'M1:W']) expect(amps(healthy, runs, pin) / rated).toBeCloseTo(1, 1);
  });
  it('that loses a phase while it runs goes on at √3 of its current, and its overload opens in minutes, not at once', () => {
    const lost = faulted(underpass, 'W0-L3-lost');
    const on = settle(lost.structure, { ...runs.states });
    expect([on.states.M1, outcomesOf(lost, on).M1]).toEqual(['single', true]);
    // Copper and cables take a little of it.
    expect(amps(lost, on, 'M1:U') / rated).toBeGreaterThan(1.6);
    expect(amps(lost, on, 'M1:U') / rated).toBeLessThan(Math.sqrt(3));
    expect(amps(lost, on, 'M1:W')).toBeLessThan(0.01);
    const opens = waitingOf(on).find((w) => w.device === 'F11')!;
    expect([opens.to, opens.after > 60, opens.after < 480]).toEqual(['tripped', true, true]);
    expect(inTheEnd(lost, on).states).toMatchObject({ F11: 'tripped', M1: 'still' });
  });
  it('that has lost a phase does not begin: it hums at nearly its starting current, and its overload opens in seconds', () => {
    const lost = faulted(underpass, 'W0-L3-lost');
    const stands = solveWith(lost, CALL);
    expect([stands.states.M1, outcomesOf(lost, stands).M1]).toEqual(['stalled', false]);
    // Two windings in series between two lines: √3/2 of the starting current.
    const starting = underpass.pumps[0]!.motor.starting * rated;
    expect(amps(lost, stands, 'M1:U') / starting).toBeCloseTo(Math.sqrt(3) / 2, 1);
    expect(waitingOf(stands).find((w) => w.device === 'F11')!.after).toBeLessThan(30);
  });
  it('turns backwards with any two phases changed, and forwards with all three moved on by one', () => {
    const cores = built(underpass).cores.filter((c) => /^M1:[UVW]$/.test(c.pin));
    const landed = (order: readonly number[]): Station => ({
      ...underpass,
      landings: { cores: cores.map((c, i) => ({ core: c.id, to: cores[order[i]!]!.terminal })), links: [] },
    });
    const turns = (order: readonly number[]) => {
      const station = landed(order);
      return solveWith(wire(station, built(station)), CALL).states.M1;
    };
    expect(
      [
        [0, 1, 2],
        [1, 2, 0],
        [2, 0, 1],
      ].map(turns),
    ).toEqual(Array(3).fill('running'));
    expect(
      [
        [1, 0, 2],
        [0, 2, 1],
        [2, 1, 0],
      ].map(turns),
    ).toEqual(Array(3).fill('backwards'));
  });
  it('reads alike over its three pairs, two windings in series, as they were measured', () => {
    const measured = withMotor(underpass, { winding: 3.7 });
    const wired = wire(measured, built(measured));
    const off = solveWith(wired, { Q0: 'off' });
    for (const [a, b] of [
      ['U', 'V'],
      ['V', 'W'],
      ['W', 'U'],
    ] as const)
      expect(ohms(wired, off, `M1:${a}`, `M1:${b}`)).toBeCloseTo(7.4, 1);
    const open = faulted(measured, 'M1-winding-open');
    const dead = solveWith(open, { Q0: 'off' });
    expect(ohms(open, dead, 'M1:V', 'M1:W')).toBeCloseTo(7.4, 1);
    expect(ohms(open, dead, 'M1:U', 'M1:V')).toBeGreaterThan(1e5);
  });
});

describe('a single-phase motor', () => {
  it('cannot have its start gear in a box at the panel where it hangs on a plug', () => {
    expect(panelOf(sump).ok).toBe(true);
    const boxed = panelOf(withMotor(sump, { gear: 'in-panel' }));
    expect(boxed.ok ? '' : JSON.stringify(boxed.reasons)).toMatch(/no panel to hold it/);
  });
  const measured = withMotor(byContactor, { winding: 3, auxiliary: 8 });
  it('reads its main winding between its two leads: its capacitor is open to the meter', () => {
    const wired = wire(measured, built(measured));
    expect(ohms(wired, solveWith(wired, { Q0: 'off' }), 'M1:U', 'M1:V')).toBeCloseTo(3, 1);
  });
  it('with its start gear in a box reads common–run, common–start, and run–start as the sum of both', () => {
    const boxed = withMotor(measured, { gear: 'in-panel' });
    const wired = wire(boxed, built(boxed));
    const off = solveWith(wired, { Q0: 'off' });
    const [run, start, both] = [
      ohms(wired, off, 'M1:V', 'M1:U'),
      ohms(wired, off, 'M1:V', 'M1:Z'),
      ohms(wired, off, 'M1:U', 'M1:Z'),
    ];
    expect([run, start, both]).toEqual([expect.closeTo(3, 1), expect.closeTo(8, 1), expect.closeTo(11, 1)]);
    const on = solveWith(wired, RUN);
    expect([on.states.M1, outcomesOf(wired, on).M1]).toEqual(['running', true]);
    // Once it turns its start switch has opened: nothing flows in the start core.
    expect(amps(wired, on, 'M1:Z')).toBeLessThan(0.01);
    expect(solveWith(faulted(boxed, 'M1-capacitor'), RUN).states.M1).toBe('stalled');
    const stuck = faulted(boxed, 'M1-start-stuck');
    expect(amps(stuck, solveWith(stuck, RUN), 'M1:Z')).toBeGreaterThan(1);
  });
  it.each(['start-capacitor', 'run-capacitor'] as const)(
    'with a %s takes its rated current running and so many times that standing',
    (begins) => {
      const station = withMotor(byContactor, { begins });
      const healthy = wire(station, built(station));
      const on = solveWith(healthy, RUN);
      expect(amps(healthy, on, 'M1:U') / pump!.ratedCurrent).toBeCloseTo(1, 1);
      const jammed = faulted(station, 'M1-seized');
      const stands = solveWith(jammed, RUN);
      expect(stands.states.M1).toBe('stalled');
      expect(amps(jammed, stands, 'M1:U') / pump!.ratedCurrent).toBeGreaterThan(0.85 * pump!.motor.starting);
      expect(amps(jammed, stands, 'M1:U') / pump!.ratedCurrent).toBeLessThan(pump!.motor.starting);
    },
  );
  it('whose capacitor or auxiliary winding is open hums and does not begin; one that turned already goes on', () => {
    for (const id of ['M1-capacitor', 'M1-auxiliary-open']) {
      const wired = faulted(byContactor, id);
      expect([id, solveWith(wired, RUN).states.M1]).toEqual([id, 'stalled']);
      expect([
        id,
        settle(wired.structure, { ...solveWith(wire(byContactor, built(byContactor)), RUN).states }).states.M1,
      ]).toEqual([id, 'running']);
    }
  });
  it.each([
    // By hand, 4.2 A at 230 V and 50 Hz: 1.5 and 0.35 times that over 2π · 50 · 230.
    ['start-capacitor', 87.2],
    ['run-capacitor', 20.3],
  ] as const)('has a %s of some %d µF where nobody read it off', (begins, microfarads) => {
    const boxed = built(withMotor(byContactor, { begins, gear: 'in-panel' }));
    const { description } = boxed.devices.find((d) => d.function === 'start-gear')!;
    expect(Number(/([\d.]+) µF/.exec(description)![1])).toBeCloseTo(microfarads, 1);
  });
  it('has a capacitor and copper that are typical where nobody measured them', () => {
    const wired = wire(byContactor, built(byContactor));
    const value = ohms(wired, solveWith(wired, { Q0: 'off' }), 'M1:U', 'M1:V');
    expect(value).toBeGreaterThan(1);
    expect(value).toBeLessThan(10);
  });
});

describe('a transformer', () => {
  it('reads a few ohms over each winding when it is dead, and open between them', () => {
    const station: Station = { ...byContactor, control: { ...byContactor.control, options: { isolate: 'yes' } } };
    const wired = wire(station, built(station));
    const off = solveWith(wired, { Q0: 'off', F1: 'off', F2: 'off' });
    // A twentieth of its voltage is lost at 100 VA, half of it in each winding: 0.025 · 230² / 100.
    expect(ohms(wired, off, 'T1:P1', 'T1:P2')).toBeCloseTo(13.2, 1);
    expect(ohms(wired, off, 'T1:S1', 'T1:S2')).toBeCloseTo(13.2, 1);
    expect(ohms(wired, off, 'T1:P1', 'T1:S1')).toBe(Infinity);
  });
});

describe('a fault to earth', () => {
  const guarded: Station = { ...byContactor, supply: { ...byContactor.supply, residualCurrent: true } };
  const bare: Station = { ...byContactor, supply: { ...byContactor.supply, residualCurrent: false } };
  const frame = (s: Settled) => size(potential(s.solution, 'M1:PE', 'ac'));

  it.each(['M1-earth', 'M1-leak'])('%s trips the residual-current device at once', (id) =>
    expect(solveWith(faulted(guarded, id), RUN).states).toMatchObject({ Q9: 'tripped', M1: 'still' }),
  );
  it('solid, without such a device: some 75 A flow home by the earth, the frame is live while they do, and in seconds something opens', () => {
    const wired = faulted(bare, 'M1-earth');
    const at = solveWith(wired, RUN);
    // 230 V over 2 Ω, the loop of the board of 0.6 Ω, and feeder and cable.
    expect(amps(wired, at, 'M1:PE')).toBeGreaterThan(60);
    expect(amps(wired, at, 'M1:PE')).toBeLessThan(230 / 2.6);
    expect(frame(at)).toBeGreaterThan(20);
    const warms = waitingOf(at).filter((w) => w.to === 'tripped');
    expect(warms.map((w) => w.device)).toEqual(expect.arrayContaining(['Q1', 'F11']));
    expect(Math.min(...warms.map((w) => w.after))).toBeLessThan(5);
    const end = inTheEnd(wired, at);
    expect([end.states.M1, frame(end) < 1]).toEqual(['still', true]);
  });
  it('through a wet splice, without such a device: nothing opens, the earth holds the frame down', () => {
    const wired = faulted(bare, 'M1-leak');
    const on = solveWith(wired, RUN);
    expect([on.states.M1, waitingOf(on)]).toEqual(['running', []]);
    expect(frame(on)).toBeLessThan(1);
    // What leaks goes home by the earth core.
    expect(amps(wired, on, 'M1:PE')).toBeCloseTo(230 / 3000, 2);
  });
  it('through a wet splice with the earth lost: the frame, and the water round it, are live', () => {
    const wired = faulted(bare, 'M1-leak', 'W0-earth-lost', 'W9-earth-lost');
    const on = solveWith(wired, RUN);
    expect(frame(on)).toBeGreaterThan(150);
    expect(meter(wired, on, 'M1:PE', 'earth', 'ac-volts')).toMatchObject({ ok: true, state: 'steady' });
  });
  it('of a lamp of another circuit in the water is stopped by no switch of this panel', () => {
    const wired = faulted(guarded, 'W0-in-the-water', 'W0-earth-lost', 'W9-earth-lost');
    for (const inputs of [{}, { Q0: 'off' }, { Q9: 'off' }] as Record<string, string>[]) {
      const s = solveWith(wired, inputs);
      expect([inputs, frame(s) > 100, s.states.Q9]).toEqual([inputs, true, inputs.Q9 ?? 'on']);
    }
  });
  it('is found with the insulation tester, core to earth, and not with ohms between cores', () => {
    const [well, leaks] = [wire(bare, built(bare)), faulted(bare, 'M1-leak')].map((wired) => {
      const off = solveWith(wired, { Q0: 'off' });
      return meter(wired, off, 'M1:U', 'M1:PE', 'insulation');
    });
    expect(well!.ok && well!.value).toBeGreaterThan(1e7);
    expect(leaks!.ok && leaks!.value).toBeCloseTo(3000, -2);
  });
});

describe('what a panel is made of', () => {
  const s: Station = { ...byContactor, alarm: { ...byContactor.alarm, faults: false } };
  const panel = built(s);
  it('has fuses and breakers of these ratings: of the control 4 A, of the alarm’s supply 2 A, of its battery 3 A', () => {
    const ratings = Object.fromEntries(
      panel.devices.flatMap((d) => (d.rating === undefined ? [] : [[d.tag, d.rating]])),
    );
    expect(ratings).toMatchObject({ F1: 4, F3: 2, F4: 3, Q1: s.supply.breaker, QB: s.supply.feederBreaker, QA: 10 });
  });
  it('numbers contacts as they are marked: closing ones x3-x4, opening ones x1-x2, each its own; main poles by ones (EN 50011)', () => {
    const duplex = built(underpass);
    for (const d of duplex.devices.filter((x) => x.function === 'relay' || x.function === 'contactor')) {
      const contacts = Object.entries(d.elements).filter(([, e]) => e.sign === 'make' || e.sign === 'break');
      expect(new Set(contacts.flatMap(([, e]) => e.pins)).size).toBe(2 * contacts.length);
      for (const [, e] of contacts) {
        const [a, b] = e.pins;
        if (a.length === 1) expect([d.tag, Number(b) - Number(a), Number(a) % 2]).toEqual([d.tag, 1, 1]);
        else expect([d.tag, a.slice(-1) + b.slice(-1)]).toEqual([d.tag, e.sign === 'make' ? '34' : '12']);
      }
    }
  });
  it('puts each part into its class of cost: small change, moderate, considerable, dear; nothing for what comes from others', () => {
    const cost = (tag: string) => panel.devices.find((d) => d.tag === tag)!.cost;
    for (const tag of ['F1', 'F3', 'K8', 'K9', 'GB', 'P1', 'P2', 'S1']) expect([tag, cost(tag)]).toEqual([tag, 1]);
    for (const tag of ['Q0', 'Q1', 'Q9', 'F11', 'K1', 'G2']) expect([tag, cost(tag)]).toEqual([tag, 2]);
    for (const tag of ['W0', 'W9', 'M1']) expect([tag, cost(tag)]).toEqual([tag, 0]);
    const drive = built({ ...s, control: { ...s.control, scheme: 'drive' } });
    expect(drive.devices.find((d) => d.function === 'drive')!.cost).toBe(4);
  });
  it('sees at the board the loop that was told: line and neutral, and line and earth', () => {
    // On the circuit of the pump alone: an alarm with a circuit of its own brings a second earth.
    const alone: Station = { ...s, alarm: { ...s.alarm, ownSupply: false } };
    const wired = wire(alone, built(alone));
    const { states } = solveWith(wired, { Q0: 'off' });
    // And a pole of the breaker.
    for (const back of ['W0:N', 'W0:PE']) {
      const z = impedanceBetween(wired.structure, states, 'W0:L1', back, 'ac');
      expect([back, size(z)]).toEqual([back, expect.closeTo(s.supply.loop + 0.01, 3)]);
    }
  });
});
