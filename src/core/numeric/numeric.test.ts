import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { brentRoot, goldenMinimum, integrate, monotoneCubic, randomFrom, wilson, type Random } from './index';

describe('brentRoot', () => {
  it('finds the root of the textbook cubic x³ − 2x − 5 (Wallis)', () => {
    expect(brentRoot((x) => x ** 3 - 2 * x - 5, 2, 3)).toBeCloseTo(2.0945514815423265, 11);
  });
  it('finds a root wherever it lies in the bracket', () => {
    fc.assert(
      fc.property(fc.double({ min: -5, max: 5, noNaN: true }), (r) => {
        expect(brentRoot((x) => Math.expm1(x - r) + (x - r) ** 3, -6, 6)).toBeCloseTo(r, 9);
      }),
    );
  });
  it('refuses a bracket without one', () => expect(() => brentRoot((x) => x * x + 1, -1, 1)).toThrow(RangeError));
});

describe('goldenMinimum', () => {
  it('finds the valley of a/x + b/(1 − x), which is at √a/(√a + √b)', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 10, noNaN: true }),
        fc.double({ min: 0.1, max: 10, noNaN: true }),
        (a, b) => {
          const { x } = goldenMinimum((t) => a / t + b / (1 - t), 0, 1, 1e-7);
          expect(x).toBeCloseTo(Math.sqrt(a) / (Math.sqrt(a) + Math.sqrt(b)), 5);
        },
      ),
    );
  });
});

describe('integrate', () => {
  it.each<[string, (x: number) => number, number, number, number]>([
    ['1/(1+x²) from 0 to 1 is π/4', (x) => 1 / (1 + x * x), 0, 1, Math.PI / 4],
    ['√x from 0 to 1 is 2/3', Math.sqrt, 0, 1, 2 / 3],
    ['1/(x − 0.999) from 1 to 2 is ln 1001', (x) => 1 / (x - 0.999), 1, 2, Math.log(1001)],
  ])('%s', (_, f, a, b, exact) => expect(integrate(f, a, b)).toBeCloseTo(exact, 7));
  it('changes sign with its ends', () => expect(integrate(Math.exp, 1, 0)).toBeCloseTo(1 - Math.E, 10));
});

describe('monotoneCubic', () => {
  const falling = fc
    .array(fc.tuple(fc.double({ min: 0.05, max: 2, noNaN: true }), fc.double({ min: 0.05, max: 3, noNaN: true })), {
      minLength: 2,
      maxLength: 12,
    })
    .map((steps) => {
      let x = 0;
      let y = 50;
      return [[0, 50], ...steps.map(([dx, dy]) => [(x += dx), (y -= dy)])] as [number, number][];
    });

  it('passes through its points and never rises between falling ones', () => {
    fc.assert(
      fc.property(falling, (points) => {
        const curve = monotoneCubic(
          points.map((p) => p[0]),
          points.map((p) => p[1]),
        );
        for (const [x, y] of points) expect(curve.at(x)).toBeCloseTo(y, 9);
        let before = Infinity;
        for (let i = 0; i <= 200; i++) {
          const y = curve.at(Math.min(curve.from + ((curve.to - curve.from) * i) / 200, curve.to));
          expect(y).toBeLessThanOrEqual(before + 1e-9);
          before = y;
        }
      }),
    );
  });
  it('is a straight line through two points', () => expect(monotoneCubic([0, 4], [10, 2]).at(1)).toBeCloseTo(8, 12));
  it('does not extrapolate', () => expect(() => monotoneCubic([0, 1], [1, 0]).at(1.01)).toThrow(RangeError));
  it('wants x to rise', () => expect(() => monotoneCubic([0, 0], [1, 0])).toThrow(RangeError));
});

describe('random numbers from a seed', () => {
  const draw = (n: number, of: (r: Random) => number, seed = 11) => {
    const random = randomFrom(seed);
    return Array.from({ length: n }, () => of(random));
  };
  const mean = (a: readonly number[]) => a.reduce((x, y) => x + y, 0) / a.length;
  it('come again for their seed, and not for another', () => {
    expect(draw(5, (r) => r.even())).toEqual(draw(5, (r) => r.even()));
    expect(draw(5, (r) => r.even(), 12)).not.toEqual(draw(5, (r) => r.even()));
  });
  it('are those of the generator that is named, from the seed 1', () =>
    expect(draw(3, (r) => r.even(), 1)).toEqual([0.6270739405881613, 0.002735721180215478, 0.5274470399599522]));
  it('are even, normal and as rare as they should be', () => {
    const even = draw(20000, (r) => r.even());
    expect(Math.min(...even)).toBeGreaterThanOrEqual(0);
    expect(Math.max(...even)).toBeLessThan(1);
    expect(mean(even)).toBeCloseTo(0.5, 1);
    const normal = draw(20000, (r) => r.normal());
    expect(mean(normal)).toBeCloseTo(0, 1);
    expect(Math.sqrt(mean(normal.map((x) => x * x)))).toBeCloseTo(1, 1);
    expect(normal.filter((x) => Math.abs(x) < 1.959964).length / 20000).toBeCloseTo(0.95, 1);
    expect(mean(draw(20000, (r) => r.wait(4)))).toBeCloseTo(0.25, 2);
    expect(draw(1, (r) => r.wait(0))).toEqual([Infinity]);
  });
});

describe('the interval of a chance', () => {
  it('is the textbook one: 10 of 100, and the rule of three for none', () => {
    const { low, high } = wilson(10, 100);
    expect([low, high]).toEqual([expect.closeTo(0.0552, 4), expect.closeTo(0.1744, 4)]);
    expect(wilson(0, 1000)).toEqual({ low: 0, high: expect.closeTo(0.00383, 5) });
    expect(wilson(50, 50).high).toBe(1);
  });
});
