import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { demoStations } from '../demo';
import { withDuty, withPumpCount, withRole } from '../editing';
import { USUAL_VALVE, wayOf } from '../duties';
import { kindOf, type Sensor, type SensorRole } from '../sensors';
import { checkStation, newStation, type Station } from '../station';
import { sayPhrase } from '../units';
import { callsOf, actingOf, sensorTrips } from './context';
import { cycleOf, worstCycle } from './cycle';
import {
  adviseSwing,
  differentialOf,
  doseFigures,
  judge,
  levelContext,
  lineOf,
  moves,
  sawtooth,
  systemCurves,
  timedDay,
} from './index';

type Change = (s: Station) => void;

/** A sensor of two exact trips, so that a level can be given by hand. */
const at = (role: SensorRole, fall: number, rise: number, contact: Sensor['contact'] = 'closes-on-rise'): Sensor => ({
  id: role,
  role,
  kind: 'rod',
  latch: 'snap',
  duty: 'control',
  contact,
  changeover: false,
  contactRating: 1,
  cordLength: 9,
  place: { from: 'axis', bearing: 0, offset: 0.3, facing: 0 },
  upperStop: rise,
  lowerStop: fall,
});

/** A box of 1 m² and 2 m with a pump of constant flow at any head: every figure of it can be worked by hand. */
function box(flow: number, change: Change = () => {}): Station {
  const s = newStation('a', 'b', 'metric-230');
  s.vessel = { ...s.vessel, shape: { kind: 'box', length: 1, width: 1, depth: 2 }, inletInvert: 1.8, overflow: 1.9 };
  s.pumps[0] = {
    ...s.pumps[0]!,
    curve: [
      { flow: 0, head: 200 },
      { flow: flow * 0.9999, head: 100 },
      { flow: flow * 1.0001, head: 0.01 },
    ],
  };
  s.discharge = {
    ...s.discharge,
    weepHole: null,
    checkValve: { pipeBefore: 0 },
    outlet: 2,
    segments: [{ ...s.discharge.segments[0]!, bore: 0.1 }],
  };
  s.sensors = [at('pump', 0.5, 1), at('alarm', 1.4, 1.5)];
  change(s);
  return s;
}
const two: Change = (s) => {
  s.pumps = [s.pumps[0]!, s.pumps[0]!];
  s.sensors = [at('stop', 0.5, 0.55), at('lead', 0.9, 1), at('lag', 1.1, 1.2), at('alarm', 1.4, 1.5)];
};
const ruleOf = (s: Station, id: string) => judge(s).rules.find((r) => r.id === id)!;
const ok = <T extends { ok: boolean }>(x: T) => {
  if (!x.ok) throw new Error(JSON.stringify(x));
  return x as Extract<T, { ok: true }>;
};

