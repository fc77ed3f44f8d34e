import fc from 'fast-check';

import { describe, expect, it } from 'vitest';
import { demoStations } from '../demo';
import { hydraulicsOf } from '../hydraulics';
import { cycleAt, levelContext } from '../levels';
import { panelOf } from '../schemes';
import { newStation, type Station } from '../station';
import { sayPhrase } from '../units';
import { vesselOf } from '../vessel';
import { wire } from '../wiring';
import { inflowing } from './inflow';
import { panelMachine } from './panelMachine';
import { deliveries } from './pumping';
import { readyScenarios } from './ready';
import { rehearse } from './rehearse';
import type { Scenario } from './scenario';
import { SCENARIO_VERSION } from './scenarioUpgrade';
import { addStretch, BUCKETS, traceFor } from './trace';
import { usesOf } from './uses';

const demo = (file: string): Station => demoStations().find((d) => d.file === file)!.station;
const told = (station: Station, inflow: Scenario['inflow']) =>
  inflowing(station, { ...readyScenarios(station)[0]!, inflow });

/** Water of a time by walking the steps, m³; tells too how many there were. */
function water(of: ReturnType<typeof inflowing>, length: number): { volume: number; steps: number } {
  let [t, volume, steps] = [0, 0, 0];
  while (t < length) {
    const { flow, until } = of(t);
    expect(until).toBeGreaterThan(t);
    const next = Math.min(until, length);
    volume += flow * (next - t);
    t = next;
    steps++;
  }
  return { volume, steps };
}

describe('inflow in steps', () => {
  it('a pattern of a day: twenty-four steps, and the water of its factors', () => {
    const station = demo('lodge-grinder-well.json');
    const { source, infiltration } = station.inflow;
    if (source.kind !== 'pattern') throw new Error('not a pattern');
    const { volume, steps } = water(told(station, { kind: 'survey', scale: 1 }), 86400);
    expect(steps).toBe(24);
    expect(volume).toBeCloseTo(
      source.factors.reduce((a, b) => a + b, 0) * source.mean * 3600 + infiltration * 86400,
      12,
    );
  });
  it('a storm keeps its water to the last drop, whatever its pieces: trapezoids by hand', () => {
    const station = demo('underpass-storm-sump.json');
    const { source } = station.inflow;
    if (source.kind !== 'storm') throw new Error('not a storm');
    const { rows, base } = source;
    const length = rows.at(-1)!.time + 3600;
    const trapezoids = rows
      .slice(1)
      .reduce((sum, r, i) => sum + ((r.flow + rows[i]!.flow) / 2) * (r.time - rows[i]!.time), 0);
    expect(water(told(station, { kind: 'survey', scale: 1 }), length).volume).toBeCloseTo(trapezoids + base * 3600, 9);
    expect(water(told(station, { kind: 'survey', scale: 1.5 }), length).volume).toBeCloseTo(
      1.5 * (trapezoids + base * 3600),
      9,
    );
  });
  it('before the first and after the last row of a storm its dry weather, until the first row and for good', () => {
    const station = demo('underpass-storm-sump.json');
    if (station.inflow.source.kind !== 'storm') throw new Error('not a storm');
    const { rows, base } = station.inflow.source;
    const later = {
      ...station,
      inflow: {
        ...station.inflow,
        source: { ...station.inflow.source, rows: rows.map((r) => ({ ...r, time: r.time + 600 })) },
      },
    };
    const of = told(later, { kind: 'survey', scale: 1 });
    const dry = base + station.inflow.infiltration;
    expect(of(0)).toEqual({ flow: expect.closeTo(dry, 12), until: 600 });
    expect(of(rows.at(-1)!.time + 600)).toEqual({ flow: expect.closeTo(dry, 12), until: Infinity });
    // Within, the mean of a piece is that of its straight line.
    const [a, b] = [rows[0]!, rows[1]!];
    const first = of(600);
    expect(first.flow).toBeCloseTo(
      Math.max(a.flow + ((b.flow - a.flow) * (first.until - 600)) / 2 / (b.time - a.time), base) +
        station.inflow.infiltration,
      12,
    );
  });
  it('fixtures run in their hours and not at night', () => {
    const of = told(demo('washroom-pit.json'), { kind: 'survey', scale: 1 });
    expect(of(3 * 3600).flow).toBe(0);
    const { volume } = water(of, 86400);
    const before = water(told(demo('washroom-pit.json'), { kind: 'survey', scale: 1 }), 3 * 3600).volume;
    expect([before, volume > 0]).toEqual([0, true]);
  });
  it('a fixture list comes as uses: as often as each is used, at its flow, the day’s water in all, and every day another', () => {
    const { source } = demo('washroom-pit.json').inflow;
    if (source.kind !== 'fixtures') throw new Error('fixtures');
    const litres = ({ times, flows }: ReturnType<typeof usesOf>) =>
      times.reduce((sum, t, i) => sum + flows[i]! * ((times[i + 1] ?? 86400) - t), 0);
    const daily = source.uses.reduce((sum, u) => sum + u.volume * u.perDay, 0);
    for (const day of [0, 1, 30]) expect(litres(usesOf(source, day)) / daily).toBeCloseTo(1, 6);
    expect(usesOf(source, 3)).toEqual(usesOf(source, 3));
    expect([...usesOf(source, 3).times]).not.toEqual([...usesOf(source, 4).times]);
    // Never more at once than there are.
    const most = source.uses.reduce((sum, u) => sum + u.flow * u.atOnce, 0);
    expect(Math.max(...usesOf(source, 5).flows)).toBeLessThanOrEqual(most * (1 + 1e-9));
    const hours = [...usesOf(source, 5).times].slice(1).map((t) => t / 3600);
    expect(Math.min(...hours)).toBeGreaterThanOrEqual(12 - source.hours / 2);
  });
  it('rows begin at their time, end at the next, and come again after their period', () => {
    const of = told(newStation('a', 'b', 'metric-230'), {
      kind: 'steps',
      rows: [
        { time: 10, flow: 1 },
        { time: 20, flow: 2 },
      ],
      repeatEvery: 100,
    });
    expect([of(0), of(10), of(25), of(100), of(215)]).toEqual([
      { flow: 0, until: 10 },
      { flow: 1, until: 20 },
      { flow: 2, until: 100 },
      { flow: 0, until: 110 },
      { flow: 1, until: 220 },
    ]);
    const last = told(newStation('a', 'b', 'metric-230'), {
      kind: 'steps',
      rows: [{ time: 0, flow: 3 }],
      repeatEvery: null,
    });
    expect(last(1e6)).toEqual({ flow: 3, until: Infinity });
  });
});

