import { describe, expect, it } from 'vitest';
import { demoStations } from '../demo';
import { faultsOf } from '../faults';
import { sensorTrips } from '../levels';
import { panelOf } from '../schemes';
import type { Station } from '../station';
import { sayPhrase } from '../units';
import { vesselOf } from '../vessel';
import { demo, run, sentences, scenario, sump } from './rehearsal.fixture';
import { whatIf, type Scenario } from '.';

describe('faults', () => {
  const of = (id: string, station = sump) =>
    run(station, { duration: 12 * 3600, faults: [{ from: 3600, to: null, id }] });
  it.each([
    ['pump-stuck-down', (r: ReturnType<typeof run>) => r.alarms > 0 && r.overflowTime > 0 && r.warningTime! > 0],
    ['pump-stuck-up', (r: ReturnType<typeof run>) => r.dryRunTime > 0 && r.alarms === 0],
    ['alarm-stuck-down', (r: ReturnType<typeof run>) => r.alarms === 0 && r.overflowTime === 0],
    ['alarm-stuck-up', (r: ReturnType<typeof run>) => r.alarmTime > 10 * 3600],
    ['Q1-off', (r: ReturnType<typeof run>) => r.overflowTime > 0 && r.alarms > 0],
    ['blocked', (r: ReturnType<typeof run>) => r.overflowTime > 0 && r.pumps[0]!.longestRun > 10000],
    ['GB-flat', (r: ReturnType<typeof run>) => r.alarms === 0 && r.overflowTime === 0],
  ])('%s does what it does', (id, does) => expect(does(of(id))).toBe(true));

  it('half the flow runs longer; a line that drains back starts more often', () => {
    const healthy = run(sump, { duration: 12 * 3600 });
    expect(of('M1-clogged').pumps[0]!.runTime).toBeGreaterThan(healthy.pumps[0]!.runTime * 1.4);
    expect(of('check-open').pumps[0]!.starts).toBeGreaterThan(healthy.pumps[0]!.starts);
    expect(of('check-open').balance.drainback).toBeGreaterThan(healthy.balance.drainback);
  });
  it('a fault that is mended leaves no trace after it', () => {
    const r = run(sump, { duration: 12 * 3600, faults: [{ from: 3600, to: 7200, id: 'Q1-off' }] });
    expect(sentences(r)).toEqual(
      expect.arrayContaining(['fault: Q1 is off (guards the circuit)', 'repaired: Q1 is off (guards the circuit)']),
    );
    // The pit fills by its design inflow: as many starts as the whole day would have brought in the hours that are left.
    const later = r.events.filter((e) => e.at > 8000);
    const healthy = run(sump, { duration: 12 * 3600 }).events.filter((e) => e.at > 8000);
    const count = (of: typeof later, kind: string) => of.filter((e) => e.kind === kind).length;
    expect(Math.abs(count(later, 'pump') - count(healthy, 'pump'))).toBeLessThanOrEqual(2);
    expect(count(later, 'overflow')).toBe(0);
  });
});

