import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { demoStations } from '../../demo';
import { type SensorOf } from '../../sensors';
import { newStation, type Station } from '../../station';
import { vesselOf } from '../../vessel';
import { bestFacing, clearancesOf, leastClearance, swingOf, touchCheck } from '../index';
import { armFor, elevationAt, pointOn, type Arm } from './arm';
import { betweenFloats } from './index';
import { dipsBelow, leastOver, type Sweep } from './least';
import { segmentDistance } from './vector';

const CARE = 0.05;

function float(over: Partial<SensorOf<'tilt'>> & { at?: [x: number, y: number]; facing?: number }): SensorOf<'tilt'> {
  const { at = [0, 0], facing = 0, ...rest } = over;
  const [x, y] = at;
  const bearing = ((Math.atan2(x, y) * 180) / Math.PI + 360) % 360;
  return {
    id: 'a',
    role: 'pump',
    kind: 'tilt',
    duty: 'control',
    contact: 'closes-on-rise',
    changeover: false,
    contactRating: 1,
    cordLength: 9,
    clip: 1,
    tether: 0.1,
    body: 0.1,
    thickness: 0.08,
    riseDeg: 10,
    fallDeg: 10,
    measured: null,
    weight: null,
    place: { from: 'axis', bearing, offset: Math.hypot(x, y), facing },
    ...rest,
  };
}

function pit(sensors: readonly SensorOf<'tilt'>[], change: (s: Station) => void = () => {}): Station {
  const s = newStation('a', 'b', 'metric-230');
  s.vessel = { ...s.vessel, shape: { kind: 'cylinder', diameter: 4, depth: 3 }, overflow: 2.9 };
  s.pumps[0] = { ...s.pumps[0]!, bearing: 180, offset: 1.6, riserBearing: 180, riserOffset: 1.8 };
  s.pole = { bearing: 0, offset: 1.8, diameter: 0.04 };
  s.settings.sideSwingDeg = 0;
  s.sensors = [...sensors];
  change(s);
  return s;
}

const arms = (s: Station): Arm[] => s.sensors.flatMap((x) => armFor(s, x) ?? []);

