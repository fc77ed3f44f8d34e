import { describe, expect, it } from 'vitest';
import { breakerCurve, overloadCurve, OVERLOAD_CLASSES, tripTime } from '.';

/** Tripping limits of overload relays at 7.2 times their setting from cold, and at 1.5 times from warm, s (IEC 60947-4-1, tables 2 and 3). */
const CLASSES = { 5: [0.5, 5, 120], 10: [4, 10, 240], 20: [6, 20, 480], 30: [9, 30, 720] } as const;

describe('how long a current flows before something opens', () => {
  it.each(OVERLOAD_CLASSES)('an overload relay of class %i keeps the limits of its class', (of) => {
    const { above, curve } = overloadCurve(10, of);
    const [least, most, warm] = CLASSES[of];
    const locked = tripTime(72, above, curve);
    expect([locked > least, locked <= most]).toEqual([true, true]);
    // At 1.05 times its setting never, at 1.2 within two hours; 1.5 from cold is later than from warm, and still within the half of an hour.
    expect(tripTime(10.5, above, curve)).toBe(Infinity);
    expect(tripTime(12, above, curve)).toBeLessThan(7200);
    expect(tripTime(15, above, curve)).toBeLessThan(4 * warm);
    expect(tripTime(15, above, curve)).toBeGreaterThan(locked);
  });
  it('a breaker carries 1.13 times its rating, opens at 1.45 within the hour, at 2.55 between one second and sixty, and at once where it is magnetic', () => {
    // IEC 60898-1, table 7, for ratings up to 32 A, and a breaker of type C, whose magnet acts at ten times at the latest.
    const { above, curve } = breakerCurve(16, 10);
    const at = (times: number) => tripTime(times * 16, above, curve);
    expect(at(1.13)).toBe(Infinity);
    expect(at(1.45)).toBeLessThan(3600);
    expect(at(2.55)).toBeGreaterThan(1);
    expect(at(2.55)).toBeLessThan(60);
    expect([at(9.99) > 0, at(10)]).toEqual([true, 0]);
  });
  it('a fuse carries 1.25 times its rating, and melts at 1.6 within the hour', () => {
    // IEC 60269-1, gG.
    const { above, curve } = breakerCurve(10, 10, 'fuse');
    expect(tripTime(12.5, above, curve)).toBe(Infinity);
    expect(tripTime(16, above, curve)).toBeLessThan(3600);
  });
  it('is quicker for more current, and doubles with the class', () => {
    const times = [1.3, 2, 4, 8].map((x) => tripTime(x, 1.15, { constant: 100, instant: Infinity }));
    expect([...times].sort((a, b) => b - a)).toEqual(times);
    // By hand: 100 s · ln(4 / (4 − 1.3225)).
    expect(times[1]).toBeCloseTo(40.14, 2);
    const [ten, twenty] = ([10, 20] as const).map((c) => overloadCurve(5, c));
    expect(tripTime(30, twenty!.above, twenty!.curve) / tripTime(30, ten!.above, ten!.curve)).toBeCloseTo(2, 9);
  });
});
