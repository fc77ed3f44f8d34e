import { describe, expect, it } from 'vitest';
import { demoStations } from '../demo';
import { USUAL_VALVE } from '../duties';
import { newStation, type Station } from '../station';
import { sayPhrase } from '../units';
import { judgeFinding, proposeVerdict, testPlan, type Found, type Step } from './index';

const box = (): Station => {
  const s = newStation('a', 'b', 'metric-230');
  s.vessel.shape = { kind: 'box', length: 1, width: 0.5, depth: 1.2 };
  s.settings.hoseFlow = 0.5e-3;
  return s;
};
const stepOf = (plan: readonly Step[], id: string) => plan.find((s) => s.id === id)!;
const expected = (step: Step, id: string) => step.expects.find((e) => e.id === id)!.reading!.expected!.value;

/** Trips by hand: the pump float's arm is 150 + 50 mm at ±45°, the alarm's at ±10°. */
const LEAD = 0.45 + 0.2 * Math.SQRT1_2;
const STOP = 0.45 - 0.2 * Math.SQRT1_2;
const BELL = 0.75 + 0.15 * Math.sin((10 * Math.PI) / 180);

describe('the plan', () => {
  it('goes through isolate, bench, dry, wet, alarm and leaving, in that order', () => {
    const plan = testPlan(box());
    expect([...new Set(plan.map((s) => s.phase))]).toEqual(['make safe', 'bench', 'dry', 'wet', 'alarm', 'leave']);
    expect(plan[0]!.id).toBe('isolate');
    expect(plan.at(-1)!.id).toBe('hand-over');
    expect(new Set(plan.map((s) => s.id)).size).toBe(plan.length);
  });

  it('has a caution wherever the power is on or the pit is open', () => {
    for (const id of ['isolate', 'dry-lift', 'running', 'fill-alarm', 'stray', 'close', 'hand-over'])
      expect(stepOf(testPlan(box()), id).cautions.length).toBeGreaterThan(0);
  });

  it('carries only the steps of what is fitted', () => {
    const s = box();
    s.sensors = s.sensors.filter((x) => x.role === 'pump');
    expect(testPlan(s).some((x) => x.phase === 'alarm')).toBe(false);
    const t = box();
    t.alarm = { ...t.alarm, battery: false, silence: false, remoteContact: true };
    const ids = testPlan(t).map((x) => x.id);
    expect(ids).not.toContain('battery');
    expect(ids).not.toContain('silence');
    expect(ids).toContain('remote');
  });

  it('expects litres and minutes by hand', () => {
    const plan = testPlan(box());
    expect(expected(stepOf(plan, 'fill-lead'), 'volume')).toBeCloseTo(0.5 * (LEAD - STOP), 9);
    expect(expected(stepOf(plan, 'fill-lead'), 'time')).toBeCloseTo((0.5 * (LEAD - STOP)) / 0.0005, 4);
    expect(expected(stepOf(plan, 'fill-lead'), 'level')).toBeCloseTo(1.2 - LEAD, 6);
    expect(expected(stepOf(plan, 'fill-alarm'), 'volume')).toBeCloseTo(0.5 * (BELL - LEAD), 9);
  });

  it('expects of the drawdown what the pump moves: drop times area is flow', () => {
    const plan = testPlan(box());
    const step = stepOf(plan, 'drawdown');
    expect(expected(step, 'drop') * 0.5).toBeCloseTo(expected(step, 'flow'), 12);
    expect(expected(stepOf(plan, 'pump-down'), 'run') * expected(step, 'drop')).toBeCloseTo(LEAD - STOP, 6);
  });

  it('says why and lets the reading be recorded where the model cannot tell it', () => {
    const s = box();
    s.discharge.outlet = 50;
    const run = stepOf(testPlan(s), 'pump-down').expects.find((e) => e.id === 'run')!;
    expect(run.reading).toMatchObject({ expected: null, format: 'time' });
    expect(sayPhrase(run.sentence, 'metric')).toMatch(/cannot lift/);
    expect(judgeFinding(run, 40)).toBe('cannot be judged');
  });

  it('tells an opening contact from a closing one', () => {
    const s = box();
    s.sensors[1]!.contact = 'opens-on-rise';
    const says = stepOf(testPlan(s), 'bench-alarm').expects.map((e) => sayPhrase(e.sentence, 'metric'));
    expect(says[0]).toMatch(/closed/);
    expect(says[1]).toMatch(/open/);
  });
});

describe('judging', () => {
  const step = stepOf(testPlan(box()), 'fill-lead');
  const volume = expected(step, 'volume');
  const sound: Found = { volume, time: volume / 0.0005, level: 1.2 - LEAD, reacts: true };

  it('passes what lies in the band, fails what does not, waits for what is missing', () => {
    expect(proposeVerdict(step, sound)).toBe('pass');
    // By hand: two trips of 30 mm over 283 mm, an area within 5 %, a bucket within 5 %, as the root of the sum of squares.
    const share = Math.hypot((Math.SQRT2 * 0.03) / (LEAD - STOP), 0.05, 0.05);
    expect(share).toBeCloseTo(0.166, 3);
    expect(proposeVerdict(step, { ...sound, volume: volume * (1 + share - 0.001) })).toBe('pass');
    expect(proposeVerdict(step, { ...sound, volume: volume * (1 + share + 0.001) })).toBe('fail');
    expect(proposeVerdict(step, { ...sound, level: 1.2 - LEAD + 0.031 })).toBe('fail');
    expect(proposeVerdict(step, { ...sound, reacts: false })).toBe('fail');
    const { volume: _, ...rest } = sound;
    expect(proposeVerdict(step, rest)).toBeNull();
  });

  it('has a limit on one side where only that is dangerous', () => {
    const dead = testPlan(box())[0]!.expects.find((e) => e.id === 'dead')!;
    expect(judgeFinding(dead, 0)).toBe('as expected');
    expect(judgeFinding(dead, 230)).toBe('differs');
    const amps = stepOf(testPlan(box()), 'running').expects.find((e) => e.id === 'amps')!;
    expect([judgeFinding(amps, 4.2), judgeFinding(amps, 5)]).toEqual(['as expected', 'differs']);
  });
});