describe('the swing of a float', () => {
  it('is level with the water at its clip, up where it can be, down where it hangs', () => {
    const [a] = arms(pit([float({})]));
    expect(elevationAt(a!, 1)).toBe(0);
    expect(elevationAt(a!, 1 + a!.arm * Math.SQRT1_2)).toBeCloseTo(Math.PI / 4, 12);
    expect(elevationAt(a!, 0)).toBeCloseTo(-Math.PI / 2, 12);
    expect(pointOn(a!, 0.2, 0, Math.PI / 2)).toEqual({ x: expect.closeTo(0.2, 12), y: expect.closeTo(0, 12), z: 1 });
  });

  it('two floats side by side, facing the same way, keep their clips apart less a body', () => {
    const s = pit([float({ id: 'a', at: [-0.1, 0] }), float({ id: 'b', role: 'alarm', at: [0.1, 0] })]);
    const c = swingOf(s).clearances.find((x) => x.other === 'float:b')!;
    expect(c.clearance).toBeCloseTo(0.2 - 0.08, 6);
  });

  it('is zero exactly at touching: bodies a thickness apart', () => {
    const s = pit([float({ id: 'a', at: [-0.04, 0] }), float({ id: 'b', role: 'alarm', at: [0.04, 0] })]);
    expect(swingOf(s).clearances.find((x) => x.other === 'float:b')!.clearance).toBeCloseTo(0, 6);
  });

  it('one over the other on a pole touches when the lower stands while the upper hangs', () => {
    const over = (clip: number) => pit([float({ id: 'a' }), float({ id: 'b', role: 'alarm', clip })]);
    const touches = (clip: number) => swingOf(over(clip)).clearances.find((x) => x.other === 'float:b')!.clearance < 0;
    expect([1.2, 1.25, 1.5, 1.6].map(touches)).toEqual([true, true, false, false]);
  });

  it('is the same whichever of two floats is asked', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -0.4, max: 0.4, noNaN: true }),
        fc.double({ min: 0, max: 0.4, noNaN: true }),
        fc.integer({ min: 0, max: 359 }),
        fc.integer({ min: 0, max: 359 }),
        (dz, x, f, g) => {
          const s = pit(
            [
              float({ id: 'a', facing: f }),
              float({ id: 'b', role: 'alarm', clip: 1 + dz, at: [x, 0.05], facing: g, tether: 0.15 }),
            ],
            (t) => (t.settings.sideSwingDeg = 20),
          );
          const [a, b] = arms(s);
          // Above what anyone minds it is known to be clear, and no more; below none they touch, and how deep is nobody's question.
          const minded = (one: typeof a, other: typeof a) =>
            Math.min(Math.max(betweenFloats(one!, other!, 2.9, CARE).clearance, 0), CARE);
          expect(Math.abs(minded(a, b) - minded(b, a))).toBeLessThan(6e-4);
        },
      ),
      { numRuns: 40 },
    );
  });

  it('no water level and turn that is tried by chance brings two floats closer than the least that is found (where anyone minds)', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.05, max: 0.5, noNaN: true }),
        fc.double({ min: 0, max: 0.25, noNaN: true }),
        fc.integer({ min: 0, max: 359 }),
        fc.array(
          fc.tuple(
            fc.double({ min: 0.5, max: 2, noNaN: true }),
            fc.double({ min: -1, max: 1, noNaN: true }),
            fc.double({ min: -1, max: 1, noNaN: true }),
          ),
          { minLength: 60, maxLength: 60 },
        ),
        (dz, x, facing, tries) => {
          const s = pit(
            [float({ id: 'a' }), float({ id: 'b', role: 'alarm', clip: 1 + dz, at: [x, 0], facing })],
            (t) => (t.settings.sideSwingDeg = 20),
          );
          const [a, b] = arms(s);
          const axis = (arm: Arm, level: number, turn: number) =>
            [arm.near, arm.far].map((along) => pointOn(arm, along, elevationAt(arm, level), turn)) as [
              ReturnType<typeof pointOn>,
              ReturnType<typeof pointOn>,
            ];
          const closest = Math.min(
            ...tries.map(
              ([level, t, u]) =>
                segmentDistance(...axis(a!, level, t * a!.side), ...axis(b!, level, u * b!.side)) -
                a!.radius -
                b!.radius,
            ),
          );
          const { clearance } = betweenFloats(a!, b!, 2.9, CARE);
          // How deep two floats lie in each other nobody asks: that they touch is enough.
          expect(Math.min(clearance, CARE)).toBeLessThanOrEqual(Math.max(closest, 0) + 6e-4);
        },
      ),
      { numRuns: 30 },
    );
  });

  it('stays clear of the wall by the wall’s distance less its reach; and a box wall by its nearest side', () => {
    const reach = 0.2;
    const round = pit([float({ at: [1, 0], facing: 90 })]);
    expect(swingOf(round).clearances.find((c) => c.other === 'wall')!.clearance).toBeCloseTo(2 - 1 - reach, 6);
    const box = pit(
      [float({ at: [0.5, 0], facing: 0 })],
      (s) => (s.vessel.shape = { kind: 'box', length: 2, width: 3, depth: 3 }),
    );
    expect(swingOf(box).clearances.find((c) => c.other === 'wall')!.clearance).toBeCloseTo(1 - 0.5 - 0.04, 6);
  });

  it('meets the narrow part of a stepped pit only when it hangs down into it', () => {
    const stepped = (clip: number) =>
      pit([float({ at: [0.5, 0], facing: 90, clip })], (s) => {
        s.vessel.shape = {
          kind: 'stacked',
          sections: [
            { kind: 'cylinder', diameter: 1.2, depth: 1 },
            { kind: 'cylinder', diameter: 4, depth: 2 },
          ],
        };
      });
    const wall = (clip: number) => swingOf(stepped(clip)).clearances.find((c) => c.other === 'wall')!.clearance;
    expect(wall(1.5)).toBeGreaterThan(1);
    expect(wall(1.1)).toBeLessThan(0.07);
    expect(wall(0.9)).toBeLessThan(0);
  });

  it('lands on top of the pump when the water drops, and says so', () => {
    const s = pit(
      [float({ clip: 0.65, tether: 0.25 })],
      (x) => (x.pumps[0] = { ...x.pumps[0]!, bearing: 0, offset: 0, motorTop: 0.4 }),
    );
    const c = swingOf(s).clearances[0]!;
    expect(c).toMatchObject({ other: 'pump:0', lands: true });
    expect(c.clearance).toBeLessThan(0);
  });

  it.each([
    [
      'a post',
      (s: Station) =>
        void s.obstacles.push({ kind: 'round', name: 'post', bearing: 0, offset: 0.5, diameter: 0.1, from: 0, to: 3 }),
      0.5 - 0.05 - 0.2,
    ],
    [
      'a plate facing it',
      (s: Station) =>
        void s.obstacles.push({
          kind: 'flat',
          name: 'plate',
          bearing: 0,
          offset: 0.5,
          width: 1,
          thickness: 0.02,
          facing: 180,
          from: 0,
          to: 3,
        }),
      0.5 - 0.01 - 0.2,
    ],
    [
      'the stream of the inlet',
      (s: Station) => void (s.vessel.inletStream = { bearing: 0, offset: 0.4, diameter: 0.1 }),
      0.4 - 0.05 - 0.2,
    ],
  ])('keeps its distance from %s, by hand', (_, add, room) => {
    const s = pit([float({ facing: 0 })], (x) => ((x.vessel.inletInvert = 2), add(x)));
    const named = swingOf(s).clearances.find((c) => c.other.startsWith('obstacle') || c.other === 'inlet')!;
    expect(named.clearance).toBeCloseTo(room, 5);
  });
});

