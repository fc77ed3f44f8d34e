import { describe, expect, it } from 'vitest';
import { demoStations } from '../../demo';
import { levelContext, type LevelContext } from '../../levels';
import type { Shape } from './shape';
import { layoutOf } from './layout';
import { tapeShapes } from './tapeShapes';
import { wallShapes } from './vesselShapes';

const demo = (file: string) => demoStations().find((d) => d.file === `${file}.json`)!.station;
const INCH = 0.0254;
type Text = Extract<Shape, { type: 'text' }>;
const texts = (shapes: readonly Shape[], role: string) =>
  shapes.filter((s): s is Text => s.type === 'text' && s.role === role);
/** Where a shape of straight lines begins and ends, upwards and sideways. */
const box = (s: Shape) => {
  const points = s.type === 'path' ? [...s.d.matchAll(/[ML](-?[\d.]+) (-?[\d.]+)/g)] : [];
  const [xs, ys] = [points.map((p) => Number(p[1])), points.map((p) => Number(p[2]))];
  return { left: Math.min(...xs), right: Math.max(...xs), top: Math.min(...ys), bottom: Math.max(...ys) };
};
const layoutFor = (context: LevelContext, width: number, height: number) => layoutOf(context, width, height, 'full');

describe('the tape in the shaft', () => {
  it.each(demoStations().map((d) => [d.file, d.station] as const))(
    'of %s: every number stands at its height, from the rim on the left, from the floor on the right',
    (_, station) => {
      const context = levelContext(station);
      for (const size of [
        { width: 380, height: 700 },
        { width: 900, height: 1400 },
      ]) {
        const layout = layoutFor(context, size.width, size.height);
        const shapes = tapeShapes(layout, context.vessel.depth, 'metric');
        const numbers = texts(shapes, 'tape-text');
        const [left, right] = [
          numbers.filter((t) => t.x < layout.tape!.x),
          numbers.filter((t) => t.x > layout.tape!.x),
        ];
        expect(left.length).toBeGreaterThan(1);
        expect(right.length).toBe(left.length);
        for (const t of left) expect(t.y - 4).toBeCloseTo(layout.rim + (Number(t.text) / 1000) * layout.scale, 0);
        for (const t of right) expect(t.y - 4).toBeCloseTo(layout.yOf(Number(t.text) / 1000), 0);
        // Numbers are in equal steps, and far enough apart to be read.
        const steps = left.slice(1).map((t, i) => t.y - left[i]!.y);
        for (const s of steps) {
          expect(s).toBeCloseTo(steps[0]!, 1);
          expect(s).toBeGreaterThanOrEqual(29.98);
        }
        expect(left[0]!.text).toBe('0');
        expect(Number(left.at(-1)!.text) / 1000).toBeLessThanOrEqual(context.vessel.depth + 1e-9);
      }
    },
  );
  it('divides each step into as many parts as a real one: 200 mm into four, 500 mm and 1 m into five, a foot into four', () => {
    for (const [system, wanted] of [
      ['metric', { 0.05: 5, 0.1: 5, 0.2: 4, 0.5: 5, 1: 5, 2: 4 }],
      ['us', { [2 * INCH]: 4, [4 * INCH]: 4, [6 * INCH]: 6, [12 * INCH]: 4, [24 * INCH]: 4, [60 * INCH]: 5 }],
    ] as const) {
      for (const [major, parts] of Object.entries(wanted)) {
        const context = levelContext(demo('underpass-storm-sump'));
        const layout = layoutFor(context, 500, 800);
        // A scale at which just this step has room for its number.
        const scale = 30 / Number(major) + 1e-9;
        const depth = Number(major) * 3;
        const made = tapeShapes({ ...layout, scale, floor: layout.rim + depth * scale }, depth, system);
        const ticks = made.filter((s) => s.role === 'tick').map(box);
        const own = ticks.filter((t) => Math.abs(t.left - layout.tape!.x) < 0.01);
        const long = own.filter((t) => t.right - t.left > layout.tape!.width * 0.9);
        expect([system, major, own.length, long.length]).toEqual([system, major, 3 * parts + 1, 4]);
      }
    }
  });
  it('is not drawn where there is no room for it', () => {
    const context = levelContext(demo('workshop-sump'));
    const layout = layoutFor(context, 120, 120);
    expect(tapeShapes({ ...layout, tape: null }, 1, 'metric')).toEqual([]);
  });
});

