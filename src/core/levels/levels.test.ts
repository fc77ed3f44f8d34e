import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type SensorOf } from '../sensors';
import { newStation, type Station } from '../station';
import { judge, sawtooth, drawTime } from './index';
import { cycleOf, worstCycle } from './cycle';
import { levelContext } from './context';

type Change = (s: Station) => void;

function station(change: Change = () => {}): Station {
  const s = newStation('test', 'test', 'metric-230');
  change(s);
  return s;
}

/** A pump that gives 2 L/s whatever the head: the constants of the classical formula. */
const constantFlow: Change = (s) => {
  s.pumps[0]!.curve = [
    { flow: 0, head: 200 },
    { flow: 0.001999, head: 100 },
    { flow: 0.002001, head: 0.1 },
  ];
  s.discharge.weepHole = null;
  s.discharge.checkValve = { pipeBefore: 0 };
};

const rule = (s: Station, id: string) => judge(s).rules.find((r) => r.id === id)!;
const setAlarm = (s: Station, clip: number) => {
  const alarm = s.sensors.find((x) => x.role === 'alarm')!;
  if (alarm.kind === 'tilt') alarm.clip = clip;
};
const peak = (s: Station, flow: number) => Object.assign(s.inflow.source, { peak: flow });
const setPump = (s: Station, clip: number, tether = 0.15) =>
  Object.assign(
    s.sensors.find((x) => x.role === 'pump')!,
    { clip, tether },
  );

describe('cycle', () => {
  it('fill and run by hand: 0.5 m² · differential against 0.5 L/s in and 2 L/s out', () => {
    const c = levelContext(station(constantFlow));
    const area = (Math.PI / 4) * 0.64;
    const volume = area * 0.2 * Math.SQRT2;
    const cycle = cycleOf(c, 0.0005);
    expect(cycle.ok && cycle.fill).toBeCloseTo(volume / 0.0005, 6);
    expect(cycle.ok && cycle.run).toBeCloseTo(volume / 0.0015, 0);
  });

  it('at constant pump flow the worst cycle is T = 4·V/Q, at half the flow', () => {
    const c = levelContext(station(constantFlow));
    const worst = worstCycle(c);
    if (!worst.ok) throw new Error(worst.reason);
    expect(worst.cycle / ((4 * c.drawdown) / 0.002)).toBeCloseTo(1, 3);
    expect(worst.inflow / 0.001).toBeCloseTo(1, 2);
  });

  it('no inflow starts the pump more often than the worst one', () => {
    const c = levelContext(station());
    const worst = worstCycle(c);
    if (!worst.ok) throw new Error(worst.reason);
    fc.assert(
      fc.property(fc.double({ min: 1e-5, max: 2.7e-3, noNaN: true }), (q) => {
        const cycle = cycleOf(c, q);
        expect(cycle.ok && cycle.startsPerHour).toBeLessThanOrEqual(worst.startsPerHour * (1 + 1e-6));
      }),
    );
  });

  it('run time agrees with stepping the level down in small steps of time', () => {
    const c = levelContext(station());
    const inflow = 0.0005;
    let [level, time] = [c.lead, 0];
    const step = 0.01;
    for (; level > c.stop; time += step) {
      const half = c.hydraulics.at(level);
      if (!half.ok) throw new Error(half.reason);
      const middle = c.hydraulics.at(level - ((half.flow - inflow) * step) / 2 / c.vessel.area(level));
      if (!middle.ok) throw new Error(middle.reason);
      level -= ((middle.flow - inflow) * step) / c.vessel.area(level);
    }
    expect(drawTime(c, c.lead, c.stop, inflow)).toBeCloseTo(time, 1);
  });

  it('keeps its water: what came in through a cycle is what the pump took out of the drawdown and the inflow', () => {
    const c = levelContext(station());
    const cycle = cycleOf(c, 0.0008);
    if (!cycle.ok) throw new Error(cycle.reason);
    expect(cycle.fill * 0.0008 + c.hydraulics.drainback(1, c.stop).volume).toBeCloseTo(c.drawdown, 10);
    const slices = Array.from({ length: 20 }, (_, i) =>
      drawTime(c, c.lead - ((c.lead - c.stop) * i) / 20, c.lead - ((c.lead - c.stop) * (i + 1)) / 20, 0.0008),
    );
    expect(slices.reduce((a, b) => a + b, 0)).toBeCloseTo(cycle.run, 6);
  });

  it('counts water and time through a step in the vessel and past equipment: the pieces add up', () => {
    const s = station((x) => {
      constantFlow(x);
      x.vessel.shape = {
        kind: 'stacked',
        sections: [
          { kind: 'box', length: 1, width: 0.5, depth: 0.45 },
          { kind: 'box', length: 1, width: 1, depth: 0.75 },
        ],
      };
      x.vessel.displacement = [{ name: 'pump', volume: 0.02, from: 0.4, to: 0.5 }];
    });
    const c = levelContext(s);
    const volume = 0.5 * (0.45 - c.stop) + (c.lead - 0.45) - 0.02;
    expect(c.drawdown).toBeCloseTo(volume, 10);
    expect(drawTime(c, c.lead, c.stop, 0.0005) / (volume / 0.0015)).toBeCloseTo(1, 2);
  });

  it('says that the pump never stops at an inflow it does not draw down', () => {
    const cycle = cycleOf(levelContext(station()), 0.005);
    expect(cycle).toMatchObject({ ok: true, keepsUp: false, run: Infinity, startsPerHour: 0 });
  });

  it('gives the reason where there is no operating point', () => {
    const c = levelContext(station((s) => (s.discharge.outlet = 50)));
    expect(worstCycle(c)).toMatchObject({ ok: false, reason: 'below-static-head' });
    expect(cycleOf(c, 1e-4)).toMatchObject({ ok: false });
    expect(sawtooth(c, 1e-4)).toEqual([]);
  });

  it('draws a tooth that begins at the stop (and what drained back), peaks at the lead and ends at the stop', () => {
    const c = levelContext(station());
    const tooth = sawtooth(c, 0.0005);
    expect(tooth[0]!.level).toBeCloseTo(
      c.vessel.height(c.vessel.volume(c.stop) + c.hydraulics.drainback(1, c.stop).volume),
      9,
    );
    expect(Math.max(...tooth.map((p) => p.level))).toBeCloseTo(c.lead, 9);
    expect(tooth.at(-1)!.level).toBeCloseTo(c.stop, 9);
    expect(tooth.map((p) => p.time)).toEqual(tooth.map((p) => p.time).sort((a, b) => a - b));
  });
});