describe('calls and marks', () => {
  const calls = (s: Station) => callsOf(actingOf(sensorTrips(s), wayOf(s)), s);
  it('the four-float school calls the second pump by its own float, the three-float school by the alarm', () => {
    expect(calls(box(2e-3, two))).toEqual([1, 1.2]);
    const three = box(
      2e-3,
      (s) => (two(s), (s.sensors = s.sensors.filter((x) => x.role !== 'lag')), (s.control.floats = 'three')),
    );
    expect(calls(three)).toEqual([1, 1.5]);
    expect(calls({ ...three, control: { ...three.control, floats: 'four' } })).toEqual([1]);
  });
  it('stand from the floor up in the order of the duty', () => {
    expect(levelContext(box(2e-3, two)).marks.map((m) => m.name)).toEqual(['stop', 'lead', 'lag', 'alarm', 'overflow']);
    const fill = box(
      2e-3,
      (s) => (
        (s.duty = { kind: 'fill', from: { ...USUAL_VALVE, flow: 1e-3 }, drowned: false, runOn: 0, keep: 0.1 }),
        (s.sensors = [at('pump', 0.5, 1, 'opens-on-rise'), at('low', 0.2, 0.3), at('alarm', 1.4, 1.5)])
      ),
    );
    expect(levelContext(fill).marks.map((m) => [m.name, m.level])).toEqual([
      ['low', 0.2],
      ['lead', 0.5],
      ['stop', 1],
      ['alarm', 1.5],
      ['overflow', 1.9],
    ]);
  });
  it('floats with equal trips have no order: a must is broken, in words', () => {
    const equal = box(
      2e-3,
      (s) => (two(s), (s.sensors = s.sensors.map((x) => (x.role === 'lag' ? at('lag', 0.9, 1) : x)))),
    );
    const r = ruleOf(equal, 'order');
    expect(r.state).toBe('broken');
    expect(sayPhrase(r.why, 'metric')).toContain('the lag at 1000 mm over the start at 1000 mm');
  });
  it('an alarm that clears only below the stop, or a redundant off that lets go only above the start, is too near', () => {
    const late = box(2e-3, (s) => (s.sensors = [at('pump', 0.5, 1), at('alarm', 0.45, 1.5)]));
    expect(ruleOf(late, 'gap').state).toBe('broken');
    expect(sayPhrase(ruleOf(late, 'gap').why, 'metric')).toContain('alarm clearing over stop');
    const low = box(2e-3, (s) => (s.sensors = [at('pump', 0.5, 1), at('low', 0.3, 0.98)]));
    expect(sayPhrase(ruleOf(low, 'gap').why, 'metric')).toContain('start over redundant off letting go');
  });
});

describe('cycles of two pumps, by hand: 1 m², 2 L/s each', () => {
  const c = levelContext(box(2e-3, two));
  it('an inflow that one pump takes: as with one pump', () => {
    const cycle = ok(cycleOf(c, 1e-3));
    expect(cycle.pumps).toBe(1);
    expect(cycle.fill).toBeCloseTo(0.5 / 1e-3, 6);
    expect(cycle.run / (0.5 / 1e-3)).toBeCloseTo(1, 3);
  });
  it('an inflow that takes both: up to the lag with one losing ground, down to the stop with two', () => {
    const cycle = ok(cycleOf(c, 3e-3));
    expect(cycle.pumps).toBe(2);
    expect(cycle.fill).toBeCloseTo(0.5 / 3e-3, 6);
    expect(cycle.run / (0.2 / 1e-3 + 0.7 / 1e-3)).toBeCloseTo(1, 3);
  });
  it('an inflow beyond both holds them running', () =>
    expect(ok(cycleOf(c, 5e-3))).toMatchObject({ keepsUp: false, pumps: 2, startsPerHour: 0 }));
  it('agrees with stepping the water through time, second by second', () => {
    const s = newStation('a', 'b', 'metric-230');
    const d = levelContext({
      ...s,
      pumps: [s.pumps[0]!, s.pumps[0]!],
      sensors: [at('stop', 0.35, 0.4), at('lead', 0.55, 0.6), at('lag', 0.7, 0.75)],
      discharge: { ...s.discharge, checkValve: { pipeBefore: 0 } },
    });
    const inflow = 3.2e-3;
    const cycle = ok(cycleOf(d, inflow));
    expect(cycle.pumps).toBe(2);
    let [level, time, running] = [d.stop, 0, 0];
    const step = 0.02;
    do {
      if (running === 0 && level >= d.calls[0]!) running = 1;
      if (running === 1 && level >= d.calls[1]!) running = 2;
      const out = running === 0 ? 0 : d.hydraulics.flowAt(level, running)!;
      level += ((inflow - out) * step) / d.vessel.area(level);
      time += step;
    } while (level > d.stop);
    expect(cycle.cycle / time).toBeCloseTo(1, 2);
  });
  it('taking turns halves the starts of each; nothing starts more often than the worst', () => {
    const turns = levelContext(box(2e-3, (s) => (two(s), (s.control.alternates = true))));
    const [alone, shared] = [ok(worstCycle(c)), ok(worstCycle(turns))];
    expect(alone.startsPerHour / (3600 / ((4 * 0.5) / 2e-3))).toBeCloseTo(1, 2);
    expect(ok(cycleOf(turns, 1e-3)).startsPerHour).toBeCloseTo(ok(cycleOf(c, 1e-3)).startsPerHour / 2, 9);
    fc.assert(
      fc.property(fc.double({ min: 1e-4, max: 3.9e-3, noNaN: true }), (q) => {
        expect(ok(cycleOf(turns, q)).startsPerHour).toBeLessThanOrEqual(shared.startsPerHour * (1 + 1e-4));
      }),
      { numRuns: 60 },
    );
  });
  it('three pumps have a third regime', () => {
    const three = levelContext(
      box(
        2e-3,
        (s) => (
          (s.pumps = [s.pumps[0]!, s.pumps[0]!, s.pumps[0]!]),
          (s.sensors = [at('stop', 0.5, 0.55), at('lead', 0.9, 1), at('lag', 1.1, 1.2), at('lag2', 1.3, 1.4)])
        ),
      ),
    );
    const cycle = ok(cycleOf(three, 5e-3));
    expect(cycle.pumps).toBe(3);
    expect(cycle.run / (0.2 / 3e-3 + 0.2 / 1e-3 + 0.9 / 1e-3)).toBeCloseTo(1, 3);
  });
});