describe('what a set of pumps delivers', () => {
  it('straight lines between volumes agree with the solved pipe to a ten-thousandth', () => {
    for (const file of ['workshop-sump.json', 'underpass-storm-sump.json', 'lodge-grinder-well.json']) {
      const station = demo(file);
      const vessel = vesselOf(station.vessel);
      const top = vessel.volume(station.vessel.overflow);
      const { at } = hydraulicsOf(station);
      const both = station.pumps.length;
      const { volumes, flows, unsure } = deliveries(station, vessel, top)((1 << both) - 1);
      expect(unsure).toBe(false);
      fc.assert(
        fc.property(fc.double({ min: 0.05, max: 0.99, noNaN: true }), (share) => {
          const v = share * top;
          const i = volumes.findIndex((x) => x >= v);
          const between =
            flows[i - 1]! + ((flows[i]! - flows[i - 1]!) * (v - volumes[i - 1]!)) / (volumes[i]! - volumes[i - 1]!);
          const exact = at(vessel.height(v), both);
          if (!exact.ok) throw new Error(file);
          expect(between / exact.flow).toBeCloseTo(1, 4);
        }),
        { numRuns: 20 },
      );
    }
  });
  it('the second pump alone is its own pump, not the first', () => {
    const station = demo('underpass-storm-sump.json');
    const weak: Station = {
      ...station,
      pumps: [
        station.pumps[0]!,
        { ...station.pumps[1]!, name: 'weak', curve: station.pumps[1]!.curve.map((p) => ({ ...p, flow: p.flow / 2 })) },
      ],
    };
    const vessel = vesselOf(weak.vessel);
    const of = deliveries(weak, vessel, vessel.volume(weak.vessel.overflow));
    expect(of(0b10).flows[40]!).toBeLessThan(0.7 * of(0b01).flows[40]!);
    expect(of(0b11).flows[40]!).toBeGreaterThan(of(0b01).flows[40]!);
    expect(Math.max(...of(0).flows)).toBe(0);
    expect(of(0b11)).toBe(of(0b11));
  });
  it('pumps that cannot lift at all deliver nothing, and it is known as unsure', () => {
    const station = demo('workshop-sump.json');
    const high: Station = { ...station, discharge: { ...station.discharge, outlet: 60 } };
    const vessel = vesselOf(high.vessel);
    const none = deliveries(high, vessel, 0.5)(1);
    expect({ unsure: none.unsure, most: Math.max(...none.flows) }).toEqual({ unsure: true, most: 0 });
  });
});

