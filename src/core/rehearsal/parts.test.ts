import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { demoStations } from '../demo';
import { hydraulicsOf } from '../hydraulics';
import { panelOf } from '../schemes';
import { newStation, type Station } from '../station';
import { vesselOf } from '../vessel';
import { wire } from '../wiring';
import { inflowing } from './inflow';
import { panelMachine } from './panelMachine';
import { deliveries } from './pumping';
import { readyScenarios } from './ready';
import type { Scenario } from './scenario';
import { addStretch, BUCKETS, traceFor } from './trace';

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
  it('fixtures run in their hours and not at night', () => {
    const of = told(demo('washroom-pit.json'), { kind: 'survey', scale: 1 });
    expect(of(3 * 3600).flow).toBe(0);
    expect(of(12 * 3600).flow).toBeGreaterThan(0);
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
          expect(Math.max(...trace.greatest)).toBeCloseTo(Math.max(...ends), 9);
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