describe('what is asked of the swing', () => {
  it('the least of all is the first of the list, for every demo station', () => {
    for (const { station } of demoStations()) {
      const all = swingOf(station).clearances;
      const least = leastClearance(station);
      expect(least?.clearance ?? null).toBe(all[0]?.clearance ?? null);
      for (const s of station.sensors)
        expect(clearancesOf(station, s.id)[0]?.clearance ?? Infinity).toBeGreaterThanOrEqual(
          (least?.clearance ?? -Infinity) - 1e-3,
        );
    }
  });

  it('touching is seen just where a clearance is below none, by the quick check as by the slow', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -0.45, max: 0.45, noNaN: true }),
        fc.double({ min: 0.02, max: 0.3, noNaN: true }),
        fc.integer({ min: 0, max: 359 }),
        (dz, x, facing) => {
          const s = pit(
            [float({ id: 'a' }), float({ id: 'b', role: 'alarm', clip: 1 + dz, at: [x, 0], facing })],
            (t) => (t.settings.sideSwingDeg = 20),
          );
          const quick = touchCheck(s, vesselOf(s.vessel), 0).mutual(s.sensors[0]!, s.sensors[1]!);
          const { clearance } = swingOf(s).clearances.find((c) => c.other === 'float:b')!;
          if (Math.abs(clearance) > 1e-3) expect(quick).toBe(clearance < 0);
        },
      ),
      { numRuns: 60 },
    );
  });

  it('turning to the best bearing gives the most room of all 24', () => {
    const s = pit([float({ id: 'a', at: [0, 0], facing: 0 })], (x) =>
      x.obstacles.push({ kind: 'round', name: 'post', bearing: 0, offset: 0.2, diameter: 0.1, from: 0, to: 3 }),
    );
    const best = bestFacing(s, 'a');
    expect(Math.abs(best.facing - 180)).toBeLessThanOrEqual(90);
    expect(best.clearance).toBeGreaterThan(clearancesOf(s, 'a')[0]!.clearance);
  });
});

describe('the search for a least', () => {
  /** Two dips, the deeper one narrow and away from any coarse grid. */
  const dips = (deep: number): Sweep => ({
    from: [0],
    to: [1],
    value: ([x]) => 0.1 + 0.3 * Math.abs(x! - 0.2) - Math.max(deep - 8 * Math.abs(x! - 0.793), 0),
    spread: (_, [half]) => [8.3 * half!],
  });
  it('finds the narrow dip that a grid steps over', () => {
    expect(leastOver(dips(0.4), 1).value).toBeCloseTo(0.1 + 0.3 * 0.593 - 0.4, 3);
    expect(leastOver(dips(0), 1).value).toBeCloseTo(0.1, 6);
  });
  it('tells below from not below, on both sides of the least', () => {
    const least = 0.1 + 0.3 * 0.593 - 0.4;
    expect([least - 1e-3, least + 1e-3].map((room) => dipsBelow(dips(0.4), room))).toEqual([false, true]);
  });
  it('says how sure it is: cut short, what is certain lies below the least and what is found above it', () => {
    const least = 0.1 + 0.3 * 0.593 - 0.4;
    const touching = { ...dips(0.4), value: (x: readonly number[]) => dips(0.4).value(x) + 0.2 };
    for (const most of [1, 3, 10, 30]) {
      const { value, atLeast } = leastOver(touching, 1, most);
      expect(value).toBeGreaterThanOrEqual(least + 0.2 - 1e-9);
      expect(atLeast).toBeLessThanOrEqual(least + 0.2 + 1e-9);
    }
    const whole = leastOver(touching, 1);
    expect(whole.atLeast).toBe(whole.value);
    expect(whole.value).toBeCloseTo(least + 0.2, 3);
    expect(leastOver(touching, 1, 3).atLeast).toBeLessThan(whole.value - 1e-3);
  });
  it('goes down a long narrow bent valley in few steps: the covering finds what is left', () => {
    // The banana of H. H. Rosenbrock, Computer Journal 3 (1960) 175–184, square-rooted so that it is a distance: least 0.2 at (1, 1).
    let asked = 0;
    const valley: Sweep = {
      from: [-1.5, -0.5],
      to: [1.5, 2],
      value([x, y]) {
        asked++;
        return 0.2 + Math.hypot(10 * (y! - x! * x!), 1 - x!);
      },
      spread: (_, [h, k]) => [31 * h!, 10 * k!],
    };
    expect(leastOver(valley, 0.25).value).toBeCloseTo(0.2, 3);
    expect(asked).toBeLessThan(60_000);
  });
});
