import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { GRAVITY } from '../physics';
import { newStation, type CurvePoint, type Pump, type Segment, type Station } from '../station';
import { cutAt } from './crest';
import { hydraulicsOf } from './hydraulics';

/*
 * Which way the water goes: over a crest with air in it, by its own fall, back through a pump that stands. Worked by hand with losses that are
 * velocity heads alone, so that every case has a closed form.
 */

const AREA = (Math.PI / 4) * 0.1 ** 2;
/** m of head for one velocity head at 1 m³/s in a bore of 100 mm. */
const HEAD = 1 / (2 * GRAVITY * AREA ** 2);

/** A length whose loss is fittings alone. */
const length = (k: number, metres = 1e-3): Segment => ({
  name: `k ${k}`,
  length: metres,
  bore: 0.1,
  roughness: 0,
  hazenWilliams: 150,
  material: null,
  wall: null,
  fittings: [{ name: 'all', k, count: 1 }],
});

const parabola = (a: number, b: number, to: number): CurvePoint[] =>
  Array.from({ length: 81 }, (_, i) => ({ flow: (to * i) / 80, head: a - b * ((to * i) / 80) ** 2 }));

function station(pumps: readonly Partial<Pump>[], change: (s: Station) => void = () => {}): Station {
  const s = newStation('a', 'b', 'metric-230');
  s.pumps = pumps.map((p) => ({ ...s.pumps[0]!, intake: 0.05, ...p }));
  s.discharge = { ...s.discharge, weepHole: null, outlet: 5, segments: [length(50)] };
  change(s);
  return s;
}

const flow = (s: Station, level: number, running: number | readonly number[] = 1) => {
  const point = hydraulicsOf(s).at(level, running);
  if (!point.ok) throw new Error(point.reason);
  return point.flow;
};

describe('a crest with air in it (energy from the pump to the free surface at the crest)', () => {
  const curve = parabola(12, 12000, 0.03);
  const over = (vented: boolean, beyond: number, outlet = 1) =>
    station([{ curve }], (s) => {
      s.discharge.segments = [length(10), length(beyond)];
      s.discharge.outlet = outlet;
      s.discharge.highPoint = { height: 6, along: 1e-3, vented };
    });
  const before = Math.sqrt((12 - (6 - 0.5)) / (12000 + (10 + 1) * HEAD));

  it('pays what is lost up to it, and the velocity head there; beyond it the fall pays', () => {
    expect(flow(over(true, 5), 0.5) / before).toBeCloseTo(1, 4);
    expect(flow(over(true, 12), 0.5)).toBeCloseTo(flow(over(true, 5), 0.5), 9);
  });
  it('pays all of it where the fall is less than what is lost beyond: the line runs full', () => {
    const full = Math.sqrt((12 - (5.9 - 0.5)) / (12000 + (10 + 200 + 1) * HEAD));
    expect(flow(over(true, 200, 5.9), 0.5) / full).toBeCloseTo(1, 4);
    expect(full).toBeLessThan(before);
  });
  it('without a vent the siphon pulls, and all of the line is paid against the outlet alone', () => {
    expect(flow(over(false, 40), 0.5) / Math.sqrt((12 - 0.5) / (12000 + 51 * HEAD))).toBeCloseTo(1, 4);
  });
  it('fittings sit on the side of their length; of the length that it falls in they go by length', () => {
    const { before: near, after, through } = cutAt([length(3, 2), length(8, 4), length(5, 1)], 3);
    const k = (list: readonly { fittings: readonly { k: number }[] }[]) =>
      list.reduce((sum, s) => sum + s.fittings[0]!.k, 0);
    expect([k(near), k(after), through?.name]).toEqual([3 + 2, 6 + 5, 'k 8']);
    expect(cutAt([length(3, 2), length(8, 4)], 2).through).toBeNull();
    // However it is cut, every length is there once, whole or in two parts that add up.
    for (const along of [0, 1, 2, 3.5, 6, 7, 9]) {
      const cut = cutAt([length(3, 2), length(8, 4), length(5, 1)], along);
      const long = (list: readonly { length: number }[]) => list.reduce((sum, s) => sum + s.length, 0);
      expect([along, long(cut.before), long(cut.after)]).toEqual([
        along,
        expect.closeTo(Math.min(along, 7), 9),
        expect.closeTo(Math.max(7 - along, 0), 9),
      ]);
      expect(k(cut.before) + k(cut.after)).toBeCloseTo(16, 9);
      expect([...cut.before, ...cut.after].every((s) => s.length > 0)).toBe(true);
    }
  });
  it('more friction beyond never gives more flow, and a higher crest never does', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 400, noNaN: true }),
        fc.double({ min: 5, max: 9, noNaN: true }),
        (k, height) => {
          const at = (more: number, up: number) => {
            const s = over(true, k + more, 4.9);
            s.discharge.highPoint!.height = height + up;
            return flow(s, 0.5);
          };
          expect(at(30, 0)).toBeLessThanOrEqual(at(0, 0) * (1 + 1e-9));
          expect(at(0, 0.3)).toBeLessThanOrEqual(at(0, 0) * (1 + 1e-9));
        },
      ),
      { numRuns: 30 },
    );
  });
});

