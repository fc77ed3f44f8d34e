import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { beyond, changesIn, median, spreadOf, trendOf } from './index';

/** Every cut into stretches of at least `least`, tried; the cheapest. */
function cheapest(values: readonly number[], penalty: number, least: number): number {
  const cost = (list: readonly number[]) => list.reduce((s, x) => s + Math.abs(x - median(list)), 0);
  const best: number[] = [-penalty];
  for (let t = 1; t <= values.length; t++)
    best[t] = Math.min(
      ...Array.from({ length: t }, (_, s) =>
        t - s >= least && Number.isFinite(best[s]) ? best[s]! + cost(values.slice(s, t)) + penalty : Infinity,
      ),
    );
  return best[values.length]!;
}

describe('changes in a row', () => {
  it('is the cheapest of all cuts', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: -20, max: 20 }), { minLength: 6, maxLength: 14 }),
        fc.integer({ min: 1, max: 30 }),
        (values, penalty) => {
          const cuts = [0, ...changesIn(values, penalty, 3), values.length];
          const cost = cuts.slice(1).reduce((sum, to, i) => {
            const part = values.slice(cuts[i], to);
            expect(part.length).toBeGreaterThanOrEqual(3);
            return sum + part.reduce((s, x) => s + Math.abs(x - median(part)), 0);
          }, 0);
          expect(cost + penalty * (cuts.length - 2)).toBeCloseTo(cheapest(values, penalty, 3), 9);
        },
      ),
      { numRuns: 300 },
    );
  });
  it('finds a step where it is, and is not moved by one wrong figure', () => {
    const row = [5, 5.1, 4.9, 5, 5.1, 8, 8.1, 7.9, 8, 8.1];
    expect(changesIn(row, 2)).toEqual([5]);
    expect(changesIn([...row.slice(0, 2), 40, ...row.slice(3)], 5)).toEqual([5]);
    expect(changesIn([5, 5.1, 4.9, 5, 5.1, 5], 2)).toEqual([]);
  });
});

describe('trend', () => {
  it('of six figures by hand: the median of fifteen slopes; Kendall’s S = 13, its deviation √(6·5·17/18)', () => {
    const points = [2, 4, 3, 6, 8, 9].map((y, x) => [x, y] as const);
    const trend = trendOf(points)!;
    // Slopes in order: -1, 0.5, 1, 1, 1.25, 1.33, 1.33, 1.4, 1.5, 1.5, 2, 2, 2, 2.5, 3: the eighth.
    expect(trend.slope).toBeCloseTo(1.4, 9);
    expect(trend.chance).toBeCloseTo(beyond(12 / Math.sqrt((6 * 5 * 17) / 18)), 9);
  });
  it('does not ask in which order the points come', () => {
    const points = [2, 4, 3, 6, 8, 9].map((y, x) => [x, y] as const);
    expect(trendOf(points.toReversed())).toEqual(trendOf(points));
  });
  it('is not moved by a figure that is far out, and says nothing of three', () => {
    const clean = Array.from({ length: 12 }, (_, x) => [x, 0.5 * x] as const);
    expect(trendOf(clean.map(([x, y], i) => [x, i === 5 ? 900 : y] as const))!.slope).toBeCloseTo(0.5, 9);
    expect(trendOf(clean.slice(0, 3))).toBeNull();
  });
  it('knows the normal distribution: 1.96 leaves 5 %', () => {
    expect([beyond(1.959964), beyond(0), beyond(-2.575829)]).toEqual([
      expect.closeTo(0.05, 5),
      expect.closeTo(1, 6),
      expect.closeTo(0.01, 5),
    ]);
  });
  it('middle and spread: of 1, 1, 2, 2, 4, 6, 9 the median is 2 and the median distance 1', () => {
    expect([median([4, 1, 9, 2, 6, 1, 2]), spreadOf([4, 1, 9, 2, 6, 1, 2])]).toEqual([2, 1.4826]);
  });
});
