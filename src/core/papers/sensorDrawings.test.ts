import { describe, expect, it } from 'vitest';
import { demoStations } from '../demo';
import { levelContext, sensorTrips } from '../levels';
import type { Sensor } from '../sensors';
import { shaftScene } from './index';

type Box = { left: number; right: number; top: number; bottom: number; middle: number };

/** The corners of a path of lines. */
const cornersOf = (d: string) => {
  const all = [...d.matchAll(/-?\d+(?:\.\d+)?/g)].map((m) => Number(m[0]));
  return all.flatMap((x, i) => (i % 2 === 0 ? [[x, all[i + 1]!] as const] : []));
};
const boxOf = (points: readonly (readonly [number, number])[]): Box => {
  const [xs, ys] = [points.map((p) => p[0]), points.map((p) => p[1])];
  const [left, right] = [Math.min(...xs), Math.max(...xs)];
  return { left, right, top: Math.min(...ys), bottom: Math.max(...ys), middle: (left + right) / 2 };
};

const CASES = demoStations().flatMap(({ file, station }) =>
  station.sensors.flatMap((sensor) =>
    [0.02, 0.4, 5].map((level) => [`${file} ${sensor.id} at ${level}`, station, sensor, level] as const),
  ),
);

/** What is drawn of one sensor in the shaft at a level: boxes by role, and the heights that belong to them. */
function drawn(station: (typeof CASES)[number][1], sensor: Sensor, level: number) {
  const context = levelContext(station);
  const { groups, layout } = shaftScene(context, { width: 620, height: 660, detail: 'full', system: 'metric', level });
  const group = groups.find((g) => g.part === `float:${sensor.id}`)!;
  const of = (role: string) =>
    group.shapes.flatMap((s) => (s.type === 'path' && s.role === role ? [cornersOf(s.d)] : []));
  return {
    layout,
    of,
    float: of('float')[0]!,
    shapes: group.shapes,
    trips: sensorTrips(station).find((t) => t.sensor.id === sensor.id)!,
  };
}

describe('a pump in the shaft', () => {
  it.each(demoStations().map((d) => [d.file, d.station] as const))(
    '%s: on two feet from floor to intake, volute and motor as high as they are, alike to both sides',
    (_, station) => {
      const context = levelContext(station);
      const { groups, layout } = shaftScene(context, {
        width: 620,
        height: 660,
        detail: 'full',
        system: 'metric',
        level: 1,
      });
      const shapes = groups.find((g) => g.part === 'pump')!.shapes.flatMap((s) => (s.type === 'path' ? [s] : []));
      const motors = shapes.filter((s) => s.role === 'pump-motor').map((s) => boxOf(cornersOf(s.d)));
      for (const [i, motor] of motors.entries()) {
        const pump = station.pumps[i]!;
        const [one, two, volute] = shapes
          .filter((s) => s.role === 'pump')
          .slice(3 * i, 3 * i + 3)
          .map((s) => boxOf(cornersOf(s.d)));
        for (const foot of [one!, two!])
          expect([foot.bottom, foot.top]).toEqual([
            expect.closeTo(layout.floor, 0),
            expect.closeTo(layout.yOf(pump.intake), 0),
          ]);
        expect((one!.middle + two!.middle) / 2).toBeCloseTo(volute!.middle, 1);
        expect(two!.middle).toBeGreaterThan(one!.middle);
        expect(motor.middle).toBeCloseTo(volute!.middle, 1);
        expect([volute!.top, motor.top]).toEqual([
          expect.closeTo(layout.yOf(pump.volute), 0),
          expect.closeTo(layout.yOf(pump.motorTop), 0),
        ]);
        expect(motor.right - motor.left).toBeLessThan(volute!.right - volute!.left);
      }
    },
  );
});