describe('a tooth of a duplex', () => {
  const s = newStation('a', 'b', 'metric-230');
  const c = levelContext({
    ...s,
    pumps: [s.pumps[0]!, s.pumps[0]!],
    sensors: [at('stop', 0.35, 0.4), at('lead', 0.55, 0.6), at('lag', 0.7, 0.75)],
  });
  it('keeps its water: what comes in is what is pumped, with one pump, then with two', () => {
    const inflow = 3.2e-3;
    const tooth = sawtooth(c, inflow);
    let pumped = 0;
    for (const [i, p] of tooth.entries()) {
      const before = tooth[i - 1];
      if (!before) continue;
      const dt = p.time - before.time;
      pumped += inflow * dt - (c.vessel.volume(p.level) - c.vessel.volume(before.level));
    }
    const cycle = ok(cycleOf(c, inflow));
    // What drained back at the stop is pumped once more.
    expect(pumped / (inflow * cycle.cycle + c.hydraulics.drainback(2, c.stop).volume)).toBeCloseTo(1, 6);
    expect(tooth.at(-1)!.time).toBeCloseTo(cycle.cycle, 4);
    expect(Math.max(...tooth.map((p) => p.level))).toBeCloseTo(0.75, 9);
  });
  it('goes the other way in a tank that is filled', () => {
    const fill = levelContext(
      box(
        2e-3,
        (x) => (
          (x.duty = { kind: 'fill', from: { ...USUAL_VALVE, flow: 1e-3 }, drowned: false, runOn: 0, keep: 0.1 }),
          (x.sensors = [at('pump', 0.5, 1, 'opens-on-rise')])
        ),
      ),
    );
    const tooth = sawtooth(fill, 4e-4);
    expect([tooth[0]!.level, Math.min(...tooth.map((p) => p.level)), tooth.at(-1)!.level]).toEqual(
      [1, 0.5, 1].map((x) => expect.closeTo(x, 9)),
    );
    expect(tooth.at(-1)!.time).toBeCloseTo(0.5 / 4e-4 + 0.5 / 6e-4, 6);
  });
});

describe('the tape list of every kind', () => {
  it('has what is set, what it needs of cord and of water, by hand', () => {
    const { tape } = judge(
      box(2e-3, (s) => ((s.settings.hoseFlow = 1e-3), (s.settings.cordSlack = 0.3), (s.cordRun = 2))),
    );
    const [pump] = tape;
    expect(pump).toMatchObject({
      rimDown: 1,
      floorUp: 1,
      tether: null,
      lowerStopRimDown: 1.5,
      bearing: null,
      water: 1,
      byHose: 1000,
      cord: 1 + 2 + 0.3,
      cordHas: 9,
    });
    expect(pump!.settings.map((x) => [x.label, x.rimDown])).toEqual([
      ['upper stop', 1],
      ['lower stop', 1.5],
    ]);
  });
  it('for every demo station: rim down and floor up make the depth, and each length is its own', () => {
    for (const { station } of demoStations()) {
      const { tape, context } = judge(station);
      for (const row of tape) {
        expect(row.rimDown + row.floorUp).toBeCloseTo(context.vessel.depth, 9);
        for (const m of row.settings) expect(m.rimDown === null).toBe(m.of === 'length');
        expect(row.cord).toBeGreaterThan(station.cordRun);
      }
    }
  });
});

