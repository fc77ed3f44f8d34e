import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Inflow } from '../station';
import { dailyVolume, daySurge, flowsOf, inflowAt, noneOf } from './index';

const of = (source: Inflow['source'], infiltration = 0): Inflow => ({ source, inletPipe: null, infiltration });
const day = Array.from({ length: 24 }, (_, h) => (h === 8 ? 6 : h >= 7 && h < 19 ? 1.5 : 0));

describe('low, design and peak, by hand', () => {
  it('steady: as surveyed, with what seeps in on a wet day', () => {
    expect(flowsOf(of({ kind: 'steady', low: 1e-4, design: 5e-4, peak: 1e-3 }, 2e-4))).toEqual({
      low: 1e-4,
      design: expect.closeTo(7e-4, 12),
      peak: expect.closeTo(1.2e-3, 12),
    });
  });
  it('pattern: the mean times its least, mean and greatest factor', () => {
    const { low, design, peak } = flowsOf(of({ kind: 'pattern', mean: 1e-4, factors: day }));
    expect([low, design, peak]).toEqual([1e-9, (1e-4 * (11 * 1.5 + 6)) / 24, 6e-4].map((x) => expect.closeTo(x, 12)));
    // Its least hour gives none: what stands for it is told as none.
    expect([low, design].map(noneOf)).toEqual([true, false]);
  });
  it('fixtures: the day’s water spread, over the hours of use, and all that may run at once', () => {
    const uses = [
      { name: 'closet', volume: 0.006, flow: 1.2e-3, perDay: 100, atOnce: 2 },
      { name: 'basin', volume: 0.002, flow: 1e-4, perDay: 200, atOnce: 3 },
    ];
    const { low, design, peak } = flowsOf(of({ kind: 'fixtures', hours: 10, uses }));
    expect([low, design, peak]).toEqual([1 / 86400, 1 / 36000, 2.4e-3 + 3e-4].map((x) => expect.closeTo(x, 12)));
  });
  it('storm: dry weather, the mean of its rows by trapezoids, its crest', () => {
    const rows = [
      { time: 0, flow: 1e-3 },
      { time: 600, flow: 5e-3 },
      { time: 1800, flow: 1e-3 },
    ];
    const { low, design, peak } = flowsOf(of({ kind: 'storm', base: 1e-3, rows }));
    expect([low, design, peak]).toEqual([1e-3, 3e-3, 5e-3].map((x) => expect.closeTo(x, 12)));
  });
  it('appliances: the least of them, and all together', () => {
    const list = [1e-6, 3e-6].map((rate, i) => ({ name: `a${i}`, rate, after: 1e-4, over: null }));
    expect(flowsOf(of({ kind: 'appliances', list }))).toEqual({ low: 1e-6, design: 4e-6, peak: 4e-6 });
  });
});

describe('through time', () => {
  it('a pattern keeps its hour, a storm runs straight between its rows and is dry weather outside', () => {
    const pattern = of({ kind: 'pattern', mean: 1e-4, factors: day });
    expect(inflowAt(pattern, 8.5 * 3600)).toBeCloseTo(6e-4, 12);
    expect(inflowAt(pattern, 32.5 * 3600)).toBeCloseTo(6e-4, 12);
    const storm = of({
      kind: 'storm',
      base: 1e-3,
      rows: [
        { time: 600, flow: 2e-3 },
        { time: 1200, flow: 4e-3 },
      ],
    });
    expect([0, 600, 900, 1200, 1201].map((t) => inflowAt(storm, t))).toEqual(
      [1e-3, 2e-3, 3e-3, 4e-3, 1e-3].map((x) => expect.closeTo(x, 12)),
    );
  });
  it('a day of it is its design flow for a day', () => {
    const pattern = of({ kind: 'pattern', mean: 1e-4, factors: day });
    const sum = Array.from({ length: 24 }, (_, h) => inflowAt(pattern, h * 3600 + 1) * 3600).reduce((a, b) => a + b, 0);
    expect(dailyVolume(pattern)).toBeCloseTo(sum, 9);
  });
});

describe('what gathers while a day comes faster than it is taken (Ripple’s mass curve)', () => {
  it('by hand: one hour of six times the mean, taken evenly', () => {
    const factors = Array.from({ length: 24 }, (_, h) => (h === 12 ? 24 : 0));
    const inflow = of({ kind: 'pattern', mean: 1e-4, factors });
    expect(daySurge(inflow, 1e-4 * 86400, 0, 1)).toBeCloseTo(24e-4 * 3600 - 1e-4 * 3600, 6);
  });
  it('counts a peak across midnight whole', () => {
    const at = (hours: readonly number[]) =>
      daySurge(
        of({
          kind: 'pattern',
          mean: 1e-4,
          factors: Array.from({ length: 24 }, (_, h) => (hours.includes(h) ? 12 : 0)),
        }),
        8.64,
        0,
        1,
      );
    expect(at([23, 0])).toBeCloseTo(at([11, 12]), 9);
  });
  it('of a steady inflow is its peak for as long as it lasts', () => {
    expect(daySurge(of({ kind: 'steady', low: 1e-4, design: 1e-4, peak: 5e-4 }), 8.64, 1800, 1)).toBeCloseTo(
      4e-4 * 1800,
      9,
    );
  });
  it('is nothing when it is taken as fast as it comes, and never less in a wetter day', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0, max: 5, noNaN: true }), { minLength: 24, maxLength: 24 }),
        fc.double({ min: 1, max: 3, noNaN: true }),
        (factors, wetter) => {
          const inflow = of({ kind: 'pattern', mean: 1e-4, factors });
          expect(daySurge(inflow, 6e-4 * 86400, 0, 1)).toBe(0);
          expect(daySurge(inflow, 8.64, 0, wetter)).toBeGreaterThanOrEqual(daySurge(inflow, 8.64, 0, 1));
        },
      ),
      { numRuns: 40 },
    );
  });
});