describe('rules', () => {
  it('judges the station to begin from: all that there are, none broken', () => {
    const { rules } = judge(station());
    expect(rules.map((r) => r.id).sort()).toEqual([
      'cut-off',
      'dose',
      'drainback',
      'dry-run',
      'fill',
      'firm',
      'gap',
      'inlet',
      'keep-up',
      'lift',
      'minimum-flow',
      'order',
      'reach',
      'reserve',
      'run',
      'squirt',
      'starts',
      'still',
      'submergence',
      'surge',
      'swing',
      'tube-bore',
      'way-back',
    ]);
    expect(rules.filter((r) => r.state === 'broken')).toEqual([]);
  });

  it.each<[string, string, Change, Change]>([
    [
      'submergence',
      'motor bare at the stop, covered once the clip is up',
      (s) => setPump(s, 0.4),
      (s) => setPump(s, 0.5),
    ],
    [
      'submergence',
      'the other school asks only for the volute',
      (s) => setPump(s, 0.28),
      (s) => (setPump(s, 0.28), (s.pumps[0]!.volute = 0.13), (s.settings.submergence = 'volute')),
    ],
    ['order', 'alarm under the start', (s) => setAlarm(s, 0.5), (s) => setAlarm(s, 0.7)],
    ['gap', 'alarm 50 mm over the start', (s) => setAlarm(s, 0.615), (s) => setAlarm(s, 0.7)],
    ['starts', 'half the drawdown', (s) => setPump(s, 0.45, 0.08), (s) => setPump(s, 0.45, 0.2)],
    [
      'run',
      'a minute of run asked of a short one',
      (s) => (s.pumps[0]!.minimumRun = 90),
      (s) => (s.pumps[0]!.minimumRun = 45),
    ],
    [
      'drainback',
      'a long line without a check valve',
      (s) => ((s.discharge.checkValve = null), (s.discharge.segments[0]!.length = 90)),
      (s) => (s.discharge.segments[0]!.length = 90),
    ],
    ['keep-up', 'a peak beyond the pump', (s) => peak(s, 2.7e-3), (s) => peak(s, 2.5e-3)],
    [
      'inlet',
      'alarm over the inlet',
      (s) => (s.vessel.inletInvert = 0.7),
      (s) => ((s.vessel.inletInvert = 0.7), (s.settings.inlet = 'storage')),
    ],
    ['reserve', 'an hour promised', (s) => (s.settings.reserveTime = 3600), (s) => (s.settings.reserveTime = 240)],
    ['reach', 'a tether too short to tilt', (s) => setPump(s, 0.45, 0.06), (s) => setPump(s, 0.45, 0.09)],
    [
      'reach',
      'a cord that ends in the pit',
      (s) => (s.sensors[0]!.cordLength = 2),
      (s) => (s.sensors[0]!.cordLength = 3.5),
    ],
    [
      'submergence',
      'a range measured wider than its angles say',
      (s) => Object.assign(s.sensors[0]!, { measured: { above: 0.15, below: 0.16 } }),
      (s) => Object.assign(s.sensors[0]!, { measured: { above: 0.15, below: 0.14 } }),
    ],
    ['reach', 'a float that hits the floor before it acts', (s) => setPump(s, 0.15), (s) => setPump(s, 0.2)],
  ])('%s: %s', (id, _, breaks, holds) => {
    expect(rule(station(breaks), id).state).toBe('broken');
    expect(rule(station(holds), id).state).not.toBe('broken');
  });

  it('gives needs, has and slack that agree', () => {
    for (const r of judge(station()).rules) {
      if (!r.needs || !r.has || !r.slack) continue;
      expect(r.slack.value).toBeCloseTo(
        r.sense === 'at-least' ? r.has.value - r.needs.value : r.needs.value - r.has.value,
        12,
      );
      expect(r.why.length).toBeGreaterThan(0);
    }
  });

  it('puts broken before tight before held, and musts before shoulds', () => {
    const { rules } = judge(station((s) => ((s.settings.reserveTime = 86400), setPump(s, 0.4))));
    expect(rules.slice(0, 2).map((r) => r.id)).toEqual(['submergence', 'reserve']);
    const held = rules.filter((r) => r.state === 'holds' || r.state === 'tight').map((r) => r.share!);
    expect(held).toEqual([...held].sort((a, b) => a - b));
  });

  it('calls a rule tight by its slack against the need', () => {
    expect(
      rule(
        station((s) => (s.settings.tightShare = 0)),
        'submergence',
      ).state,
    ).toBe('holds');
    expect(
      rule(
        station((s) => (s.settings.tightShare = 0.5)),
        'submergence',
      ).state,
    ).toBe('tight');
  });

  it('says not known where the pump has no operating point, and not asked where nothing is fitted', () => {
    const dead = station((s) => (s.discharge.outlet = 50));
    expect([rule(dead, 'starts').state, rule(dead, 'run').state, rule(dead, 'keep-up').state]).toEqual([
      'unknown',
      'unknown',
      'unknown',
    ]);
    const bare = station(
      (s) => ((s.sensors = s.sensors.filter((x) => x.role === 'pump')), (s.discharge.checkValve = { pipeBefore: 0 })),
    );
    expect([rule(bare, 'reserve').state, rule(bare, 'inlet').state, rule(bare, 'drainback').state]).toEqual([
      'not-applicable',
      'not-applicable',
      'not-applicable',
    ]);
  });

  it('more inflow never gives more reserve, a higher start never more starts', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1e-5, max: 1e-3, noNaN: true }),
        fc.double({ min: 1.01, max: 3, noNaN: true }),
        (q, more) => {
          const at = (design: number) =>
            judge(station((s) => (s.inflow.source = { kind: 'steady', low: 1e-6, design, peak: 1 }))).reserve!.design;
          expect(at(q * more)).toBeLessThan(at(q));
        },
      ),
      { numRuns: 20 },
    );
    const rod = (upperStop: number) =>
      station((s) => {
        const {
          riseDeg: _r,
          fallDeg: _f,
          clip: _c,
          tether: _t,
          body: _b,
          measured: _m,
          weight: _w,
          thickness: _k,
          ...rest
        } = s.sensors[0]! as Extract<Station['sensors'][number], { kind: 'tilt' }>;
        s.sensors[0] = { ...rest, kind: 'rod', latch: 'magnet', upperStop, lowerStop: 0.31 } satisfies SensorOf<'rod'>;
      });
    const starts = [0.4, 0.5, 0.6, 0.7].map((u) => judge(rod(u)).rules.find((r) => r.id === 'starts')!.has!.value);
    expect(starts).toEqual([...starts].sort((a, b) => b - a));
  });
});

