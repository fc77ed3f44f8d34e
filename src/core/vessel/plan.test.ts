import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { VesselShape } from '../station';
import { vesselOf } from './index';

const of = (shape: VesselShape) => vesselOf({ shape, displacement: [] });

describe('the plan seen from above', () => {
  it.each<[string, VesselShape]>([
    ['a cylinder', { kind: 'cylinder', diameter: 0.9, depth: 1.4 }],
    ['a box', { kind: 'box', length: 1.2, width: 0.7, depth: 1.4 }],
    ['a frustum', { kind: 'frustum', bottomDiameter: 0.5, topDiameter: 1, depth: 1.4 }],
    ['a lying cylinder', { kind: 'lying', diameter: 1.4, length: 3 }],
    [
      'sections',
      {
        kind: 'stacked',
        sections: [
          { kind: 'cylinder', diameter: 0.6, depth: 0.5 },
          { kind: 'box', length: 1, width: 0.8, depth: 0.9 },
        ],
      },
    ],
    [
      'a table',
      {
        kind: 'table',
        rows: [
          { height: 0, area: 0.5 },
          { height: 0.8, area: 1 },
          { height: 1.4, area: 1.2 },
        ],
      },
    ],
  ])('of %s has the area that the water has there', (_, shape) => {
    const vessel = of(shape);
    fc.assert(
      fc.property(fc.double({ min: 0, max: 1.4, noNaN: true }), (h) => {
        const plan = vessel.planAt(h);
        const area = plan.kind === 'round' ? Math.PI * plan.radius ** 2 : plan.length * plan.width;
        expect(area).toBeCloseTo(vessel.area(h), 9);
      }),
    );
  });
  it('knows whether it is the same at every height, and is held to floor and rim', () => {
    expect([
      of({ kind: 'cylinder', diameter: 1, depth: 1 }).straight,
      of({ kind: 'frustum', bottomDiameter: 1, topDiameter: 1, depth: 1 }).straight,
    ]).toEqual([true, false]);
    const bucket = of({ kind: 'frustum', bottomDiameter: 0.5, topDiameter: 1, depth: 1 });
    expect([bucket.planAt(-3), bucket.planAt(9)]).toEqual([bucket.planAt(0), bucket.planAt(1)]);
  });
});
