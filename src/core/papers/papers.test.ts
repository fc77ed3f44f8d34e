import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { demoStations } from '../demo';
import { judge, levelContext } from '../levels';
import { newStation, type Station } from '../station';
import { doorCard, shaftScene, type ShaftScene } from './index';

const scene = (s: Station, over: Partial<Parameters<typeof shaftScene>[1]> = {}) =>
  shaftScene(levelContext(s), { width: 640, height: 600, detail: 'full', system: 'metric', level: 0.5, ...over });
const texts = (s: ShaftScene) => s.groups.flatMap((g) => g.shapes.flatMap((x) => (x.type === 'text' ? [x.text] : [])));
const group = (s: ShaftScene, part: string) => s.groups.find((g) => g.part === part)!;
const points = (d: string) =>
  [...d.matchAll(/[ML](-?[\d.]+) (-?[\d.]+)/g)].map((m) => [Number(m[1]), Number(m[2])] as const);

describe('the shaft', () => {
  it('is to one scale both ways, and its levels and pixels are inverse', () => {
    const { layout } = scene(newStation('a', 'b', 'metric-230'));
    expect(layout.right - layout.left).toBeCloseTo(0.8 * layout.scale, 6);
    expect(layout.floor - layout.rim).toBeCloseTo(1.2 * layout.scale, 6);
    fc.assert(
      fc.property(fc.double({ min: 0, max: 1.2, noNaN: true }), (level) => {
        expect(layout.levelOf(layout.yOf(level))).toBeCloseTo(level, 9);
      }),
    );
  });

  it('keeps within its frame at any size, for every demo station', () => {
    for (const { station } of demoStations()) {
      for (const [width, height] of [
        [340, 640],
        [620, 660],
        [900, 400],
      ] as const) {
        const { layout } = scene(station, { width, height });
        expect(layout.rim).toBeGreaterThan(20);
        expect(layout.floor).toBeLessThan(height);
        expect(layout.left).toBeGreaterThan(60);
        expect(layout.right).toBeLessThan(width - 60);
      }
    }
  });

  it('cuts a vessel that is too wide to be drawn whole', () => {
    const wide = newStation('a', 'b', 'metric-230');
    wide.vessel.shape = { kind: 'box', length: 8, width: 1, depth: 1.2 };
    expect(scene(wide).layout.cut).toBe(true);
    expect(scene(newStation('a', 'b', 'metric-230')).layout.cut).toBe(false);
  });

  it('draws each shape with its own walls: wider at the rim of a bucket, closed at the floor of a lying cylinder, a step at a joint', () => {
    const withShape = (shape: Station['vessel']['shape']) => {
      const s = newStation('a', 'b', 'metric-230');
      s.vessel.shape = shape;
      const { layout } = scene(s);
      return (level: number) => (layout.sidesAt(level).right - layout.sidesAt(level).left) / layout.scale;
    };
    const bucket = withShape({ kind: 'frustum', bottomDiameter: 0.4, topDiameter: 0.8, depth: 1.2 });
    expect([bucket(0), bucket(0.6), bucket(1.2)].map((x) => Number(x.toFixed(6)))).toEqual([0.4, 0.6, 0.8]);
    const lying = withShape({ kind: 'lying', diameter: 1.2, length: 3 });
    expect(lying(0)).toBeCloseTo(0, 6);
    const stacked = withShape({
      kind: 'stacked',
      sections: [
        { kind: 'cylinder', diameter: 0.5, depth: 0.6 },
        { kind: 'cylinder', diameter: 0.8, depth: 0.6 },
      ],
    });
    expect([stacked(0.59), stacked(0.6), stacked(1.1)].map((x) => Number(x.toFixed(6)))).toEqual([0.5, 0.8, 0.8]);
  });

  it('leans a float as it would lean: up from its clip at its rise trip, level half way', () => {
    const s = newStation('a', 'b', 'metric-230');
    const lozenge = (level: number) => {
      const shape = group(scene(s, { level }), 'float:pump').shapes.find((x) => x.role === 'float')!;
      return shape.type === 'path' ? points(shape.d) : [];
    };
    const [near, , , far] = lozenge(0.45);
    expect(near![1]).toBeCloseTo(far![1], 1);
    const [low, , , high] = lozenge(0.45 + 0.2 * Math.SQRT1_2);
    expect(low![1] - high![1]).toBeCloseTo(high![0] - low![0], 1);
  });

  it('shows a closed contact as a filled eye', () => {
    const s = newStation('a', 'b', 'metric-230');
    const roles = (level: number) => group(scene(s, { level }), 'float:pump').shapes.map((x) => x.role);
    expect(roles(0.7)).toContain('eye-closed');
    expect(roles(0.3)).toContain('eye-open');
  });

  it('marks the tape both ways and names each level with its height', () => {
    const words = texts(scene(newStation('a', 'b', 'metric-230')));
    expect(words).toEqual(
      expect.arrayContaining(['rim down', 'floor up', 'start', '591 mm', 'stop', '309 mm', 'alarm', '776 mm']),
    );
    expect(texts(scene(newStation('a', 'b', 'us-120'), { system: 'us' }))).toEqual(
      expect.arrayContaining([`2' 7 1/16"`, `4'`]),
    );
  });

  it('keeps level labels apart', () => {
    const s = newStation('a', 'b', 'metric-230');
    s.vessel.inletInvert = 0.775;
    s.vessel.overflow = 0.78;
    const ys = scene(s)
      .groups.filter((g) => g.part?.startsWith('level:'))
      .flatMap((g) => g.shapes.flatMap((x) => (x.type === 'text' && x.role === 'level-text' ? [x.y] : [])))
      .sort((a, b) => a - b);
    for (let i = 1; i < ys.length; i++) expect(ys[i]! - ys[i - 1]!).toBeGreaterThanOrEqual(26.9);
  });

  it('says nothing in a thumbnail', () =>
    expect(texts(scene(newStation('a', 'b', 'metric-230'), { detail: 'thumb', width: 200, height: 320 }))).toEqual([]));
});

describe('the door card', () => {
  it('says levels both ways, what the alarm means, whom to call, and of which revision it is true', () => {
    const s = demoStations()[0]!.station;
    const card = doorCard(judge(s), 7, '24 November 2026', 'metric', '3 of 60 figures are assumed');
    expect(card.revision).toBe('revision 7');
    expect(card.rests).toBe('3 of 60 figures are assumed');
    expect(card.levels.map((l) => l.name)).toEqual(['overflow', 'alarm', 'start', 'stop']);
    expect(card.levels[0]).toMatchObject({ rimDown: '50 mm', floorUp: '1350 mm' });
    expect(card.contact).toContain('harbour office');
    expect(card.alarm.join(' ')).toMatch(/from the first alarm to the overflow/i);
  });
  it('says it plainly where there is no alarm and no number', () => {
    const s = newStation('a', 'b', 'metric-230');
    s.sensors = s.sensors.filter((x) => x.role === 'pump');
    const card = doorCard(judge(s), 1, 'today', 'metric', '');
    expect(card.contact).toBe('no number is set');
    expect(card.alarm.join(' ')).toMatch(/No alarm is fitted/);
  });
});