describe('water and tape', () => {
  it('counts water from the floor and from the mark below, by hand for a box', () => {
    const s = station(
      (x) => ((x.vessel.shape = { kind: 'box', length: 1, width: 0.5, depth: 1.2 }), (x.settings.hoseFlow = 1e-3)),
    );
    const { raise, context } = judge(s);
    expect(raise.map((r) => r.to)).toEqual(['stop', 'lead', 'alarm', 'overflow']);
    expect(raise[1]!.fromFloor).toBeCloseTo(0.5 * context.lead, 12);
    expect(raise[1]!.fromBelow).toBeCloseTo(0.5 * (context.lead - context.stop), 12);
    expect(raise[1]!.byHose).toBeCloseTo(500 * (context.lead - context.stop), 8);
    expect(raise.reduce((sum, r) => sum + r.fromBelow, 0)).toBeCloseTo(0.5 * 1.15, 12);
  });
  it('marks in the list a range that was measured', () => {
    const { tape } = judge(station((s) => Object.assign(s.sensors[1]!, { measured: { above: 0.03, below: 0.03 } })));
    expect(tape.map((t) => [t.measured, Number(t.rise.toFixed(3))])).toEqual([
      [false, 0.591],
      [true, 0.78],
    ]);
  });
  it('lists the floats from the floor up, each measured both ways', () => {
    const { tape } = judge(station());
    expect(tape.map((t) => [t.order, t.role])).toEqual([
      [1, 'pump'],
      [2, 'alarm'],
    ]);
    for (const t of tape) expect(t.rimDown + t.floorUp).toBeCloseTo(1.2, 12);
  });
});
