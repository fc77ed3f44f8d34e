import { describe, expect, it } from 'vitest';
import { clock, marks } from './clock';

describe('a clock of a rehearsal', () => {
  it.each([
    [0, 1, '00:00:00'],
    [3661, 1, '01:01:01'],
    [59.6, 1, '00:01:00'],
    [86400 + 7200, 3600, '1 d 02:00'],
    [399.859, 0.002, '00:06:39.859'],
    [399.86, 0.1, '00:06:39.9'],
    [59.9999, 0.1, '00:01:00.0'],
    [86399.9, 1, '1 d 00:00:00'],
    [90 * 86400, 30 * 86400, '90 d'],
  ])('%d s to %d s is %s', (time, finest, says) => expect(clock(time, finest)).toBe(says));

  it('marks stand at whole steps within what is shown, few enough to be read', () => {
    for (const [from, to] of [
      [0, 86400],
      [0, 365 * 86400],
      [549.4, 550.7],
      [3599, 7201],
      [0, 10 * 365 * 86400],
    ] as const) {
      const { step, at } = marks(from, to);
      expect(at.length).toBeGreaterThan(0);
      expect(at.length).toBeLessThanOrEqual(11);
      for (const t of at) {
        expect(t).toBeGreaterThanOrEqual(from - 1e-6);
        expect(t).toBeLessThanOrEqual(to + 1e-6);
        expect(Math.abs(t / step - Math.round(t / step))).toBeLessThan(1e-6);
      }
    }
    expect(marks(0, 86400).step).toBe(3 * 3600);
  });
});
