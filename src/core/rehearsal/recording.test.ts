import { describe, expect, it } from 'vitest';
import { demoStations } from '../demo';
import { flowsOf } from '../inflow';
import type { Station } from '../station';
import { sayPhrase } from '../units';
import { demo, run, sentences, scenario, sump } from './rehearsal.fixture';
import { BUCKETS } from './trace';
import { compare, figures, record, type Scenario } from '.';

describe('a recording', () => {
  const recorded = (station: Station, more: Partial<Scenario>) => {
    const answer = record(station, scenario(station, more));
    if (!answer.ok) throw new Error('refused');
    return answer;
  };
  const mixed: Partial<Scenario> = {
    duration: 2 * 86400,
    inflow: { kind: 'survey', scale: 1 },
    powerCuts: [{ from: 30000, to: 40000 }],
    faults: [{ from: 50000, to: 90000, id: 'blocked' }],
  };

  it('any window of it shows what the whole showed, and more: no peak is lost, none is invented', () => {
    for (const file of [
      'workshop-sump.json',
      'underpass-storm-sump.json',
      'sand-bed-dosing-tank.json',
      'workshop-header-tank.json',
    ]) {
      const station = demo(file);
      const whole = recorded(station, mixed);
      const { trace } = whole.run;
      const [from, to] = [12 * trace.step * 40, 12 * trace.step * 41];
      const { trace: close, events } = whole.window(from, to);
      expect([file, events.map((e) => [e.kind, sayPhrase(e.sentence, 'metric')])]).toEqual([
        file,
        whole.run.events
          .filter((e) => e.at >= from && e.at <= to)
          .map((e) => [e.kind, sayPhrase(e.sentence, 'metric')]),
      ]);
      const inside = Array.from(trace.least.keys()).filter(
        (i) => i * trace.step >= from - 1e-6 && (i + 1) * trace.step <= to + 1e-6,
      );
      expect(inside).toHaveLength(12);
      expect([file, Math.min(...close.least)]).toEqual([
        file,
        expect.closeTo(Math.min(...inside.map((i) => trace.least[i]!)), 9),
      ]);
      expect([file, Math.max(...close.greatest)]).toEqual([
        file,
        expect.closeTo(Math.max(...inside.map((i) => trace.greatest[i]!)), 9),
      ]);
      close.lanes.forEach(({ share }, n) =>
        expect(share.reduce((a, b) => a + b, 0) * close.step).toBeCloseTo(
          inside.reduce((sum, i) => sum + trace.lanes[n]!.share[i]! * trace.step, 0),
          5,
        ),
      );
    }
  });
  it('down to a second', () => {
    const whole = recorded(sump, mixed);
    const start = whole.run.events.find((e) => e.kind === 'pump')!.at;
    const { trace: close } = whole.window(start - 0.5, start + 0.5);
    const on = close.lanes.find((l) => l.id === 'M1')!.share;
    expect([on[0], on.at(-1)]).toEqual([0, expect.closeTo(1, 9)]);
    expect(on.findIndex((s) => s > 0)).toBe(BUCKETS / 2);
  });
  it('a moment is what the run was then: level, floats, pumps, faults', () => {
    const whole = recorded(sump, mixed);
    for (const e of whole.run.events.filter((x) => x.kind === 'pump' || x.kind === 'float').slice(0, 40)) {
      expect(whole.moment(e.at).level).toBeCloseTo(e.level, 2);
    }
    expect(whole.moment(35000).states.W0).toBe('cut');
    expect(whole.moment(60000).faults).toEqual(['blocked']);
    expect(whole.moment(95000).faults).toEqual([]);
    expect(whole.moment(1e9).at).toBe(mixed.duration);
  });
  it('a moment after the cut-off has no inflow left, one before it what the appliances make', () => {
    const station = demo('cold-store-condensate.json');
    const whole = recorded(station, { duration: 86400, faults: [{ from: 3600, to: null, id: 'blocked' }] });
    const { from } = whole.run.alarmSpans[0]!;
    expect(whole.moment(from - 1).inflow).toBeCloseTo(flowsOf(station.inflow).design, 12);
    expect(whole.moment(from + 3600).inflow).toBe(0);
  });
  it('asking about it changes nothing, whatever was asked before', () => {
    const [a, b] = [recorded(sump, mixed), recorded(sump, mixed)];
    b.window(100, 4000);
    b.moment(70000);
    const drawn = (r: typeof a) => JSON.stringify(r.window(20000, 20600));
    expect(drawn(b)).toBe(drawn(a));
    expect(JSON.stringify(b.moment(55555))).toBe(JSON.stringify(a.moment(55555)));
  });
});

describe('what is told', () => {
  it('a year of ordinary days does not crowd out the one that was not', () => {
    const r = run(sump, { duration: 300 * 86400, powerCuts: [{ from: 290 * 86400, to: 290 * 86400 + 7200 }] });
    expect(r.eventsLeftOut).toBeGreaterThan(10000);
    expect(sentences(r)).toEqual(
      expect.arrayContaining(['power fails', 'power is back', expect.stringMatching(/^overflow/)]),
    );
    const times = r.events.map((e) => e.at);
    expect(times).toEqual([...times].sort((a, b) => a - b));
  });
  it('the second pump says who could not keep up, and by how much', () => {
    const r = run(demo('underpass-storm-sump.json'), {
      duration: 3600,
      inflow: { kind: 'level', which: 'peak', scale: 3 },
    });
    expect(sentences(r)).toEqual(
      expect.arrayContaining([
        expect.stringMatching(
          /^pump \d starts: lag float lifted at 1885 mm; the pumps that ran could not keep up: inflow [\d.]+ L\/s of [\d.]+ L\/s$/,
        ),
      ]),
    );
  });
});