describe('motors that heat', () => {
  const contactor: Station = { ...sump, control: { ...sump.control, scheme: 'contactor' } };
  const flow = (rate: number): Partial<Scenario> => ({
    inflow: { kind: 'steps', rows: [{ time: 0, flow: rate }], repeatEvery: null },
  });
  const at = (r: ReturnType<typeof run>, words: RegExp) =>
    r.events.filter((e) => words.test(sayPhrase(e.sentence, 'metric'))).map((e) => e.at);

  it('a rotor that stands opens the overload after its time, and that stays open until a hand resets it', () => {
    const r = run(contactor, { ...flow(0.0005), duration: 3600, faults: [{ from: 0, to: null, id: 'M1-seized' }] });
    const [stands, opens] = [
      at(r, /^pump 1 hums and stands under voltage: pump float lifted/),
      at(r, /^F11 \(guards pump 1\) opens: pump 1 stood under voltage/),
    ];
    expect([stands.length, opens.length, at(r, /^pump 1 starts/)]).toEqual([1, 1, []]);
    // Class 10, a little under five times its setting over the cables: by hand 309.6 s · ln(I² / (I² − 1.15²)), 16.8 s at 5.0 and 20.1 s at 4.6.
    expect(opens[0]! - stands[0]!).toBeGreaterThan(16.8);
    expect(opens[0]! - stands[0]!).toBeLessThan(20.1);
    expect(r.balance.pumped).toBe(0);
  });
  it('without an overload the motor’s own protector opens, cools and tries again', () => {
    const r = run(sump, {
      ...flow(0.0005),
      duration: 4000,
      faults: [{ from: 0, to: null, id: 'M1-seized' }],
      motorProtection: { lockedRotor: 12, dryRunning: 600, cooling: 700 },
    });
    const [starts, opens] = [
      at(r, /^pump 1 hums and stands under voltage/),
      at(r, /^thermal protector of pump 1 opens: pump 1 stood under voltage/),
    ];
    expect(starts.length).toBeGreaterThan(3);
    opens.forEach((t, i) => expect(t - starts[i]!).toBeCloseTo(12, 9));
    starts.slice(1).forEach((t, i) => expect(t - opens[i]!).toBeCloseTo(700, 9));
    // A pump that moved nothing leaves no column that could run back.
    expect([r.balance.pumped, r.balance.drainback]).toEqual([0, 0]);
  });
  it('a pump in air opens after minutes; one that draws water again in between does not', () => {
    const stuck = { faults: [{ from: 0, to: null, id: 'pump-stuck-up' }], length: 7200 };
    const dry = run(sump, { ...flow(0), ...stuck });
    const [air, opens] = [
      at(dry, /^pump 1 draws air/),
      at(dry, /^thermal protector of pump 1 opens: pump 1 ran without water/),
    ];
    expect(opens[0]! - air[0]!).toBeCloseTo(600, 9);
    expect(dry.lowestLevel).toBeCloseTo(sump.pumps[0]!.intake, 9);
    expect(at(run(sump, { ...flow(0.0005), ...stuck }), /thermal protector/)).toEqual([]);
  });
  it('an air-locked pump turns, moves nothing and heats', () => {
    const r = run(sump, { ...flow(0.0005), duration: 7200, faults: [{ from: 0, to: null, id: 'M1-airlocked' }] });
    expect(r.balance.pumped).toBe(0);
    expect(at(r, /ran without water/).length).toBeGreaterThan(0);
  });
});

describe('a person who answers the alarm', () => {
  it('is there after the time, mends what failed, and the pump goes on', () => {
    const r = run(sump, {
      duration: 12 * 3600,
      responseTime: 1800,
      faults: [{ from: 600, to: null, id: 'M1-winding-open' }],
    });
    const bell = r.alarmSpans[0]!.from;
    const person = r.events.find((e) => e.kind === 'person')!;
    expect(person.at).toBeCloseTo(bell + 1800, 9);
    expect(sayPhrase(person.sentence, 'metric')).toBe('a person is there, and repairs: pump 1: main winding open');
    // Mended, it starts at once: the water stands above its float.
    const starts = r.events.filter((e) => e.at >= person.at && e.kind === 'pump');
    expect(starts[0]!.at - person.at).toBeLessThan(5);
    expect(r.alarms).toBe(1);
  });
  it('resets what has tripped and what has latched', () => {
    const { alarm, control } = sump;
    const stays: Station = { ...sump, control: { ...control, scheme: 'contactor' }, alarm: { ...alarm, latch: true } };
    const r = run(stays, {
      duration: 12 * 3600,
      responseTime: 1800,
      faults: [{ from: 600, to: null, id: 'M1-seized' }],
    });
    const person = r.events.find((e) => e.kind === 'person')!;
    expect(r.events.some((e) => e.at >= person.at && /^pump 1 starts/.test(sayPhrase(e.sentence, 'metric')))).toBe(
      true,
    );
    expect(r.alarmTime).toBeLessThan(4000);
  });
  it('does not come where no alarm rings', () => {
    const r = run(sump, {
      duration: 12 * 3600,
      responseTime: 600,
      faults: [
        { from: 0, to: null, id: 'alarm-stuck-down' },
        { from: 600, to: null, id: 'Q1-off' },
      ],
    });
    expect(r.events.some((e) => e.kind === 'person')).toBe(false);
    expect(r.overflowTime).toBeGreaterThan(0);
  });
});

