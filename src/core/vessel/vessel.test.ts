import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { vesselOf } from './index';

const size = fc.double({ min: 0.1, max: 20, noNaN: true });
const share = fc.double({ min: 0, max: 1, noNaN: true });

describe('vessels', () => {
  it('a cylinder of 1 m by 1 m holds π/4 m³', () => {
    const v = vesselOf({ kind: 'cylinder', diameter: 1, depth: 1 });
    expect(v.capacity).toBeCloseTo(0.7853981633974483, 12);
    expect(v.volume(0.5)).toBeCloseTo(0.39269908169872414, 12);
  });
  it('a box of 2 × 3 × 1.5 m holds 9 m³, and 1 m of water in it is 6 m³', () => {
    const v = vesselOf({ kind: 'box', length: 2, width: 3, depth: 1.5 });
    expect(v.capacity).toBe(9);
    expect(v.volume(1)).toBe(6);
    expect(v.width).toBe(3);
  });
  it('height and volume are inverse to each other', () => {
    const shape = fc.oneof(
      fc.record({ kind: fc.constant('cylinder' as const), diameter: size, depth: size }),
      fc.record({ kind: fc.constant('box' as const), length: size, width: size, depth: size }),
    );
    fc.assert(
      fc.property(shape, share, (s, t) => {
        const v = vesselOf(s);
        expect(Math.abs(v.height(v.volume(t * s.depth)) - t * s.depth)).toBeLessThanOrEqual(1e-9 * s.depth);
        expect(Math.abs(v.volume(v.height(t * v.capacity)) - t * v.capacity)).toBeLessThanOrEqual(1e-9 * v.capacity);
      }),
    );
  });
  it('holds to floor and rim outside them', () => {
    const v = vesselOf({ kind: 'box', length: 1, width: 1, depth: 2 });
    expect(v.volume(-1)).toBe(0);
    expect(v.volume(3)).toBe(2);
    expect(v.height(9)).toBe(2);
  });
});