describe('beside the level rules', () => {
  it('they agree where the inflow is steady, and differences are explained', () => {
    for (const { station } of demoStations()) {
      const steady = scenario(station, { duration: 7 * 86400 });
      const r = run(station, steady);
      for (const c of compare(station, steady, r))
        if (c.id === 'starts' || c.id === 'ran')
          expect([station.identity.name, c.id, sayPhrase(c.why, 'metric')]).toEqual([
            station.identity.name,
            c.id,
            'they agree',
          ]);
    }
  });
  it('a power cut and a fault are named as what the rules do not know of', () => {
    const broken = scenario(sump, {
      powerCuts: [{ from: 3600, to: 39600 }],
      faults: [{ from: 50000, to: null, id: 'M1-clogged' }],
    });
    const why = compare(sump, broken, run(sump, broken)).find((c) => c.id === 'starts')!.why;
    expect(sayPhrase(why, 'metric')).toMatch(/^the power was off for 10 h 00 min; a fault was put in; water ran over/);
  });
  it('the reserve agrees with a dead pump at the inflow of the rule', () => {
    const dead = scenario(sump, {
      duration: 86400,
      inflow: { kind: 'level', which: sump.settings.reserveInflow, scale: 1 },
      faults: [{ from: 0, to: null, id: 'Q1-off' }],
    });
    const reserve = compare(sump, dead, run(sump, dead)).find((c) => c.id === 'reserve')!;
    expect(reserve.run.value).toBeCloseTo(reserve.rules.value, 3);
    expect(sayPhrase(reserve.why, 'metric')).toBe('they agree');
  });
});

describe('figures', () => {
  const of = (station: Station, more: Partial<Scenario> = {}) =>
    new Map(figures(station, run(station, more)).map((f) => [f.id, f]));
  it('two pumps that take turns share their hours; one that is off leaves them to the other', () => {
    const station = demo('underpass-storm-sump.json');
    expect(of(station, { duration: 7 * 86400 }).get('share')!.value!.value).toBeCloseTo(0.5, 2);
    expect(of(station, { faults: [{ from: 0, to: null, id: 'Q1-off' }] }).get('share')!.value!.value).toBe(0);
  });
  it('energy is what the motor takes at its flow times the hours it ran; the worst hour no more than all starts', () => {
    const list = of(sump);
    const { ratedCurrent, motor } = sump.pumps[0]!;
    const kilowatts = (sump.supply.voltage * ratedCurrent * motor.powerFactor) / 1000;
    // Without its maker’s points: 55 % of the plate at no flow, and straight on to all of it at the last point of the curve.
    const mean = list.get('pumped')!.value!.value / list.get('ran-1')!.value!.value;
    const share = 0.55 + (0.45 * mean) / sump.pumps[0]!.curve.at(-1)!.flow;
    const energy = list.get('energy-1')!.value!.value;
    expect(energy / ((kilowatts * share * list.get('ran-1')!.value!.value) / 3600)).toBeCloseTo(1, 1);
    // It lifts the water, at the least: ρ·g·V·h, h from the start to the outlet.
    const lift = (9806.65 * list.get('pumped')!.value!.value * (sump.discharge.outlet - 0.6)) / 3.6e6;
    expect(energy).toBeGreaterThan(lift);
    expect(list.get('worst-1')!.value!.value).toBeLessThanOrEqual(list.get('starts-1')!.value!.value);
    expect([list.get('warning')!.value, list.get('overflow')!.what]).toEqual([null, 'overflow']);
  });
  it('what runs over in filling is water wasted; an appliance has its time', () => {
    const stuck = of(demo('workshop-header-tank.json'), { faults: [{ from: 0, to: null, id: 'pump-stuck-down' }] });
    expect(stuck.get('overflow')!.what).toBe('water wasted in filling');
    expect(stuck.get('overflow')!.value!.value).toBeGreaterThan(1);
    const cold = of(demo('cold-store-condensate.json'), { faults: [{ from: 3600, to: null, id: 'blocked' }] });
    expect(cold.get('lane-U41')!.value!.value).toBeGreaterThan(3600);
    expect(cold.get('lane-U41')!.value!.value).toBeLessThan(86400);
  });
  it('stays consistent with the balance: in less pumped less over, and what ran back', () => {
    const list = of(sump, { faults: [{ from: 3600, to: 30000, id: 'check-open' }] });
    const { balance } = run(sump, { faults: [{ from: 3600, to: 30000, id: 'check-open' }] });
    expect(
      list.get('in')!.value!.value -
        list.get('pumped')!.value!.value +
        list.get('back')!.value!.value -
        balance.overflow,
    ).toBeCloseTo(balance.change, 9);
  });
});