describe('rules of each duty, by hand', () => {
  const filling = (change: Change = () => {}): Station =>
    box(2e-3, (s) => {
      s.duty = { kind: 'fill', from: { ...USUAL_VALVE, flow: 1e-3 }, drowned: false, runOn: 30, keep: 0.4 };
      s.sensors = [at('pump', 0.5, 1.8, 'opens-on-rise'), at('alarm', 1.8, 1.85)];
      s.vessel.overflow = 1.9;
      change(s);
    });
  it('fill: what still runs in fits under the overflow, what must stay stored stays', () => {
    const r = ruleOf(filling(), 'fill');
    expect([r.needs!.value, r.has!.value]).toEqual([0.4, 0.5]);
    const spills = ruleOf(
      filling((s) => (s.sensors[0] = at('pump', 0.5, 1.88, 'opens-on-rise'))),
      'fill',
    );
    expect(spills).toMatchObject({
      state: 'broken',
      needs: { value: expect.closeTo(0.03, 9) },
      has: { value: expect.closeTo(0.02, 9) },
    });
    expect(
      ruleOf(
        filling((s) => (s.sensors[0] = at('pump', 0.39, 1.8, 'opens-on-rise'))),
        'fill',
      ).state,
    ).toBe('broken');
  });
  it('fill: cycles by the draw, reserves against a valve stuck open, asks no motor', () => {
    const s = filling();
    const cycle = ok(cycleOf(levelContext(s), 5e-4));
    expect(cycle.fill).toBeCloseTo(1.3 / 5e-4, 6);
    expect(cycle.run).toBeCloseTo(1.3 / 5e-4, 6);
    expect(ruleOf(s, 'reserve').has!.value).toBeCloseTo(0.05 / 1e-3, 9);
    // What stands over the rules, and on papers, is that too: the draw does not fill it.
    expect(judge(s).reserve).toMatchObject({ volume: expect.closeTo(0.05, 9), design: expect.closeTo(50, 9) });
    expect(['starts', 'run', 'submergence', 'drainback'].map((id) => ruleOf(s, id).state)).toEqual(
      Array(4).fill('not-applicable'),
    );
    expect(ruleOf(s, 'keep-up').has!.value).toBe(1e-3);
  });
  it('transfer: never dry, never for a mouthful; a redundant off over the volute', () => {
    const pond = (change: Change = () => {}) =>
      box(2e-3, (s) => ((s.duty = { kind: 'transfer', usefulRun: 0.4 }), change(s)));
    expect(ruleOf(pond(), 'dry-run')).toMatchObject({
      state: 'holds',
      needs: { value: 0.4 },
      has: { value: expect.closeTo(0.5, 9) },
    });
    expect(
      ruleOf(
        pond((s) => (s.duty = { kind: 'transfer', usefulRun: 0.6 })),
        'dry-run',
      ).state,
    ).toBe('broken');
    expect(
      ruleOf(
        pond((s) => (s.sensors = [at('pump', 0.29, 1)])),
        'dry-run',
      ).state,
    ).toBe('broken');
    expect(
      ruleOf(
        pond((s) => s.sensors.push(at('low', 0.1, 0.2))),
        'dry-run',
      ).state,
    ).toBe('broken');
    expect(ruleOf(pond(), 'submergence').state).toBe('not-applicable');
    expect(ruleOf(pond(), 'keep-up').state).toBe('not-applicable');
  });
  it('condensate: room for what is still shed, lift within the maker’s share, a bore that does not clog', () => {
    const list = [{ name: 'coil', rate: 1e-6, after: 0.05, over: null }];
    const reservoir = (change: Change = () => {}) =>
      box(
        1e-4,
        (s) => (
          (s.duty = { kind: 'condensate' }),
          (s.inflow.source = { kind: 'appliances', list }),
          (s.sensors = [at('pump', 0.5, 1), at('cutoff', 1.7, 1.8)]),
          (s.interlocks = [{ kind: 'cutoff', name: 'coil', acts: 'low-voltage', volts: 24, amps: 0.4, warns: false }]),
          change(s)
        ),
      );
    expect(ruleOf(reservoir(), 'lift')).toMatchObject({ state: 'holds', needs: { value: 0.9 } });
    expect(ruleOf(reservoir(), 'cut-off').state).toBe('holds');
    const late = ruleOf(
      reservoir((s) => (s.sensors[1] = at('cutoff', 1.8, 1.86))),
      'cut-off',
    );
    expect(late).toMatchObject({ state: 'broken', needs: { value: 0.05 }, has: { value: expect.closeTo(0.04, 9) } });
    const high = ruleOf(
      reservoir((s) => ((s.discharge.outlet = 190), (s.pumps[0]!.headShare = 0.9))),
      'lift',
    );
    // What is absent, bridged or landed otherwise never holds.
    const cut = (change: Change) => ruleOf(reservoir(change), 'cut-off').state;
    expect([
      cut((s) => s.sensors.pop()),
      cut((s) => (s.interlocks = [])),
      cut((s) => (s.landings = { cores: [], links: [{ a: 'X4:1', b: 'X4:2', fitted: true }] })),
      cut((s) => (s.landings = { cores: [{ core: 'W-cutoff/red', to: null }], links: [] })),
      cut((s) => (s.landings = { cores: [{ core: 'W-pump/white', to: 'X6:1' }], links: [] })),
      cut((s) => {
        s.sensors[1]!.id = 'high-water';
        s.landings = { cores: [{ core: 'W-high-water/red', to: null }], links: [] };
      }),
      cut((s) => (s.landings = { cores: [{ core: 'W-pump/white', to: null }], links: [] })),
    ]).toEqual(['broken', 'broken', 'unknown', 'unknown', 'unknown', 'unknown', 'holds']);
    expect(high).toMatchObject({ state: 'broken', has: { format: 'share', value: expect.closeTo(189.5 / 200, 9) } });
    expect(
      ruleOf(
        reservoir((s) => (s.discharge.segments[0]!.bore = 0.005)),
        'tube-bore',
      ).state,
    ).toBe('broken');
    expect(ruleOf(reservoir(), 'run').state).toBe('not-applicable');
  });
  const bed = (change: Change = () => {}): Station =>
    box(2e-3, (s) => {
      s.duty = {
        kind: 'dose',
        mode: 'timed',
        dosesPerDay: 4,
        on: 100,
        off: 3500,
        peakOff: 1700,
        minimumRest: 1200,
        peakDay: 1.5,
        surge: 3600,
      };
      s.inflow.source = { kind: 'steady', low: 2e-5, design: 5e-5, peak: 1e-4 };
      s.sensors = [at('pump', 0.5, 0.6), at('peak', 0.8, 0.9), at('alarm', 1.4, 1.5)];
      change(s);
    });
  it('timed dose: 24 doses of 200 L a day against 4.32 m³, the peak day with the shorter rest', () => {
    const figures = ok(doseFigures(levelContext(bed())));
    expect(figures.volume).toBeCloseTo(0.2, 4);
    expect(figures.perDay).toBeCloseTo(4.32, 9);
    expect(timedDay(100, 3500, 0.2)).toMatchObject({
      dosesPerDay: 24,
      startsPerHour: 1,
      takesPerDay: expect.closeTo(4.8, 9),
    });
    expect(ruleOf(bed(), 'dose').state).not.toBe('broken');
    expect(
      ruleOf(
        bed((s) => s.duty.kind === 'dose' && (s.duty.off = 4500)),
        'dose',
      ),
    ).toMatchObject({ state: 'broken', needs: { value: expect.closeTo(4.32, 9) } });
    const peak = ruleOf(
      bed((s) => s.duty.kind === 'dose' && (s.duty.peakDay = 2.5)),
      'dose',
    );
    expect(peak).toMatchObject({ state: 'broken', needs: { value: expect.closeTo(10.8, 9) } });
    expect(sayPhrase(peak.why, 'metric')).toContain('the peak float shortens the rest');
  });
  it('timed dose: rest for the bed, room for the surge, starts by the timer', () => {
    expect(
      ruleOf(
        bed((s) => s.duty.kind === 'dose' && (s.duty.minimumRest = 1800)),
        'dose',
      ),
    ).toMatchObject({ state: 'broken', needs: { format: 'time', value: 1800 }, has: { value: 1700 } });
    // Peak 0.1 L/s comes, 4.8 m³ a day is taken: 0.0444 L/s gathers for an hour.
    const surge = ok(doseFigures(levelContext(bed()))).surge;
    expect(surge).toBeCloseTo((1e-4 - 4.8 / 86400) * 3600, 4);
    expect(
      ruleOf(
        bed((s) => (s.sensors[2] = at('alarm', 0.65, 0.75))),
        'dose',
      ),
    ).toMatchObject({ state: 'broken', needs: { value: expect.closeTo(surge, 6) } });
    expect(ruleOf(bed(), 'starts').has!.value).toBeCloseTo(3600 / 1800, 9);
  });
  it('dose on demand: small enough for so many a day, and more than the laterals it fills', () => {
    const demand = (change: Change = () => {}) =>
      bed(
        (s) => (
          s.duty.kind === 'dose' && (s.duty.mode = 'demand'),
          (s.sensors = [at('pump', 0.5, 1), at('alarm', 1.4, 1.5)]),
          change(s)
        ),
      );
    expect(ruleOf(demand(), 'dose')).toMatchObject({
      state: 'holds',
      needs: { value: expect.closeTo(4.32 / 4, 9) },
      has: { value: expect.closeTo(0.5, 9) },
    });
    expect(
      ruleOf(
        demand((s) => s.duty.kind === 'dose' && (s.duty.dosesPerDay = 10)),
        'dose',
      ).state,
    ).toBe('broken');
    const laterals = {
      count: 4,
      length: 10,
      bore: 0.1,
      roughness: 1.5e-6,
      hazenWilliams: 150,
      orifices: 10,
      orifice: 0.004,
      coefficient: 0.6,
      squirt: 0.5,
    };
    expect(
      ruleOf(
        demand((s) => (s.discharge.laterals = laterals)),
        'dose',
      ),
    ).toMatchObject({ state: 'broken', needs: { value: expect.closeTo(5 * 40 * (Math.PI / 4) * 0.01, 9) } });
  });
  it('jets: high enough at the last orifice, and even', () => {
    const { station } = demoStations().find((d) => d.file === 'sand-bed-dosing-tank.json')!;
    expect(ruleOf(station, 'squirt').state).not.toBe('broken');
    const wide = structuredClone(station);
    wide.discharge.laterals!.orifice = 0.012;
    expect(ruleOf(wide, 'squirt').state).toBe('broken');
  });
});

