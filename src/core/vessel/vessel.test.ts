import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { checkStation, newStation, type VesselDocument, type VesselShape } from '../station';
import { vesselOf } from './index';

const plain = (shape: VesselShape) => vesselOf({ shape, displacement: [] });

const size = fc.double({ min: 0.2, max: 8, noNaN: true });
const section = fc.oneof(
  fc.record({ kind: fc.constant('cylinder' as const), diameter: size, depth: size }),
  fc.record({ kind: fc.constant('box' as const), length: size, width: size, depth: size }),
);
const tableShape = fc
  .array(fc.record({ step: fc.double({ min: 0.05, max: 2, noNaN: true }), area: size }), {
    minLength: 2,
    maxLength: 12,
  })
  .map((steps): VesselShape => {
    let height = 0;
    return {
      kind: 'table',
      rows: steps.map(({ step, area }, i) => ({ height: i === 0 ? 0 : (height += step), area })),
    };
  });
const shapes: fc.Arbitrary<VesselShape> = fc.oneof(
  section,
  fc.record({ kind: fc.constant('frustum' as const), bottomDiameter: size, topDiameter: size, depth: size }),
  fc.record({ kind: fc.constant('lying' as const), diameter: size, length: size }),
  fc.record({ kind: fc.constant('stacked' as const), sections: fc.array(section, { minLength: 2, maxLength: 4 }) }),
  tableShape,
);
const depthOf = (shape: VesselShape) => plain(shape).depth;

/** A shape with a body in its upper half that takes up a tenth of the room there. */
const furnished = shapes.map((shape): Pick<VesselDocument, 'shape' | 'displacement'> => {
  const v = plain(shape);
  const [from, to] = [v.depth * 0.5, v.depth * 0.8];
  const least = Math.min(...Array.from({ length: 50 }, (_, i) => v.area(from + ((to - from) * i) / 49)));
  return { shape, displacement: [{ name: 'body', volume: least * (to - from) * 0.1, from, to }] };
});
const share = fc.double({ min: 0, max: 1, noNaN: true });

