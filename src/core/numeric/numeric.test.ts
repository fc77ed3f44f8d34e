import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { brentRoot, goldenMinimum, integrate, monotoneCubic } from './index';

describe('brentRoot', () => {
  it('finds the root of the textbook cubic x³ − 2x − 5 (Wallis)', () => {
    expect(brentRoot((x) => x ** 3 - 2 * x - 5, 2, 3)).toBeCloseTo(2.0945514815423265, 11);
  });
  it('finds a root wherever it lies in the bracket', () => {
    fc.assert(fc.property(fc.double({ min: -5, max: 5, noNaN: true }), (r) => {
        expect(brentRoot((x) => Math.expm1(x - r) + (x - r) ** 3, -6, 6)).toBeCloseTo(r, 9);
      }),
    );
  });
  it('refuses a bracket without one', () => expect(() => brentRoot((x) => x * x + 1, -1, 1)).toThrow(RangeError));
});

describe('goldenMinimum', () => {
  it('finds the valley of a/x + b/(1 − x), which is at √a/(√a + √b)', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.1, max: 10, noNaN: true }), fc.double({ min: 0.1, max: 10, noNaN: true }), (a, b) => {
        const { x } = goldenMinimum((t) => a / t + b / (1 - t), 0, 1, 1e-7);
        expect(x).toBeCloseTo(Math.sqrt(a) / (Math.sqrt(a) + Math.sqrt(b)), 5);
      }),
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
    .array(fc.tuple(fc.double({ min: 0.05, max: 2, noNaN: true }), fc.double({ min: 0.05, max: 3, noNaN: true })), { minLength: 2, maxLength: 12 })
    .map((steps) => {
      let x = 0;
      let y = 50;
      return [[0, 50], ...steps.map(([dx, dy]) => [(x += dx), (y -= dy)])] as [number, number][];
    });

  it('passes through its points and never rises between falling ones', () => {
    fc.assert(
      fc.property(falling, (points) => {
        const curve = monotoneCubic(points.map((p) => p[0]), points.map((p) => p[1]));
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
