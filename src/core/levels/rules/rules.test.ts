import { describe, expect, it } from 'vitest';
import { demoStations } from '../../demo';
import { newStation, type Station } from '../../station';
import { sayPhrase } from '../../units';
import { judge, sayNoDuty } from '../index';

/*
 * The starting station in a box of 0.8 × 0.5 m, worked by hand. Pump float: arm 150 + 50 mm at ±45° about 450 mm;
 * alarm float: arm 100 + 50 mm at ±10° about 750 mm.
 */
const AREA = 0.4;
const LEAD = 0.45 + 0.2 * Math.SQRT1_2;
const STOP = 0.45 - 0.2 * Math.SQRT1_2;
const SWING = 0.15 * Math.sin(Math.PI / 18);

function station(change: (s: Station) => void = () => {}): Station {
  const s = newStation('Sump', 'Yard', 'metric-230');
  s.vessel.shape = { kind: 'box', length: 0.8, width: 0.5, depth: 1.2 };
  change(s);
  return s;
}
const ruleOf = (id: string, change?: (s: Station) => void) => judge(station(change)).rules.find((r) => r.id === id)!;
const figures = (id: string, change?: (s: Station) => void) => {
  const r = ruleOf(id, change);
  return [r.needs!.value, r.has!.value];
};
const near = (...values: number[]) => values.map((v) => expect.closeTo(v, 9));

describe('needs and has, by hand', () => {
  it('submergence: the top of the motor, or of the volute, against the stop', () => {
    expect(figures('submergence')).toEqual(near(0.3, STOP));
    expect(figures('submergence', (s) => (s.settings.submergence = 'volute'))).toEqual(near(0.14, STOP));
  });
  it('order: the two marks that stand closest', () => {
    expect(figures('order')).toEqual(near(LEAD + 0.005, 0.75 + SWING));
    expect(figures('order', (s) => (s.vessel.overflow = 0.8))).toEqual(near(0.75 + SWING + 0.005, 0.8));
  });
  it('gap: the least of differential, alarm over start, and alarm clearing over stop', () => {
    expect(figures('gap')).toEqual(near(0.075, 0.75 + SWING - LEAD));
    expect(figures('gap', (s) => (s.settings.minimumGap = 0.1))).toEqual(near(0.1, 0.75 + SWING - LEAD));
  });
  it('drainback: a metre of 40.8 mm pipe less what stands under the water, and half as much again, against the drawdown', () => {
    const area = (Math.PI / 4) * 0.0408 ** 2;
    // The pipe begins between intake (50 mm) and volute (140 mm), and the water stands over it at the stop.
    const under = STOP - (0.05 + 0.14) / 2;
    expect(figures('drainback')).toEqual(near(area * (1 - under) * 1.5, AREA * (LEAD - STOP)));
    expect(figures('drainback', (s) => (s.discharge.checkValve = null))).toEqual(
      near(area * (12 - under) * 1.5, AREA * (LEAD - STOP)),
    );
  });
  it('inlet: the invert, or a surcharge above it', () => {
    expect(figures('inlet')).toEqual(near(0.85, 0.75 + SWING));
    expect(figures('inlet', (s) => (s.settings.inlet = 'storage'))).toEqual(near(1, 0.75 + SWING));
  });
  it('reserve: the volume from the alarm to the overflow over the inflow it is promised at', () => {
    const volume = AREA * (1.15 - 0.75 - SWING);
    expect(figures('reserve')).toEqual(near(300, volume / 0.5e-3));
    expect(figures('reserve', (s) => (s.settings.reserveInflow = 'peak'))).toEqual(near(300, volume / 1.5e-3));
  });
  it('reach: the tether, the cord, the floor and the rim, whichever is tightest', () => {
    expect(figures('reach')).toEqual(near(0.075, 0.1));
    expect(figures('reach', (s) => (s.sensors[0]!.cordLength = 2.91))).toEqual(near(0.15 + 0.75 + 2, 2.91));
    expect(figures('reach', (s) => Object.assign(s.sensors[1]!, { clip: 1.18 }))).toEqual(
      near(1.2, 1.18 + 0.2 * Math.sin(Math.PI / 18)),
    );
  });
  it('keep up: the peak and a tenth against what the pump delivers at the start, which lies on its curve', () => {
    const [needs, has] = figures('keep-up');
    expect(needs).toBeCloseTo(1.65e-3, 12);
    expect(has).toBeGreaterThan(2e-3);
    expect(has).toBeLessThan(4e-3);
  });
  it('starts and run: a pump that is twice as fast for its pit starts more and runs shorter', () => {
    const narrow = (s: Station) => (s.vessel.shape = { kind: 'box', length: 0.4, width: 0.5, depth: 1.2 });
    expect(figures('starts', narrow)[1]! / figures('starts')[1]!).toBeCloseTo(2, 1);
    expect(figures('run', narrow)[1]! / figures('run')[1]!).toBeCloseTo(0.5, 6);
  });
});