describe('the demo stations', () => {
  it.each(demoStations().map((d) => [d.file, d.station] as const))(
    '%s is sound, judged whole, and its rules are unknown nowhere',
    (_, station) => {
      expect(checkStation(station)).toMatchObject({ ok: true });
      const { rules } = judge(station);
      expect(rules.filter((r) => r.state === 'unknown')).toEqual([]);
      for (const r of rules) expect(sayPhrase(r.why, 'metric').length).toBeGreaterThan(20);
    },
  );
  it('between them they hold every duty, inflow and kind of sensor; one is sick, most are healthy', () => {
    const all = demoStations().map((d) => d.station);
    expect(new Set(all.map((s) => s.duty.kind)).size).toBe(5);
    expect(new Set(all.map((s) => s.inflow.source.kind)).size).toBe(5);
    expect(new Set(all.flatMap((s) => s.sensors.map((x) => x.kind))).size).toBe(5);
    const broken = all
      .filter((s) => judge(s).rules.some((r) => r.state === 'broken' && r.severity === 'must'))
      .map((s) => s.identity.name);
    expect(broken).toEqual(['Ticket office cellar', 'Battery room sump']);
  });
});

describe('the line and its curves', () => {
  const underpass = demoStations().find((d) => d.file === 'underpass-storm-sump.json')!.station;
  it('adds up: lengths, volumes and losses of each part are those of the whole', () => {
    const { rows, total } = lineOf(levelContext(underpass));
    expect(rows.map((r) => r.name)).toEqual(['riser', 'force main to the outfall']);
    expect(total.length).toBe(44);
    expect(total.volume).toBeCloseTo((Math.PI / 4) * (4 * 0.1016 ** 2 + 40 * 0.1524 ** 2), 9);
    expect(total.loss).toBeCloseTo(rows[0]!.loss + rows[1]!.loss, 12);
  });
  it('where a curve and the pipe cross is where the pumps run', () => {
    const c = levelContext(underpass);
    const { duties, pumps } = systemCurves(c);
    expect(duties.map((d) => [d.at, d.running])).toEqual([
      ['stop', 1],
      ['lead', 1],
      ['lag', 2],
    ]);
    // A pump alone begins at its shut-off head, with no flow.
    const shutOff = underpass.pumps[0]!.curve[0]!.head;
    expect(pumps[0]!.points[0]).toEqual({ head: expect.closeTo(shutOff, 6), flow: 0 });
    for (const d of duties) {
      const { points } = pumps.find((p) => p.running === d.running)!;
      const i = points.findIndex((p) => p.head <= d.head);
      const [a, b] = [points[i - 1]!, points[i]!];
      const given = a.flow + ((b.flow - a.flow) * (a.head - d.head)) / (a.head - b.head);
      expect(d.flow / given).toBeCloseTo(1, 1);
    }
  });
  it('warns of frost, of a siphon that tears or runs on, of speed both ways', () => {
    const says = (change: Change) => {
      const s = structuredClone(underpass);
      change(s);
      return lineOf(levelContext(s))
        .warnings.map((w) => sayPhrase(w, 'metric'))
        .join(' ');
    };
    const dry: Change = (s) => ((s.discharge.exposed = 5), Object.assign(s.inflow.source, { base: 1e-5 }));
    expect(says(dry)).toContain('freezes through');
    expect(says((s) => (dry(s), (s.settings.frostAir = 3)))).not.toContain('freezes');
    expect(says((s) => (s.discharge.highPoint = { height: 12.5, along: 10, vented: false }))).toContain(
      'the column tears',
    );
    expect(
      says((s) => ((s.discharge.outlet = 0.2), (s.discharge.highPoint = { height: 4.4, along: 10, vented: false }))),
    ).toContain('siphons on after the stop');
    expect(says((s) => (s.settings.velocityMax = 1))).toContain('faster than');
    expect(says((s) => (s.settings.velocityMin = 2.1))).toContain('solids settle');
    expect(says((s) => (s.pumps[0]!.headShare = 0.1))).toContain('its maker allows 10%');
  });
});

