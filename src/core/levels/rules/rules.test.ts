import { describe, expect, it } from 'vitest';
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
    expect(sayPhrase(ruleOf('submergence').why, 'metric')).toContain(
      'The other school covers only the volute, at 140 mm',
    );
    expect(sayPhrase(ruleOf('submergence', (s) => (s.settings.submergence = 'volute')).why, 'metric')).toContain(
      'covers the motor too, up to 300 mm',
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
