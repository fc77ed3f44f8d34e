import { describe, expect, it } from 'vitest';
import { newStation, type Station } from '../station';
import { asLeft, drawdownFlow, testPlan, type ProofEntry } from '.';

const box = (): Station => {
  const s = newStation('a', 'b', 'metric-230');
  return { ...s, vessel: { ...s.vessel, shape: { kind: 'box', length: 1, width: 0.5, depth: 1.2 } } };
};

describe('drawdown', () => {
  it('by hand: half a square metre falling 300 mm in 60 s, rising 30 mm in 120 s', () => {
    const run = { from: 0.5, to: 0.8, seconds: 60, rise: 0.03, riseSeconds: 120 };
    const found = drawdownFlow(box(), [run]);
    if (!found.ok) throw new Error(found.reason);
    // 150 L in 60 s is 2.5 L/s; 15 L in 120 s come in: 0.125 L/s.
    expect(found.inflow! * 1000).toBeCloseTo(0.125, 6);
    expect(found.flow * 1000).toBeCloseTo(2.625, 6);
    expect(found.rate * 1000).toBeCloseTo(5, 6);
    expect(found.share).toBeCloseTo(Math.hypot((Math.SQRT2 * 5) / 300, 1 / 60, 0.05), 6);
  });
  it('repeated runs are averaged, and how far they lie apart is told', () => {
    const run = (seconds: number) => ({ from: 0.5, to: 0.8, seconds, rise: 0, riseSeconds: 0 });
    const found = drawdownFlow(box(), [run(60), run(75)]);
    if (!found.ok) throw new Error(found.reason);
    expect(found.flow * 1000).toBeCloseTo((2.5 + 2) / 2, 6);
    expect(found.apart).toBeCloseTo(0.5 / 2.25, 6);
    // Nobody measured how it rose again: that is no inflow of nothing.
    expect(found.inflow).toBeNull();
  });
  it('that did not fall, or was not measured, is said', () => {
    expect(drawdownFlow(box(), [])).toMatchObject({ ok: false });
    expect(drawdownFlow(box(), [{ from: 0.8, to: 0.5, seconds: 60, rise: 0, riseSeconds: 0 }])).toMatchObject({
      ok: false,
      reason: expect.stringMatching(/did not fall/),
    });
  });
});

describe('as left', () => {
  const s = box();
  const plan = testPlan(s);
  const clip = (s.sensors[0] as { clip: number }).clip;
  const entry = (found: ProofEntry['found'], more: Partial<ProofEntry> = {}): ProofEntry => ({
    id: 1,
    stepId: 'tape',
    enteredAt: 'x',
    by: '',
    verdict: 'pass',
    found,
    decided: {},
    note: '',
    ...more,
  });
  it('a clip found 20 mm lower becomes 20 mm less from the floor; one as listed changes nothing', () => {
    const left = asLeft(s, plan, [entry({ 'clip-pump': 1.2 - clip + 0.02, 'tether-pump': 0.15, swing: true })]);
    expect(left.changes).toMatchObject([{ path: 'sensors.0.clip', from: clip, format: 'height' }]);
    expect(left.changes[0]!.to).toBeCloseTo(clip - 0.02, 9);
    expect((left.station.sensors[0] as { clip: number }).clip).toBeCloseTo(clip - 0.02, 9);
    expect(left.confirms).toEqual(['sensors.0.tether']);
    expect(left.problems).toEqual([]);
  });
  it('what was not done, or is of a sensor that is there no more, leaves the station alone', () => {
    expect(asLeft(s, plan, [entry({ 'clip-pump': 0.9 }, { verdict: 'not done' })]).changes).toEqual([]);
    // In another order it is still that sensor’s.
    const turned = { ...s, sensors: [...s.sensors].reverse() };
    const of = asLeft(turned, plan, [entry({ 'clip-pump': 1.2 - clip + 0.02 })]);
    expect(of.changes.map((c) => c.path)).toEqual(['sensors.1.clip']);
    const fewer = { ...s, sensors: s.sensors.slice(0, 1) };
    expect(asLeft(fewer, plan, [entry({ 'clip-alarm': 0.1 })]).changes).toEqual([]);
  });
  it('a height that cannot be is told with the proposal, not taken', () =>
    expect(asLeft(s, plan, [entry({ 'clip-pump': -0.5 })]).problems.length).toBeGreaterThan(0));
});