describe('what a differential costs', () => {
  it('by hand: half a metre of 1 m² is 500 L, at the design inflow so many seconds; next to nothing for a switch', () => {
    const c = levelContext(box(2e-3));
    expect(differentialOf(c, c.sensors[0]!)).toEqual({
      height: expect.closeTo(0.5, 12),
      volume: expect.closeTo(0.5, 12),
      time: expect.closeTo(0.5 / 0.5e-3, 6),
    });
    const { role, id, duty, contact, changeover, contactRating, cordLength, place } = c.sensors[0]!.sensor;
    const s = box(2e-3, (x) =>
      x.sensors.push({
        id: 'low',
        role: 'low',
        kind: 'side',
        height: 0.3,
        differential: 0.01,
        duty,
        contact,
        changeover,
        contactRating,
        cordLength,
        place,
      }),
    );
    expect([id, role]).toEqual(['pump', 'pump']);
    expect(
      differentialOf(
        levelContext(s),
        levelContext(s).sensors.find((t) => t.sensor.role === 'low')!,
      ).volume,
    ).toBeCloseTo(0.01, 12);
  });
});

describe('moves from what was found', () => {
  const s = newStation('a', 'b', 'metric-230');
  const words = (to: readonly Sensor[]) => moves(s.sensors, to).map((m) => sayPhrase(m.sentence, 'metric'));
  it('name the float, which way and how far', () => {
    const [pump, alarm] = s.sensors as [Extract<Sensor, { kind: 'tilt' }>, Extract<Sensor, { kind: 'tilt' }>];
    expect(words([{ ...pump, clip: pump.clip + 0.065, tether: pump.tether - 0.02 }, alarm])).toEqual([
      'Raise the clip of the pump float 65 mm.',
      'Shorten the tether of the pump float by 20 mm.',
    ]);
    expect(words([pump, { ...alarm, place: { from: 'axis', bearing: 180, offset: 0.2, facing: 270 } }])).toEqual([
      'Turn the alarm float from 300° to 270°.',
    ]);
    expect(words([pump])).toEqual(['Take out the alarm float.']);
    expect(words([...s.sensors, at('low', 0.1, 0.2)])).toEqual(['Hang a low float at 200 mm above the floor.']);
    expect(words([at('pump', 0.3, 0.6), alarm])).toEqual([
      'Exchange the pump float for a rod float, at 600 mm above the floor.',
    ]);
    expect(words(s.sensors)).toEqual([]);
  });
});