describe('an outlet below the water', () => {
  const below = (change: (s: Station) => void = () => {}) =>
    station([{ curve: parabola(6, 3000, 0.04) }], (s) => {
      s.discharge.segments = [length(49)];
      s.discharge.outlet = -2;
      s.settings.standingLoss = 20;
      change(s);
    });
  it('flows by its own fall through the pump that stands: √(2g·Δh / (ΣK + 20 + 1))', () => {
    const h = hydraulicsOf(below());
    expect(h.still(0.5) / Math.sqrt(2.5 / (70 * HEAD))).toBeCloseTo(1, 4);
    expect([h.flowsStill(0.5), h.siphons]).toEqual([true, false]);
  });
  it('goes to nothing as the levels meet', () => {
    const h = hydraulicsOf(below((s) => (s.discharge.outlet = 0.2)));
    expect([0.2, 0.1].map((l) => h.still(l))).toEqual([0, 0]);
    expect(h.still(0.2001) / Math.sqrt(1e-4 / (70 * HEAD))).toBeCloseTo(1, 3);
  });
  it('a vented high point over the water holds it; one without a vent is a siphon', () => {
    const crest = (vented: boolean) =>
      hydraulicsOf(below((s) => (s.discharge.highPoint = { height: 3, along: 5e-4, vented })));
    expect([crest(true).still(0.5), crest(true).flowsStill(1)]).toEqual([0, false]);
    expect(crest(false).siphons && crest(false).still(0.5) / Math.sqrt(2.5 / (70 * HEAD))).toBeCloseTo(1, 4);
  });
  it('a tank that is filled from below runs back where no check valve is fitted, and not through one', () => {
    const tank = (checked: boolean) =>
      hydraulicsOf(
        below((s) => {
          s.duty = { kind: 'fill', from: { kind: 'pump', level: -3 }, drowned: true, runOn: 0, keep: 0.1 };
          s.discharge.outlet = 0.2;
          s.discharge.checkValve = checked ? { pipeBefore: 1e-3 } : null;
        }),
      );
    expect(tank(true).still(1)).toBe(0);
    expect(tank(false).still(1) / -Math.sqrt(4 / ((49 + 20) * HEAD))).toBeCloseTo(1, 4);
    expect(tank(false).still(0.2)).toBe(0);
  });
});