describe('the panel as a machine', () => {
  const duplex = () => {
    const station = demo('underpass-storm-sump.json');
    const made = panelOf(station);
    if (!made.ok) throw new Error('does not fit');
    return panelMachine(wire(station, made.panel));
  };
  it('a combination that was met is the same again, and steps are looked up', () => {
    const { first, after } = duplex();
    const up = after(first, 'S-stop', 'up');
    expect(after(first, 'S-stop', 'up')).toBe(up);
    expect(after(up, 'S-stop', 'down')).toBe(first);
    expect(after(first, 'S-stop', 'down')).toBe(first);
  });
  it('tells which pumps run as bits, and whose turn it is next', () => {
    const { first, after } = duplex();
    const rise = (n: typeof first) => after(after(n, 'S-stop', 'up'), 'S-lead', 'up');
    const fall = (n: typeof first) => after(after(n, 'S-lead', 'down'), 'S-stop', 'down');
    const one = rise(first);
    const two = rise(fall(one));
    expect([one.running, after(one, 'S-lag', 'up').running, two.running, rise(fall(two)).running]).toEqual([
      0b01, 0b11, 0b10, 0b01,
    ]);
    expect(rise(fall(two))).toBe(one);
  });
  it('names the timers that wait, and for how long', () => {
    const station = demo('sand-bed-dosing-tank.json');
    const made = panelOf(station);
    if (!made.ok || station.duty.kind !== 'dose') throw new Error('does not fit');
    const { first, after } = panelMachine(wire(station, made.panel));
    expect(first.waiting).toEqual([]);
    const wet = after(after(first, 'S-low', 'up'), 'S-pump', 'up');
    expect(wet.waiting).toEqual([{ device: 'T2', from: 'resting', to: 'running', after: station.duty.off }]);
    expect(after(wet, 'T2', 'running').waiting).toEqual([
      { device: 'T2', from: 'running', to: 'resting', after: station.duty.on },
    ]);
    expect(after(wet, 'S-peak', 'up').waiting).toEqual([
      { device: 'T3', from: 'resting', to: 'running', after: station.duty.peakOff },
    ]);
  });
});