describe('the plan of every duty', () => {
  const planOf = (file: string) => testPlan(demoStations().find((d) => d.file === file)!.station);
  it('has no step twice, no expectation twice in a step, and a bench test for each sensor, for every demo station', () => {
    for (const { station } of demoStations()) {
      const plan = testPlan(station);
      expect(new Set(plan.map((s) => s.id)).size).toBe(plan.length);
      for (const s of plan) expect(new Set(s.expects.map((e) => e.id)).size).toBe(s.expects.length);
      expect(plan.filter((s) => s.phase === 'bench')).toHaveLength(station.sensors.length);
    }
  });
  it('fills to the lag and lets the pumps take turns on a duplex', () => {
    const plan = planOf('underpass-storm-sump.json');
    // From the lead, 1535 mm, to the lag, 1885 mm, in a pit of 2 m across.
    expect(expected(stepOf(plan, 'fill-lag-2'), 'volume')).toBeCloseTo(Math.PI * 0.35, 2);
    expect(plan.map((s) => s.id)).toContain('alternator');
  });
  it('tries each part that the panel carries, and none that it does not', () => {
    const plain = demoStations().find((d) => d.file === 'underpass-storm-sump.json')!.station;
    const ids = (s: typeof plain) => testPlan(s).flatMap((x) => (x.id.startsWith('part-') ? [x.id.slice(5)] : []));
    expect(ids(plain)).toEqual([]);
    const parts = {
      ...plain.control.parts,
      sealProbe: 'stop',
      motorThermal: 'latches',
      phaseMonitor: true,
      stagger: 20,
      generator: 'neutral-solid',
    } as const;
    const full = { ...plain, control: { ...plain.control, parts } };
    expect(ids(full)).toEqual(['seal', 'thermal', 'phases', 'stagger', 'transfer']);
    const says = (id: string) =>
      stepOf(testPlan(full), `part-${id}`).expects.map((e) => sayPhrase(e.sentence, 'metric'));
    // A wet seal that stops its pump: the alarm acts; the pump whose seal it is stands and the other takes its place.
    expect(says('seal')[0]).toMatch(/^pump 2 runs, the lamp is lit, the horn sounds, .*pump 1 stands$/);
    expect(says('thermal')).toHaveLength(3);
    expect(says('thermal')[2]).toMatch(/pump 1/);
    expect(says('phases')[0]).toMatch(/pump 1 stands, pump 2 stands/);
    expect(says('phases')[1]).toMatch(/^pump 1 runs/);
    // What latches waits for a hand after a power cut as well; what returns does not.
    expect(says('stagger')[0]).not.toMatch(/after/);
    const returns = { ...full, control: { ...full.control, parts: { ...parts, motorThermal: 'returns' as const } } };
    const of = (id: string) => stepOf(testPlan(returns), id).expects.map((e) => sayPhrase(e.sentence, 'metric'));
    expect(of('part-stagger')[0]).toMatch(/after 20 s pump 1 runs/);
    expect(of('part-transfer')[0]).toMatch(/^pump 1 stands, .*pump 2 stands/);
    expect(of('part-transfer')[1]).toMatch(/after 20 s pump 1 runs/);
    expect(of('part-transfer')[2]).toBe('5 V or less');
    const tank = demoStations().find((d) => d.file === 'workshop-header-tank.json')!.station;
    if (tank.duty.kind !== 'fill') throw new Error('it is not filled');
    const byValve = { ...tank, duty: { ...tank.duty, from: { ...USUAL_VALVE, flow: 5e-4 } } };
    expect([ids(tank), ids(byValve)]).toEqual([[], ['valve']]);
  });
  it('sees which way each pump turns where it is fed by three legs, and asks nothing of that on one phase', () => {
    const turns = planOf('underpass-storm-sump.json').find((s) => s.id === 'rotation')!;
    expect(turns.expects.map((e) => e.id)).toEqual(['turns-1', 'turns-2']);
    expect(turns.cautions.length).toBeGreaterThan(0);
    expect(planOf('workshop-sump.json').some((s) => s.id === 'rotation')).toBe(false);
  });
  it('draws and fills a tank that is filled, and never fills it to its alarm by hose', () => {
    const ids = planOf('workshop-header-tank.json').map((s) => s.id);
    expect(ids).toEqual(expect.arrayContaining(['draw-start', 'fill-up', 'silence']));
    expect(ids).not.toContain('fill-alarm');
  });
  it('raises the water to a cut-off and sees what makes it stop', () =>
    expect(planOf('cold-store-condensate.json').map((s) => s.id)).toContain('cut-off'));
  it('speaks of selectors where no float stands in a pump cord', () => {
    const says = (file: string) => stepOf(planOf(file), 'hand-over').cautions.join();
    expect(says('workshop-sump.json')).toContain('plugged straight');
    expect(says('underpass-storm-sump.json')).toContain('left in Hand');
  });
});