describe('a pump that stands and is not closed', () => {
  const two = (open: boolean, standingLoss = 20) =>
    station([{ curve: parabola(12, 9000, 0.036) }, { curve: parabola(12, 9000, 0.036) }], (s) => {
      s.discharge.checkValve = open ? null : { pipeBefore: 1e-4 };
      s.settings.standingLoss = standingLoss;
    });
  it('takes its share of what the other pumps, by an independent bisection on the head where they meet', () => {
    const level = 0.5;
    const balance = (h: number) =>
      Math.sqrt((12 - h) / 9000) - Math.sqrt(h / (20 * HEAD)) - Math.sqrt(Math.max(h - 4.5, 0) / (51 * HEAD));
    let [low, high] = [4.5, 12];
    for (let i = 0; i < 90; i++) {
      const h = (low + high) / 2;
      if (balance(h) > 0) low = h;
      else high = h;
    }
    const point = hydraulicsOf(two(true)).at(level, 1);
    if (!point.ok) throw new Error(point.reason);
    expect(point.flow / Math.sqrt((low - 4.5) / (51 * HEAD))).toBeCloseTo(1, 3);
    expect(point.shortCircuit / Math.sqrt(low / (20 * HEAD))).toBeCloseTo(1, 3);
    expect(point.flow).toBeLessThan(flow(two(false), level) * 0.8);
  });
  it('loses nothing of it with both running, nor through one that holds', () => {
    expect(flow(two(true), 0.5, 2)).toBeCloseTo(flow(two(false), 0.5, 2), 9);
    const point = hydraulicsOf(two(false)).at(0.5, 1);
    expect(point.ok && point.shortCircuit).toBe(0);
  });
  it('only the one whose valve is stuck, by a fault', () => {
    const h = hydraulicsOf(two(false), { checksOpen: [1] });
    const [first, second] = [h.at(0.5, [0]), h.at(0.5, [1])];
    if (!first.ok || !second.ok) throw new Error('both lift');
    expect(first.shortCircuit).toBeGreaterThan(0.005);
    expect(second.shortCircuit).toBe(0);
  });
  it('where all of it goes round, nothing is delivered, and the head it reaches is told', () => {
    const point = hydraulicsOf(two(true, 0.5)).at(0.5, 1);
    expect(point).toMatchObject({ ok: false, reason: 'below-static-head', needs: 4.5 });
    if (point.ok || point.reason !== 'below-static-head') throw new Error('delivers');
    // √((12 − h)/9000) = √(h/(0.5·HEAD))
    expect(point.has).toBeCloseTo(12 / (1 + 9000 / (0.5 * HEAD)), 4);
  });
});

describe('unlike pumps together', () => {
  it('the weaker is held shut: it delivers nothing while it runs', () => {
    const s = station([{ curve: parabola(20, 9000, 0.046) }, { curve: parabola(6, 9000, 0.025) }]);
    const point = hydraulicsOf(s).at(0.5, 2);
    expect(point.ok && point.pumps.map((p) => p.flow > 0)).toEqual([true, false]);
  });
  it('and is pushed back where its valve is open', () => {
    const s = station(
      [{ curve: parabola(20, 9000, 0.046) }, { curve: parabola(6, 9000, 0.025) }],
      (x) => (x.discharge.checkValve = null),
    );
    const point = hydraulicsOf(s).at(0.5, 2);
    expect(point.ok && point.pumps[1]!.flow).toBeLessThan(-0.001);
  });
});

describe('what falls back after a stop', () => {
  it('is what stands over the water, in twice the time of its first flow', () => {
    const s = station([{ intake: 0.1, volute: 0.3 }], (x) => {
      x.discharge.segments = [length(0, 4)];
      x.discharge.outlet = 3.7;
      x.discharge.checkValve = null;
    });
    const { volume, time } = hydraulicsOf(s).drainback(1, 0.7);
    expect(volume).toBeCloseTo(AREA * (4 - 0.5), 9);
    expect(time / ((2 * volume) / Math.sqrt(3 / (20 * HEAD)))).toBeCloseTo(1, 6);
  });
});