describe('the trace', () => {
  const lanes = [
    { id: 'M1', kind: 'pump', label: 'pump 1' },
    { id: 'alarm', kind: 'alarm', label: 'alarm' },
  ] as const;
  /** A stretch whose water goes straight from one volume to another. */
  const straight = (from: number, to: number, v0: number, v1: number, on: number, inflow = 0.002) => ({
    from,
    to,
    v0,
    v1,
    on,
    inflow,
    at: (t: number) => v0 + ((v1 - v0) * (t - from)) / (to - from),
  });

  it('keeps least and greatest of every stretch, and shares that add up to the time', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.tuple(
            fc.double({ min: 0.001, max: 900, noNaN: true }),
            fc.double({ min: 0, max: 5, noNaN: true }),
            fc.boolean(),
          ),
          { minLength: 1, maxLength: 60 },
        ),
        (stretches) => {
          const length = stretches.reduce((sum, [time]) => sum + time, 0);
          const trace = traceFor(0, length, lanes);
          let [t, v, on] = [0, 1, 0];
          for (const [time, to, runs] of stretches) {
            addStretch(trace, straight(t, t + time, v, to, runs ? 0b11 : 0));
            [t, v, on] = [t + time, to, on + (runs ? time : 0)];
          }
          const sum = (a: Float64Array) => a.reduce((x, y) => x + y, 0) * trace.step;
          for (const { share } of trace.lanes) expect(sum(share)).toBeCloseTo(on, 5);
          expect(sum(trace.inflow)).toBeCloseTo(0.002 * length, 5);
          const ends = [1, ...stretches.map(([, to]) => to)];
          expect(Math.min(...trace.least)).toBeCloseTo(Math.min(...ends), 9);
          expect(Math.max(...trace.greatest)).toBeCloseTo(Math.max(...ends), 8);
        },
      ),
      { numRuns: 60 },
    );
  });
  it('a peak shorter than a bucket is not lost', () => {
    const trace = traceFor(0, 1440 * 60, lanes);
    addStretch(trace, straight(0, 600, 1, 1, 0));
    addStretch(trace, straight(600, 600.5, 1, 4, 0));
    addStretch(trace, straight(600.5, 601, 4, 1, 0));
    addStretch(trace, straight(601, 1440 * 60, 1, 1, 0));
    expect(trace.greatest[10]).toBe(4);
    expect(trace.greatest[11]).toBe(1);
    expect(trace.least.length).toBe(BUCKETS);
  });
  it('a curve within a stretch is drawn as a curve, and what lies outside is left out', () => {
    const trace = traceFor(100, 200, lanes);
    addStretch(trace, {
      from: 0,
      to: 300,
      v0: 0,
      v1: 1 - Math.exp(-3),
      on: 1,
      inflow: 0.001,
      at: (t) => 1 - Math.exp(-t / 100),
    });
    const middle = BUCKETS / 2;
    expect(trace.least[middle]).toBeCloseTo(1 - Math.exp(-1.5), 9);
    expect([trace.least[0], trace.greatest.at(-1)]).toEqual([
      expect.closeTo(1 - Math.exp(-1), 9),
      expect.closeTo(1 - Math.exp(-2), 9),
    ]);
    expect(Math.min(...trace.lanes[0]!.share)).toBeCloseTo(1, 9);
    expect(Math.max(...trace.lanes[0]!.share)).toBeCloseTo(1, 9);
    expect(Math.max(...trace.lanes[1]!.share)).toBe(0);
    addStretch(trace, straight(201, 260, 0, 9, 0b11));
    expect(Math.max(...trace.greatest)).toBeLessThan(1);
  });
});