describe('a sensor in the shaft', () => {
  it.each(CASES)('%s: its body and its fastening stand where they are set', (_, station, sensor, level) => {
    const { layout, of, float, shapes } = drawn(station, sensor, level);
    const box = boxOf(float);
    const at = (height: number) => expect.closeTo(layout.yOf(height), 0);
    const alike = (points: readonly (readonly [number, number])[]) =>
      [boxOf(points).left, boxOf(points).right].map((x) => Math.abs(x - boxOf(points).middle));
    switch (sensor.kind) {
      case 'rod': {
        // A stop above and one below, the float between them, as wide to one side of the rod as to the other, all on one rod.
        const stops = of('clip').map(boxOf);
        expect(stops).toHaveLength(2);
        expect(stops[0]!.bottom).toBeLessThan(layout.yOf(sensor.upperStop));
        expect(stops[1]!.top).toBeGreaterThan(layout.yOf(sensor.lowerStop));
        const rod = boxOf(of('tether')[0]!);
        for (const s of [...stops, box]) {
          expect(s.middle).toBeCloseTo(rod.middle, 1);
          expect(s.right - s.left).toBeCloseTo(20, 1);
        }
        const held = Math.min(Math.max(level, sensor.lowerStop), sensor.upperStop);
        expect((box.top + box.bottom) / 2).toEqual(at(held));
        break;
      }
      case 'bell':
        expect([box.bottom, Math.min(...float.map((p) => p[1]))]).toEqual([
          at(sensor.mouth),
          at(sensor.mouth + sensor.height),
        ]);
        expect(alike(float)[0]).toBeCloseTo(alike(float)[1]!, 1);
        expect(of('surface')).toHaveLength(level > sensor.mouth ? 1 : 0);
        break;
      case 'side': {
        // From the wall it is mounted in; level with its fastening when the water carries it, hanging when not.
        const wall = layout.sidesAt(sensor.height).right;
        const root = boxOf(of('clip')[0]!);
        expect([root.top + 3, root.right]).toEqual([at(sensor.height), expect.closeTo(wall + layout.wall, 1)]);
        expect(box.right).toBeLessThan(wall);
        const fall = box.bottom - layout.yOf(sensor.height);
        if (level >= sensor.height) expect(fall).toBeLessThan(8);
        else expect(fall).toBeGreaterThan(15);
        break;
      }
      case 'transmitter': {
        expect(box.bottom).toEqual(at(sensor.zero));
        const [on, off] = of('clip').map(boxOf);
        expect([on!.top, off!.top]).toEqual([at(sensor.on), at(sensor.off)]);
        for (const tick of [on!, off!]) expect(tick.middle).toBeCloseTo(box.middle, 1);
        break;
      }
      case 'tilt': {
        const disc = shapes.find((s) => s.type === 'path' && s.role === 'clip') as { d: string };
        const [x, y] = cornersOf(disc.d)[0]!;
        expect([x + 3.2, y]).toEqual([expect.any(Number), at(sensor.clip)]);
        // A body's length beyond the tether, measured from the clip; under it when the water is, over it when it floats up.
        const tip = float[3]!;
        const long = Math.max(sensor.body * layout.scale, 24);
        expect(Math.hypot(tip[0] - x - 3.2, tip[1] - y)).toBeCloseTo(sensor.tether * layout.scale + long, 0);
        if (level > sensor.clip + sensor.tether + sensor.body) expect(tip[1]).toBeLessThan(y);
        if (level < sensor.clip - sensor.tether - sensor.body) expect(tip[1]).toBeGreaterThan(y);
        for (const weight of of('weight').map(boxOf)) {
          expect([weight.top, weight.bottom]).toEqual([at(sensor.clip), at(sensor.clip - sensor.weight!.below)]);
          expect(weight.middle).toBeCloseTo(x + 3.2, 1);
        }
      }
    }
  });
  it.each(CASES)(
    '%s: its number on its body, its eye beside it, filled while the contact is closed',
    (_, station, sensor, level) => {
      const { float, shapes, trips, layout } = drawn(station, sensor, level);
      const box = boxOf(float);
      const number = shapes.find((s) => s.role === 'float-number')!;
      expect(number.type === 'text' && number.text).toBe(String(trips.order));
      if (number.type === 'text' && sensor.kind !== 'transmitter') {
        expect(number.x > box.left && number.x < box.right).toBe(true);
        expect(number.y - 4 >= box.top - 1 && number.y - 4 <= box.bottom + 1).toBe(true);
      }
      const eyes = shapes.flatMap((s) => (s.type === 'path' && s.role.startsWith('eye-') ? [s] : []));
      expect(eyes.map((e) => e.role)).toEqual(
        eyes[0]!.role === 'eye-closed' ? ['eye-closed'] : ['eye-open', 'eye-open'],
      );
      const eye = boxOf(cornersOf(eyes[0]!.d));
      expect(eye.right <= layout.width && eye.left >= 0).toBe(true);
      // An eye never covers the body that it belongs to.
      expect(eye.right <= box.left || eye.left >= box.right || eye.bottom <= box.top || eye.top >= box.bottom).toBe(
        true,
      );
    },
  );
});