describe('the walls of the shaft', () => {
  it.each(demoStations().map((d) => [d.file, d.station] as const))(
    'of %s: the overflow leaves at its height on the right, the inlet comes in at its invert on the left, the ground is at the rim',
    (_, station) => {
      const context = levelContext(station);
      const layout = layoutFor(context, 420, 760);
      const shapes = wallShapes(layout, context);
      const pipes = shapes.filter((s) => s.role === 'pipe').map(box);
      const fills = station.duty.kind === 'fill';
      expect(pipes).toHaveLength(fills ? 1 : 2);
      const over = pipes.at(-1)!;
      expect(over.bottom - 2).toBeCloseTo(layout.yOf(station.vessel.overflow), 1);
      expect(over.right).toBeGreaterThan(layout.sidesAt(station.vessel.overflow).right + layout.wall);
      if (!fills) {
        const inlet = pipes[0]!;
        // Its lowest line is the invert, and it does not stand over the rim.
        expect(inlet.bottom).toBeCloseTo(layout.yOf(station.vessel.inletInvert), 1);
        expect(inlet.top).toBeGreaterThanOrEqual(layout.rim - 0.01);
        expect(inlet.bottom - inlet.top).toBeGreaterThanOrEqual(2.98);
        expect(inlet.right).toBeCloseTo(layout.sidesAt(station.vessel.inletInvert).left + 4, 1);
        expect(inlet.left).toBeLessThan(layout.sidesAt(station.vessel.inletInvert).left - layout.wall);
      }
      const ground = shapes.filter((s) => s.role === 'ground').map(box);
      expect(ground).toHaveLength(2);
      for (const g of ground) for (const y of [g.top, g.bottom]) expect(y).toBeCloseTo(layout.rim + 2, 1);
      const top = layout.sidesAt(context.vessel.depth);
      expect(ground[0]!.right).toBeCloseTo(top.left - layout.wall, 1);
      expect(ground[1]!.left).toBeCloseTo(top.right + layout.wall, 1);
      // The wall ends at the floor, and goes up to the rim on both sides.
      const wall = box(shapes.find((s) => s.role === 'wall')!);
      expect(wall.bottom).toBeCloseTo(layout.floor, 1);
      expect(wall.top).toBeCloseTo(layout.rim, 1);
      const inside = box(shapes.find((s) => s.role === 'inside')!);
      expect([inside.left, inside.right]).toEqual([wall.left, wall.right]);
      expect(shapes.filter((s) => s.role === 'break')).toHaveLength(Number(layout.cut) + Number(layout.cutLeft));
    },
  );
  it('an inlet close under the rim is drawn no higher than the rim', () => {
    const station = demo('workshop-sump');
    const context = levelContext({ ...station, vessel: { ...station.vessel, inletInvert: 1.39 } });
    const layout = layoutFor(context, 420, 760);
    const inlet = box(wallShapes(layout, context).find((s) => s.role === 'pipe')!);
    expect(inlet.bottom - inlet.top).toBeCloseTo(3, 1);
  });
  it('is to one scale whatever the size that it is given', () => {
    const context = levelContext(demo('underpass-storm-sump'));
    for (const width of [300, 500, 900]) {
      const layout = layoutFor(context, width, 800);
      expect((layout.floor - layout.rim) / context.vessel.depth).toBeCloseTo(layout.scale, 9);
    }
  });
});