describe('by hand', () => {
  it('a cylinder of 1 m by 1 m holds π/4 m³', () => {
    const v = plain({ kind: 'cylinder', diameter: 1, depth: 1 });
    expect(v.capacity).toBeCloseTo(0.7853981633974483, 12);
    expect(v.volume(0.5)).toBeCloseTo(0.39269908169872414, 12);
  });
  it('a box of 2 × 3 × 1.5 m holds 9 m³, 1 m of water in it is 6 m³, and it is 3 m across', () => {
    const v = plain({ kind: 'box', length: 2, width: 3, depth: 1.5 });
    expect([v.capacity, v.volume(1), v.widthAt(0.3)]).toEqual([9, 6, 3]);
  });
  it('a bucket of 0.6 to 1.0 m, 1.2 m deep: V = π·h/12·(D² + D·d + d²) = 0.6158 m³', () => {
    const v = plain({ kind: 'frustum', bottomDiameter: 0.6, topDiameter: 1, depth: 1.2 });
    expect(v.capacity).toBeCloseTo((Math.PI * 1.2 * (0.36 + 0.6 + 1)) / 12, 12);
    expect(v.area(0.6)).toBeCloseTo((Math.PI / 4) * 0.64, 12);
    expect(v.widthAt(0.6)).toBeCloseTo(0.8, 12);
  });
  // Fractions of the area of a circle by depth: the circular-segment table of textbooks of mensuration (h/D = 0.1, 0.25, 0.5).
  it.each([
    [0.1, 0.05204],
    [0.25, 0.1955],
    [0.5, 0.5],
    [0.75, 0.8045],
  ])('a lying cylinder filled to %f of its diameter is %f full', (depth, full) => {
    const v = plain({ kind: 'lying', diameter: 2, length: 5 });
    expect(v.volume(2 * depth) / v.capacity).toBeCloseTo(full, 4);
  });
  it('a lying cylinder has no jump where the series for a trace of water ends', () => {
    const v = plain({ kind: 'lying', diameter: 2, length: 5 });
    const [below, above] = [v.volume(2e-4 * (1 - 1e-9)), v.volume(2e-4 * (1 + 1e-9))];
    expect((above - below) / below).toBeGreaterThan(0);
    expect((above - below) / below).toBeLessThan(1e-8);
  });
  it('a lying cylinder is widest at its middle and closes at floor and rim', () => {
    const v = plain({ kind: 'lying', diameter: 2, length: 5 });
    expect(v.area(1)).toBeCloseTo(10, 12);
    expect([v.area(0), v.area(2)]).toEqual([0, 0]);
  });
  it('equipment that stands on the floor of a lying tank takes its share of the room there: 1 m³ up to the middle of 7.854', () => {
    const v = vesselOf({
      shape: { kind: 'lying', diameter: 2, length: 5 },
      displacement: [{ name: 'pump', volume: 1, from: 0, to: 1 }],
    });
    const half = (Math.PI * 5) / 2;
    expect(v.volume(1)).toBeCloseTo(half - 1, 9);
    expect(v.volume(0.5)).toBeCloseTo(0.1955 * 2 * half * (1 - 1 / half), 3);
    expect(v.area(0.5)).toBeCloseTo(5 * Math.sqrt(3) * (1 - 1 / half), 9);
    expect(v.volume(1.5) - v.volume(1)).toBeCloseTo((0.8045 - 0.5) * 2 * half, 3);
    expect(v.height(v.volume(0.2))).toBeCloseTo(0.2, 8);
  });
  it('sections on one another add up: 1 m of 2 × 1 m under 0.5 m of 3 × 2 m', () => {
    const v = plain({
      kind: 'stacked',
      sections: [
        { kind: 'box', length: 2, width: 1, depth: 1 },
        { kind: 'box', length: 3, width: 2, depth: 0.5 },
      ],
    });
    expect(v.depth).toBe(1.5);
    expect(v.capacity).toBe(5);
    expect(v.volume(1.25)).toBeCloseTo(3.5, 12);
    expect(v.height(3.5)).toBeCloseTo(1.25, 12);
    expect([v.area(0.99), v.area(1)]).toEqual([2, 6]);
  });
  it('a table with straight lines between its rows: 1 m² at the floor, 3 m² at 2 m holds 4 m³, and 1.5 m³ below 1 m', () => {
    const v = plain({
      kind: 'table',
      rows: [
        { height: 0, area: 1 },
        { height: 2, area: 3 },
      ],
    });
    expect([v.capacity, v.volume(1), v.area(1)]).toEqual([4, 1.5, 2]);
  });
  it('a table of one area throughout is a box', () => {
    const t = plain({
      kind: 'table',
      rows: [
        { height: 0, area: 2 },
        { height: 0.7, area: 2 },
        { height: 1.5, area: 2 },
      ],
    });
    const b = plain({ kind: 'box', length: 2, width: 1, depth: 1.5 });
    for (const h of [0, 0.3, 0.7, 1.1, 1.5]) expect(t.volume(h)).toBeCloseTo(b.volume(h), 12);
  });
  it('equipment takes its volume away over its own height', () => {
    const v = vesselOf({
      shape: { kind: 'box', length: 1, width: 1, depth: 1 },
      displacement: [{ name: 'pump', volume: 0.1, from: 0.2, to: 0.6 }],
    });
    expect(v.volume(0.2)).toBeCloseTo(0.2, 12);
    expect(v.volume(0.4)).toBeCloseTo(0.35, 12);
    expect(v.volume(0.9)).toBeCloseTo(0.8, 12);
    expect(v.area(0.4)).toBeCloseTo(0.75, 12);
    expect(v.height(0.35)).toBeCloseTo(0.4, 9);
    expect(v.capacity).toBeCloseTo(0.9, 12);
  });
  it('holds to floor and rim outside them', () => {
    const v = plain({ kind: 'box', length: 1, width: 1, depth: 2 });
    expect([v.volume(-1), v.volume(3), v.height(9), v.height(-1)]).toEqual([0, 2, 2, 0]);
  });
});

describe('for every shape, empty or furnished', () => {
  const vessels = fc.oneof(
    shapes.map((shape) => ({ shape, displacement: [] })),
    furnished,
  );

  it('height and volume are inverse to each other, to 1e-9', () => {
    fc.assert(
      fc.property(vessels, share, (document, t) => {
        const v = vesselOf(document);
        expect(Math.abs(v.volume(v.height(t * v.capacity)) - t * v.capacity)).toBeLessThanOrEqual(1e-9 * v.capacity);
        if (t > 1e-3 && t < 0.999)
          expect(Math.abs(v.height(v.volume(t * v.depth)) - t * v.depth)).toBeLessThanOrEqual(1e-9 * v.depth);
      }),
      { numRuns: 300 },
    );
  });
  it('area is the slope of volume', () => {
    fc.assert(
      fc.property(vessels, fc.double({ min: 0.02, max: 0.98, noNaN: true }), (document, t) => {
        const v = vesselOf(document);
        const [h, step] = [t * v.depth, v.depth * 1e-6];
        fc.pre(v.breaks.every((b) => Math.abs(b - h) > 2 * step));
        expect((v.volume(h + step) - v.volume(h - step)) / (2 * step)).toBeCloseTo(v.area(h), 3);
      }),
    );
  });
  it('more height is more water', () => {
    fc.assert(
      fc.property(vessels, share, share, (document, a, b) => {
        const v = vesselOf(document);
        const [low, high] = [Math.min(a, b) * v.depth, Math.max(a, b) * v.depth];
        expect(v.volume(high)).toBeGreaterThanOrEqual(v.volume(low) - 1e-12 * v.capacity);
      }),
    );
  });
  it('is drawn from the floor to the rim, nowhere wider than a float has room', () => {
    fc.assert(
      fc.property(shapes, (shape) => {
        const v = plain(shape);
        expect(v.outline[0]!.height).toBe(0);
        expect(v.outline.at(-1)!.height).toBeCloseTo(depthOf(shape), 9);
        for (const [i, p] of v.outline.entries())
          if (i > 0) expect(p.height).toBeGreaterThanOrEqual(v.outline[i - 1]!.height - 1e-12);
      }),
    );
  });
});