describe('advice on the swing', () => {
  it('turns a float that touches to where it is clear, and it is then clear', () => {
    const s = newStation('a', 'b', 'metric-230');
    s.sensors = s.sensors.map((x) =>
      x.role === 'alarm'
        ? { ...x, place: { from: 'pole', bearing: 0, offset: 0.08 } }
        : { ...x, place: { from: 'pole', bearing: 0, offset: 0.08 } },
    );
    const advice = adviseSwing(levelContext(s))!;
    expect(advice.turn).not.toBeNull();
    const turned = {
      ...s,
      sensors: s.sensors.map((x) =>
        x.id === advice.sensor && x.place.from === 'pole'
          ? { ...x, place: { ...x.place, bearing: advice.turn!.to } }
          : x,
      ),
    };
    expect(ruleOf(s, 'swing').state).toBe('broken');
    expect(ruleOf(turned, 'swing').state).not.toBe('broken');
  });
  it('says nothing where all is clear', () =>
    expect(adviseSwing(levelContext(newStation('a', 'b', 'metric-230')))).toBeNull());
});

describe('more water never helps', () => {
  it('more inflow gives no more reserve and no more slack to keep up, with one pump or two', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1e-4, max: 2e-3, noNaN: true }),
        fc.double({ min: 1.01, max: 3, noNaN: true }),
        fc.boolean(),
        (q, more, duplex) => {
          const make = (flow: number) =>
            box(
              2e-3,
              (s) => (duplex && two(s), (s.inflow.source = { kind: 'steady', low: flow, design: flow, peak: flow })),
            );
          for (const id of ['reserve', 'keep-up'])
            expect(ruleOf(make(q * more), id).share!).toBeLessThan(ruleOf(make(q), id).share!);
        },
      ),
      { numRuns: 25 },
    );
  });
  it('a second pump never makes a station keep up less', () => {
    const one = newStation('a', 'b', 'metric-230');
    const both = withRole(withPumpCount(one, 2), 'lag', true, 'metric');
    expect(ruleOf(both, 'keep-up').has!.value).toBeGreaterThan(ruleOf(one, 'keep-up').has!.value);
  });
  it('each duty can be chosen for a station and is judged', () => {
    for (const kind of ['empty', 'dose', 'fill', 'transfer', 'condensate'] as const) {
      const s = withDuty(newStation('a', 'b', 'metric-230'), kind);
      expect(checkStation(s)).toMatchObject({ ok: true });
      expect(judge(s).rules.length).toBe(23);
      expect(s.sensors.every((x) => kindOf(x).noun === 'float')).toBe(true);
    }
  });
});