describe('what if', () => {
  const day = scenario(sump, {
    duration: 6 * 3600,
    inflow: { kind: 'steps', rows: [{ time: 0, flow: 0.0004 }], repeatEvery: null },
  });
  const list = whatIf(sump, day, 0);
  const of = (id: string) => list.find((c) => c.id === id)!;
  it('ranks by time to harm; what hides comes after all that harms', () => {
    const harms = list.map((c) => c.harmAfter);
    const harmful = harms.filter((h) => h !== null);
    expect(harmful).toEqual([...harmful].sort((a, b) => a - b));
    expect(harms.slice(harmful.length)).toEqual(Array(harms.length - harmful.length).fill(null));
    expect(harmful.length).toBeGreaterThan(15);
  });
  it('a dead pump rings before it spills, and the time a person has is the room over the inflow', () => {
    const vessel = vesselOf(sump.vessel);
    const alarm = sensorTrips(sump).find((x) => x.sensor.role === 'alarm')!;
    const room = vessel.volume(sump.vessel.overflow) - vessel.volume(alarm.rise);
    for (const id of ['Q1-off', 'blocked', 'pump-stuck-down'])
      expect([id, of(id).harm, of(id).timeToAct]).toEqual([id, 'overflow', expect.closeTo(room / 0.0004, 3)]);
  });
  it('a stuck alarm float, a flat battery and a dead alarm supply hide', () => {
    for (const id of ['alarm-stuck-down', 'GB-flat'])
      expect(of(id)).toMatchObject({ hidden: true, alarmAfter: null, harmAfter: null });
    expect(of('pump-stuck-up')).toMatchObject({ harm: 'dry', hidden: false });
    expect(of('alarm-stuck-up')).toMatchObject({ alarmAfter: 0, harm: null, hidden: false });
  });
});

describe('faults in the order of the day', () => {
  const flow: Partial<Scenario> = { inflow: { kind: 'steps', rows: [{ time: 0, flow: 0.0004 }], repeatEvery: null } };
  it('a second fault shows what the first one hid: a stuck alarm float rings no one when the pump dies', () => {
    const alone = run(sump, { ...flow, duration: 6 * 3600, faults: [{ from: 0, to: null, id: 'alarm-stuck-down' }] });
    const both = run(sump, {
      ...flow,
      duration: 6 * 3600,
      faults: [
        { from: 0, to: null, id: 'alarm-stuck-down' },
        { from: 7200, to: null, id: 'M1-winding-open' },
      ],
    });
    expect([alone.alarms, alone.overflowTime]).toEqual([0, 0]);
    expect([both.alarms, both.overflowTime > 0, both.warningTime]).toEqual([0, true, null]);
  });
  it('two faults of one pump come and go each by itself', () => {
    const r = run(sump, {
      ...flow,
      duration: 8 * 3600,
      faults: [
        { from: 3600, to: 14400, id: 'M1-clogged' },
        { from: 7200, to: 10800, id: 'Q1-off' },
      ],
    });
    const pumps = r.events.filter((e) => e.kind === 'pump').map((e) => e.at);
    expect(pumps.filter((t) => t > 7200 && t < 10800)).toEqual([]);
    // Clogged still, it runs again the moment the circuit is on.
    expect(pumps.filter((t) => t >= 10800 && t < 14400)[0]).toBeCloseTo(10800, 0);
    expect(Math.abs(r.balance.residue)).toBeLessThan(1e-9);
  });
  it('every fault of every demo station keeps every drop, and ends', () => {
    for (const { station } of demoStations()) {
      const made = panelOf(station);
      if (!made.ok) throw new Error(station.identity.name);
      for (const f of faultsOf(station, made.panel)) {
        const r = run(station, {
          duration: 6 * 3600,
          faults: [{ from: 600, to: 12000, id: f.id }],
          responseTime: 5000,
        });
        expect([f.id, r.duration, Math.abs(r.balance.residue) < 1e-9]).toEqual([f.id, 6 * 3600, true]);
      }
    }
  });
  it('a dropped clip of the alarm float rings sooner, a worn pump runs longer, a joint off longer still', () => {
    const ran = (id: string) =>
      run(sump, { ...flow, duration: 86400, faults: [{ from: 0, to: null, id }] }).pumpingTime;
    const healthy = run(sump, { ...flow, duration: 86400 }).pumpingTime;
    expect(ran('M1-worn')).toBeGreaterThan(1.1 * healthy);
    expect(ran('joint-off')).toBeGreaterThan(ran('M1-worn'));
    const bell = (id: string) =>
      run(sump, {
        ...flow,
        duration: 86400,
        faults: [{ from: 0, to: null, id: 'Q1-off' }, ...(id ? [{ from: 0, to: null, id }] : [])],
      }).alarmSpans[0]!.from;
    expect(bell('alarm-slipped')).toBeLessThan(bell('') - 60);
  });
  it('a leg lost on three legs rings no alarm by itself where the control lives on another', () => {
    const r = run(demo('underpass-storm-sump.json'), {
      duration: 86400,
      faults: [{ from: 3600, to: null, id: 'W0-L3-lost' }],
    });
    expect(Math.max(...r.pumps.map((p) => p.runTime))).toBeLessThan(3600);
    expect(r.alarmSpans[0]!.from).toBeGreaterThan(3700);
    expect(r.warningTime).toBeGreaterThan(0);
  });
});