describe('what the water does by itself', () => {
  const scenario = (s: Station, over: Partial<Scenario> = {}): Scenario => ({
    format: 'pit-bell/scenario',
    version: SCENARIO_VERSION,
    name: 'x',
    duty: s.duty.kind,
    duration: 6 * 3600,
    startLevel: null,
    inflow: { kind: 'steps', rows: [{ time: 0, flow: 5e-4 }], repeatEvery: null },
    powerCuts: [],
    operations: [],
    faults: [],
    responseTime: null,
    motorProtection: { lockedRotor: 10, dryRunning: 600, cooling: 900 },
    ...over,
  });
  const go = (s: Station, over: Partial<Scenario> = {}) => {
    const answer = rehearse(s, scenario(s, over));
    if (!answer.ok) throw new Error(JSON.stringify(answer));
    expect(Math.abs(answer.run.balance.residue)).toBeLessThan(1e-6);
    return answer.run;
  };
  const sump = newStation('a', 'b', 'metric-230');

  it('an outlet under the water empties the pit down to the intake, and the pump is never called', () => {
    const s: Station = { ...sump, discharge: { ...sump.discharge, outlet: -3, weepHole: null } };
    const run = go(s, { startLevel: 0.55 });
    expect(run.pumps[0]!.starts).toBe(0);
    expect(run.balance.still).toBeGreaterThan(5e-4 * 6 * 3600);
    expect(run.lowestLevel).toBeCloseTo(s.pumps[0]!.intake, 3);
  });
  it('a siphon pulls on after the stop until air breaks it; with a vent it does not', () => {
    const over = (vented: boolean): Station => ({
      ...sump,
      discharge: {
        ...sump.discharge,
        outlet: -2,
        weepHole: null,
        highPoint: { height: 2, along: 3, vented },
      },
    });
    const [pulls, stands] = [go(over(false)), go(over(true))];
    expect(pulls.balance.still).toBeGreaterThan(0);
    expect(pulls.events.some((e) => /air breaks the siphon/.test(sayPhrase(e.sentence, 'metric')))).toBe(true);
    expect(pulls.pumps[0]!.starts).toBeLessThan(stands.pumps[0]!.starts);
    expect(stands.balance.still).toBe(0);
    // The cycle of the level rules is the same.
    const context = levelContext(over(false));
    const cycle = cycleAt(context, 5e-4);
    if (!cycle.ok) throw new Error('cycle');
    expect(Math.abs(pulls.pumps[0]!.starts - (6 * 3600) / cycle.cycle)).toBeLessThanOrEqual(1);
  });
  it('a tank that is filled from below without a check valve runs back, and the pump starts again and again', () => {
    const tank = demo('workshop-header-tank.json');
    if (tank.duty.kind !== 'fill') throw new Error('fills');
    const below = (checked: boolean): Station => ({
      ...tank,
      duty: { ...tank.duty, drowned: true } as Station['duty'],
      discharge: { ...tank.discharge, outlet: 0.05, checkValve: checked ? tank.discharge.checkValve : null },
    });
    const idle = { inflow: { kind: 'steps' as const, rows: [{ time: 0, flow: 0 }], repeatEvery: null } };
    const [back, holds] = [go(below(false), idle), go(below(true), idle)];
    expect(back.balance.still).toBeLessThan(-0.01);
    expect(holds.balance.still).toBe(0);
    expect(back.pumps[0]!.starts).toBeGreaterThan(holds.pumps[0]!.starts);
  });
  it('a tank that is full at the beginning starts no pump', () => {
    const tank = demo('workshop-header-tank.json');
    const run = go(tank, {
      duration: 60,
      startLevel: levelContext(tank).stop + 0.01,
      inflow: { kind: 'steps', rows: [{ time: 0, flow: 0 }], repeatEvery: null },
    });
    expect([run.pumps[0]!.starts, run.events.filter((e) => e.kind === 'pump').length]).toEqual([0, 0]);
  });
  it('one check valve stuck open: the other pump runs longer for the same water', () => {
    const duplex = demo('underpass-storm-sump.json');
    const at = (faults: Scenario['faults']) => go(duplex, { faults, duration: 86400 });
    const [well, sick] = [at([]), at([{ from: 0, to: null, id: 'check-open-2' }])];
    const ran = (r: typeof well) => r.pumps[0]!.runTime / r.pumps[0]!.starts;
    expect(ran(sick)).toBeGreaterThan(1.3 * ran(well));
  });
  it('appliances that the cut-off stops shed each its own amount, over its own time', () => {
    const cold = demo('cold-store-condensate.json');
    if (cold.inflow.source.kind !== 'appliances') throw new Error('appliances');
    const list = cold.inflow.source.list.map((a, i) => ({
      ...a,
      after: i === 0 ? 4e-4 : 1e-4,
      over: i === 0 ? 1200 : null,
    }));
    const s: Station = { ...cold, inflow: { ...cold.inflow, source: { ...cold.inflow.source, list } } };
    const run = go(s, { faults: [{ from: 0, to: null, id: 'blocked' }], inflow: { kind: 'survey', scale: 1 } });
    const cut = run.events.find((e) => e.kind === 'interlock')!;
    const vessel = vesselOf(s.vessel);
    // All of it is in the reservoir, or over its rim.
    const after = list.reduce((sum, a) => sum + a.after, 0);
    const gained = vessel.volume(run.highestLevel) - vessel.volume(cut.level) + run.balance.overflow;
    expect(gained).toBeCloseTo(after, 6);
  });
  it('a weaker pump that runs beside a stronger one is held shut, told, and heats until its protector opens', () => {
    const duplex = demo('underpass-storm-sump.json');
    const weak = (share: number): Station => ({
      ...duplex,
      pumps: duplex.pumps.map((p, i) =>
        i === 1 ? { ...p, name: 'weak', curve: p.curve.map((c) => ({ ...c, head: c.head * share })) } : p,
      ),
    });
    const told = (share: number) =>
      go(weak(share), {
        startLevel: 1.6,
        duration: 1800,
        inflow: { kind: 'steps', rows: [{ time: 0, flow: 0.02 }], repeatEvery: null },
      })
        .events.filter((e) => /held shut|against a shut line/.test(sayPhrase(e.sentence, 'metric')))
        .map((e) => e.kind);
    expect(told(0.95)).toEqual([]);
    expect(told(0.18)).toContain('protection');
  });
});