describe('what a rule says', () => {
  it('names the other school where practice differs', () => {
    expect(sayPhrase(ruleOf('submergence').why, 'metric')).toContain('Other schools: the volute: 140 mm; no vortex: ');
    expect(sayPhrase(ruleOf('submergence', (s) => (s.settings.submergence = 'volute')).why, 'metric')).toContain(
      'the motor, to cool it: 300 mm',
    );
    expect(sayPhrase(ruleOf('inlet').why, 'metric')).toContain('The other school uses that pipe as storage');
    expect(sayPhrase(ruleOf('inlet', (s) => (s.settings.inlet = 'storage')).why, 'metric')).toContain(
      'The other school keeps the inlet free',
    );
  });
  it('is in the units it is asked in', () => {
    expect(sayPhrase(ruleOf('gap').why, 'metric')).toContain('closer than 75 mm');
    expect(sayPhrase(ruleOf('gap', (s) => (s.settings.minimumGap = 0.0762)).why, 'us')).toContain('closer than 3"');
  });
  it('says why there is no operating point, with both figures', () => {
    expect(sayPhrase(sayNoDuty({ reason: 'below-static-head', needs: 9.5, has: 8.5 }), 'metric')).toMatch(
      /outlet is 9\.50 m above it and the pump reaches only 8\.50 m/,
    );
    expect(sayPhrase(sayNoDuty({ reason: 'run-out', atLeast: 0.004 }), 'metric')).toMatch(/more than 4\.00 L\/s/);
  });
  it('points at the parts of the drawing it is about', () => {
    for (const r of judge(station()).rules) expect(r.about.length).toBeGreaterThan(0);
    expect(ruleOf('submergence').about).toContain('float:pump');
  });
  it('keeps up, as far as the curve is known, where the pump runs out', () => {
    const r = ruleOf(
      'keep-up',
      (s) => ((s.discharge.outlet = 0.7), (s.pumps[0]!.curve = s.pumps[0]!.curve.slice(0, 3))),
    );
    expect(r.state).not.toBe('unknown');
    expect(sayPhrase(r.why, 'metric')).toContain('or more (past the end of its curve)');
  });
});