describe('what is refused', () => {
  const problemsOf = (vessel: Partial<VesselDocument>) => {
    const s = newStation('a', 'b', 'metric-230');
    const checked = checkStation({ ...s, vessel: { ...s.vessel, ...vessel } });
    return checked.ok ? [] : checked.problems.map((p) => `${p.path}: ${p.message}`);
  };
  const rows = (...heights: number[]): VesselShape => ({
    kind: 'table',
    rows: heights.map((height) => ({ height, area: 0.5 })),
  });

  it.each<[string, Partial<VesselDocument>, RegExp]>([
    [
      'a table that does not begin at the floor',
      { shape: rows(0.1, 1.2) },
      /^vessel\.shape\.rows\.0\.height: .*first row is the floor/,
    ],
    [
      'a table that goes down again',
      { shape: rows(0, 0.8, 0.6, 1.3) },
      /^vessel\.shape\.rows\.2\.height: .*runs from the floor up/,
    ],
    [
      'one section',
      { shape: { kind: 'stacked', sections: [{ kind: 'cylinder', diameter: 1, depth: 2 }] } },
      /two sections or more/,
    ],
    [
      'a cone of no width',
      { shape: { kind: 'frustum', bottomDiameter: 0, topDiameter: 1, depth: 1.2 } },
      /the bottom diameter must be more than zero/,
    ],
    [
      'equipment upside down',
      { displacement: [{ name: 'pump', volume: 0.01, from: 0.5, to: 0.2 }] },
      /^vessel\.displacement\.0\.to: the head of pump must be above its foot/,
    ],
    [
      'equipment that stands out',
      { displacement: [{ name: 'pump', volume: 0.01, from: 0.5, to: 2 }] },
      /stands out of the vessel/,
    ],
    [
      'equipment that fills the vessel',
      { displacement: [{ name: 'pump', volume: 0.2, from: 0, to: 0.3 }] },
      /no room for water/,
    ],
    [
      'two that fill it together',
      {
        displacement: [
          { name: 'a', volume: 0.08, from: 0, to: 0.3 },
          { name: 'b', volume: 0.08, from: 0.1, to: 0.3 },
        ],
      },
      /no room for water/,
    ],
    [
      'an overflow above a lying cylinder',
      { shape: { kind: 'lying', diameter: 1.15, length: 3 }, overflow: 1.2 },
      /above the rim, which is 1150 mm/,
    ],
  ])('%s', (_, vessel, message) => expect(problemsOf(vessel).join('\n')).toMatch(new RegExp(message.source, 'm')));

  it('and every shape that is sound is taken', () => {
    const sound: VesselShape[] = [
      { kind: 'frustum', bottomDiameter: 0.8, topDiameter: 1, depth: 1.2 },
      { kind: 'lying', diameter: 1.2, length: 3 },
      {
        kind: 'stacked',
        sections: [
          { kind: 'cylinder', diameter: 0.8, depth: 0.5 },
          { kind: 'box', length: 1, width: 1, depth: 0.7 },
        ],
      },
      rows(0, 0.4, 1.2),
    ];
    for (const shape of sound) expect(problemsOf({ shape })).toEqual([]);
    expect(problemsOf({ displacement: [{ name: 'pump', volume: 0.02, from: 0, to: 0.3 }] })).toEqual([]);
  });
  it('equipment from the floor of a lying tank is taken while there is room for it: 1 m of 2 × 2 m holds π m³', () => {
    const lying = { kind: 'lying', diameter: 2, length: 2 } as const;
    const body = (volume: number) => ({ shape: lying, displacement: [{ name: 'pump', volume, from: 0, to: 1 }] });
    expect(problemsOf(body(3.1)).filter((p) => p.includes('no room'))).toEqual([]);
    expect(problemsOf(body(3.2)).join()).toMatch(/no room for water/);
  });
});