describe('several pumps, and water that finds its own way', () => {
  const parabola = (a: number, b: number, to: number) =>
    Array.from({ length: 41 }, (_, i) => ({ flow: (to * i) / 40, head: a - b * ((to * i) / 40) ** 2 }));
  /** A line whose loss is nothing: each pump gives √((a − lift)/b). */
  const plain = (s: Station, ...curves: readonly (readonly [a: number, b: number])[]) => {
    const [pump] = s.pumps;
    s.pumps = curves.map(([a, b], i) => ({
      ...pump!,
      name: `pump ${i + 1}`,
      curve: parabola(a, b, Math.sqrt((a / b) * 0.98)),
    }));
    s.discharge = {
      ...s.discharge,
      weepHole: null,
      outlet: 5,
      segments: [{ ...s.discharge.segments[0]!, length: 0.1, bore: 1.5, fittings: [] }],
    };
    s.control = { ...s.control, alternates: true, floats: 'three' };
  };
  const gives = (a: number, b: number, level: number) => Math.sqrt((a - (5 - level)) / b);

  it('firm: the weaker pump alone, at the lead, against the peak; or the design, the reserve holding the rest', () => {
    const two = (s: Station) => {
      plain(s, [12, 1e6], [9, 1e6]);
      s.inflow.source = { kind: 'steady', low: 1e-4, design: 1e-3, peak: 2.2e-3 };
    };
    const alone = gives(9, 1e6, LEAD);
    expect(ruleOf('firm', two)).toMatchObject({ state: 'broken', needs: { value: 2.2e-3 * 1.1 } });
    expect(ruleOf('firm', two).has!.value / alone).toBeCloseTo(1, 3);
    const other = ruleOf('firm', (s) => (two(s), (s.settings.firm = 'design')));
    const room = AREA * (1.15 - 0.75 - SWING);
    expect(other.state).toBe(room / (2.2e-3 - alone) > 300 ? 'holds' : 'broken');
    expect(ruleOf('firm').state).toBe('not-applicable');
  });
  it('least flow: a pump that a stronger one holds shut runs against a closed valve, and is told', () => {
    const shut = ruleOf('minimum-flow', (s) => plain(s, [12, 1e6], [4.6, 1e6]));
    expect(shut).toMatchObject({ state: 'broken', has: { value: 0 } });
    expect(sayPhrase(shut.why, 'metric')).toMatch(/^Pump 2 beside pump 1 is held shut/);
    expect(ruleOf('minimum-flow', (s) => plain(s, [12, 1e6], [11, 1e6])).state).toBe('holds');
    const said = ruleOf('minimum-flow', (s) => (plain(s, [12, 1e6]), (s.pumps[0]!.minimumFlow = 2.6e-3)));
    expect(said.needs!.value).toBe(2.6e-3);
    expect(said.has!.value / gives(12, 1e6, STOP)).toBeCloseTo(1, 3);
  });
  it('no check valves: what comes back through the pump that stands, as a share of what the other pumps', () => {
    const open = ruleOf('way-back', (s) => (plain(s, [12, 1e6], [12, 1e6]), (s.discharge.checkValve = null)));
    expect(open.state).toBe('broken');
    expect(open.has!.value).toBeGreaterThan(0.5);
    expect(ruleOf('way-back', (s) => plain(s, [12, 1e6], [12, 1e6])).state).toBe('not-applicable');
  });
  it('still: an outlet under the water drains it, one over it or a vented crest does not', () => {
    expect(ruleOf('still', (s) => (s.discharge.outlet = LEAD - 0.01))).toMatchObject({
      state: 'broken',
      needs: { value: expect.closeTo(LEAD, 9) },
    });
    expect(ruleOf('still', (s) => (s.discharge.outlet = -3)).state).toBe('broken');
    const crest = (vented: boolean) => (s: Station) => {
      s.discharge.outlet = -3;
      s.discharge.highPoint = { height: 2, along: 3, vented };
    };
    expect([ruleOf('still', crest(true)).state, ruleOf('still', crest(false)).state]).toEqual(['holds', 'broken']);
  });
  it('vortices: S = D·(1 + 2.3·Fr), by hand for 100 mm and 2.9 L/s at the stop', () => {
    const r = ruleOf('submergence', (s) => {
      s.settings.submergence = 'vortex';
      s.pumps[0]!.bell = 0.1;
    });
    const flow = judge(station()).context.hydraulics.at(STOP);
    if (!flow.ok) throw new Error('lifts');
    const v = flow.pumpFlow / ((Math.PI / 4) * 0.01);
    expect(r.needs!.value).toBeCloseTo(0.05 + 0.1 * (1 + (2.3 * v) / Math.sqrt(9.80665 * 0.1)), 9);
  });
  it('run: the shortest of the three inflows is at the least of them', () => {
    const { cycles } = judge(station());
    if (!cycles.low.ok || !cycles.design.ok) throw new Error('cycles');
    expect(figures('run')[1]).toBeCloseTo(cycles.low.run, 9);
    expect(cycles.low.run).toBeLessThan(cycles.design.run);
  });
});

describe('a station that a timer doses from', () => {
  it('cycles as the timer does: as many doses as the water fills, and at the worst its shortest rest', () => {
    const bed = demoStations().find((d) => d.file === 'sand-bed-dosing-tank.json')!.station;
    if (bed.duty.kind !== 'dose') throw new Error('doses');
    const { context, cycles, worst } = judge(bed);
    const { atLead, hydraulics, stop, inflow } = context;
    if (!atLead.ok || !cycles.design.ok || !worst.ok) throw new Error('doses');
    const dose = atLead.flow * bed.duty.on - hydraulics.drainback(1, stop).volume;
    expect(cycles.design).toMatchObject({ run: bed.duty.on, keepsUp: true });
    expect(cycles.design.cycle).toBeCloseTo(dose / inflow.design, 6);
    const rest = bed.sensors.some((s) => s.role === 'peak') ? Math.min(bed.duty.off, bed.duty.peakOff) : bed.duty.off;
    expect(worst.startsPerHour).toBeCloseTo(3600 / (bed.duty.on + rest), 9);
  });
});

describe('a tank that is filled', () => {
  it('is drawn from: no rule of it speaks of an inflow', () => {
    const filled = demoStations().filter((d) => d.station.duty.kind === 'fill');
    const said = filled.flatMap((d) => judge(d.station).rules.map((r) => `${r.title}: ${sayPhrase(r.why, 'metric')}`));
    expect(said.filter((x) => x.includes('inflow'))).toEqual([]);
    expect(said.some((x) => x.startsWith('starts per hour at worst draw'))).toBe(true);
  });
});
