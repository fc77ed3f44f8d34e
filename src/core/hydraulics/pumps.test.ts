import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { USUAL_VALVE } from '../duties';
import { newStation, type CurvePoint, type Pump, type Segment, type Station } from '../station';
import { GALLON } from '../units';
import { flowTable } from './flowTable';
import { freezingTime } from './freezing';
import { hydraulicsOf } from './hydraulics';
import { lateralSystem } from './laterals';
import { orificeFlow } from './orifice';
import { pipelineOf } from './pipeline';
import { GRAVITY } from '../physics';

/** H = a − b·Q², in so many points that the curve between them is the parabola. */
const parabola = (a: number, b: number, to: number): CurvePoint[] =>
  Array.from({ length: 41 }, (_, i) => ({ flow: (to * i) / 40, head: a - b * ((to * i) / 40) ** 2 }));

const bare = (k: number): Segment => ({
  name: 'k',
  length: 1e-3,
  bore: 0.1,
  roughness: 0,
  hazenWilliams: 150,
  material: null,
  wall: null,
  fittings: [{ name: 'all', k, count: 1 }],
});

function station(pumps: readonly Partial<Pump>[], change: (s: Station) => void = () => {}): Station {
  const s = newStation('a', 'b', 'metric-230');
  s.pumps = pumps.map((p) => ({ ...s.pumps[0]!, ...p }));
  s.discharge = { ...s.discharge, weepHole: null, outlet: 5, segments: [bare(50)] };
  change(s);
  return s;
}

const duty = (s: Station, level: number, running: number) => {
  const point = hydraulicsOf(s).at(level, running);
  if (!point.ok) throw new Error(point.reason);
  return point;
};

describe('parallel pumps (F. M. White, Fluid Mechanics, section 11.6: at one head the flows add)', () => {
  // Main loss k'·Q²: fittings 50 and the outlet 1, in velocity heads of a 100 mm bore; the millimetre of pipe is nothing.
  const lift = 4.5;
  const kMain = 51 / (2 * GRAVITY * ((Math.PI / 4) * 0.01) ** 2);

  it.each([1, 2, 3])('%i alike, closed form: Q = √((a − lift)/(k + b/n²))', (n) => {
    const [a, b] = [12, 12000];
    const s = station(Array.from({ length: n }, () => ({ curve: parabola(a, b, 0.03) })));
    expect(duty(s, 0.5, n).flow / Math.sqrt((a - lift) / (kMain + b / n ** 2))).toBeCloseTo(1, 4);
  });

  it('risers of their own, closed form: the loss of a riser goes with one pump’s flow, the main’s with all', () => {
    const [a, b] = [12, 12000];
    const riser = [{ ...bare(30), bore: 0.08 }];
    const kRiser = 30 / (2 * GRAVITY * ((Math.PI / 4) * 0.0064) ** 2);
    const s = station([1, 2].map(() => ({ curve: parabola(a, b, 0.03), riser })));
    expect(duty(s, 0.5, 2).flow / Math.sqrt((a - lift) / (kMain + (b + kRiser) / 4))).toBeCloseTo(1, 4);
  });

  it('unlike pumps: each on its own curve at one head, their flows adding to what the main passes, by an independent bisection', () => {
    const curves = [
      { a: 12, b: 9000 },
      { a: 11.5, b: 15000 },
    ];
    const s = station(curves.map(({ a, b }, i) => ({ name: `p${i}`, curve: parabola(a, b, 0.024) })));
    // Head at the joint by bisection on the excess of what the pumps give over what the main takes.
    const give = (h: number) => curves.reduce((sum, { a, b }) => sum + Math.sqrt(Math.max((a - h) / b, 0)), 0);
    let [low, high] = [lift, 12];
    for (let i = 0; i < 80; i++) {
      const h = (low + high) / 2;
      if (give(h) > Math.sqrt((h - lift) / kMain)) low = h;
      else high = h;
    }
    const point = duty(s, 0.5, 2);
    expect(point.flow / give(low)).toBeCloseTo(1, 4);
    expect(point.pumps[0]!.head).toBeCloseTo(point.pumps[1]!.head, 3);
    expect(point.pumps[0]!.flow).toBeGreaterThan(point.pumps[1]!.flow);
  });

  it('a weak pump against a strong one is held shut by its check valve, and changes nothing', () => {
    const strong = { name: 'strong', curve: parabola(20, 9000, 0.04) };
    const weak = { name: 'weak', curve: parabola(5.2, 9000, 0.015) };
    const two = duty(station([strong, weak]), 0.5, 2);
    expect(two.pumps[1]!.flow).toBe(0);
    expect(two.flow).toBeCloseTo(duty(station([strong]), 0.5, 1).flow, 9);
  });

  it('more pumps never give less flow, and a higher water never less', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 8, max: 30, noNaN: true }),
        fc.double({ min: 3000, max: 30000, noNaN: true }),
        fc.double({ min: 5.5, max: 30, noNaN: true }),
        fc.double({ min: 0.1, max: 0.9, noNaN: true }),
        (a, b, a2, level) => {
          const s = station([
            { name: '1', curve: parabola(a, b, Math.sqrt((a * 0.98) / b)) },
            { name: '2', curve: parabola(a2, b, Math.sqrt((a2 * 0.98) / b)) },
          ]);
          const h = hydraulicsOf(s);
          const [one, two, higher] = [h.at(level, 1), h.at(level, 2), h.at(level + 0.1, 2)];
          if (!one.ok || !two.ok || !higher.ok) throw new Error('each of these pumps lifts over its outlet');
          expect(two.flow).toBeGreaterThanOrEqual(one.flow * (1 - 1e-9));
          expect(higher.flow).toBeGreaterThanOrEqual(two.flow * (1 - 1e-9));
        },
      ),
      { numRuns: 40 },
    );
  });

  it('a displacing pump, a steep curve, gives nearly its flow at any head', () => {
    const curve = [
      [0, 60],
      [0.6e-3, 57],
      [0.7e-3, 42],
      [0.75e-3, 20],
      [0.78e-3, 0],
    ].map(([flow, head]) => ({ flow: flow!, head: head! }));
    const at = (outlet: number) =>
      duty(
        station([{ curve }], (s) => (s.discharge.outlet = outlet)),
        0.5,
        1,
      ).flow;
    expect(at(10) / at(35)).toBeLessThan(1.12);
  });

  it('all pumps drain back their risers, but the shared line only once', () => {
    const riser = [{ ...bare(0), length: 2, bore: 0.05 }];
    const s = station([{ riser }, { riser }], (x) => (x.discharge.checkValve = { pipeBefore: 2 }));
    const back = (running: number) => hydraulicsOf(s).drainback(running, 0).volume;
    expect(back(2)).toBeCloseTo(2 * back(1), 12);
    // With no check valves what one pump brings fills the riser of the other, and both run back.
    s.discharge.checkValve = null;
    const [own, shared] = [2 * (Math.PI / 4) * 0.0025, 1e-3 * (Math.PI / 4) * 0.01];
    expect([back(1), back(2)]).toEqual([1, 2].map(() => expect.closeTo(2 * own + shared, 12)));
  });
});

describe('where the water goes', () => {
  it('a vented high point counts as the outlet; one that is not lets the siphon pull, once the pump has passed it', () => {
    const with_ = (vented: boolean, height: number) =>
      station(
        [{ curve: parabola(12, 12000, 0.03) }],
        (s) => (s.discharge.highPoint = { height, along: 0.0005, vented }),
      );
    expect(hydraulicsOf(with_(true, 9)).staticHead(0.5)).toBeCloseTo(8.5, 12);
    expect(hydraulicsOf(with_(false, 9)).staticHead(0.5)).toBeCloseTo(4.5, 12);
    expect(hydraulicsOf(with_(false, 13)).at(0.5)).toMatchObject({ ok: false, reason: 'below-static-head' });
  });
  it('a tank filled from below is filled against its own water, from above against the outlet', () => {
    const fill = (drowned: boolean) =>
      station(
        [{ curve: parabola(12, 12000, 0.03) }],
        (s) => (
          (s.discharge.outlet = 1),
          (s.duty = { kind: 'fill', from: { kind: 'pump', level: -4 }, drowned, runOn: 0, keep: 0.1 })
        ),
      );
    expect([0.2, 1, 1.1].map((l) => hydraulicsOf(fill(true)).staticHead(l))).toEqual(
      [5, 5, 5.1].map((x) => expect.closeTo(x, 12)),
    );
    expect([0.2, 1.1].map((l) => hydraulicsOf(fill(false)).staticHead(l))).toEqual([5, 5]);
    expect(hydraulicsOf(fill(false)).drainback(1, 0.5).volume).toBe(0);
  });
  it('a valve gives what it gives, whatever the level', () => {
    const s = station(
      [{}],
      (x) => (x.duty = { kind: 'fill', from: { ...USUAL_VALVE, flow: 4e-4 }, drowned: false, runOn: 0, keep: 0.1 }),
    );
    expect([0.1, 1].map((l) => duty(s, l, 1).flow)).toEqual([4e-4, 4e-4]);
    expect(hydraulicsOf(s).count).toBe(1);
  });
});

describe('laterals of a dosed bed', () => {
  const laterals = {
    count: 3,
    length: 9,
    bore: 0.0381,
    roughness: 1.5e-6,
    hazenWilliams: 150,
    orifices: 6,
    orifice: 0.003175,
    coefficient: 0.6,
    squirt: 1,
  };
  it('one orifice gives 11.79·d²·√h gallons a minute, d in inches, h in feet (R. J. Otis, pressure distribution; EPA/625/R-00/008, section 4.4)', () => {
    for (const [d, h] of [
      [0.125, 2.5],
      [0.25, 5],
    ] as const) {
      const gpm = orificeFlow(0.6, d * 0.0254, h * 0.3048) / (GALLON / 60);
      expect(gpm / (11.79 * d ** 2 * Math.sqrt(h))).toBeCloseTo(1, 2);
    }
  });
  it('works back from the last orifice: every one gives more than the next, and the sum is what flows in', () => {
    const system = lateralSystem(laterals, 1.1e-6, 'darcy-weisbach');
    const state = system.at(1);
    const last = orificeFlow(0.6, laterals.orifice, 1);
    expect(state.flow).toBeGreaterThan(3 * 6 * last);
    expect(state.flow).toBeLessThan(3 * 6 * last * (1 + state.spread));
    expect(state.inletHead).toBeGreaterThan(1);
  });
  it('by hand: two orifices, the loss of half a lateral between them', () => {
    const two = { ...laterals, count: 1, length: 10, orifices: 2, bore: 0.02, orifice: 0.005 };
    const q2 = orificeFlow(0.6, 0.005, 0.8);
    const slope = pipelineOf(
      [{ name: 'x', length: 1, bore: 0.02, roughness: 1.5e-6, hazenWilliams: 150, fittings: [] }],
      1.1e-6,
    );
    const h1 = 0.8 + 5 * slope.friction(q2);
    const q1 = orificeFlow(0.6, 0.005, h1);
    const state = lateralSystem(two, 1.1e-6, 'darcy-weisbach').at(0.8);
    expect(state.flow).toBeCloseTo(q1 + q2, 12);
    expect(state.inletHead).toBeCloseTo(h1 + 5 * slope.friction(q1 + q2), 9);
    expect(state.spread).toBeCloseTo(q1 / q2 - 1, 12);
  });
  it.each(['darcy-weisbach', 'hazen-williams'] as const)(
    'from a flow back to its jet height and head, to a hundredth (%s)',
    (school) => {
      const system = lateralSystem(laterals, 1.1e-6, school);
      for (const squirt of [0.3, 1, 2.5, 7]) {
        const { flow, inletHead } = system.at(squirt);
        expect(system.squirtAt(flow) / squirt).toBeCloseTo(1, 2);
        expect(system.headAt(flow) / inletHead).toBeCloseTo(1, 2);
      }
    },
  );
  it('holds the water of its pipes', () =>
    expect(lateralSystem(laterals, 1e-6, 'darcy-weisbach').volume).toBeCloseTo(27 * (Math.PI / 4) * 0.0381 ** 2, 12));
});

describe('the table of flows', () => {
  it('is the exact flow to six digits and more, across the kink of a weep hole', () => {
    const s = station([{}], (x) => (x.discharge.weepHole = { diameter: 0.006, height: 0.4 }));
    const h = hydraulicsOf(s);
    fc.assert(
      fc.property(fc.double({ min: 0.05, max: 1.15, noNaN: true }), (level) => {
        const exact = h.at(level);
        expect(exact.ok && h.flowAt(level)! / exact.flow).toBeCloseTo(1, 6);
      }),
      { numRuns: 60 },
    );
  });
  it('asks the function itself in a cell where some level has no value', () => {
    const holes = flowTable((x) => (x < 0.1 ? null : x * x), 0);
    expect(holes(0.05)).toBeNull();
    expect(holes(0.2)).toBeCloseTo(0.04, 15);
    expect(holes(0.6)).toBeCloseTo(0.36, 12);
  });
});

describe('freezing of a bare pipe (Plank’s equation; Singh and Heldman, Introduction to Food Engineering, eq. 7.5)', () => {
  it('by hand: 50 mm at −10 °C: 917·333600/10·(0.05/60 + 0.0025/35.5) s', () => {
    expect(freezingTime(0.05, -10)).toBeCloseTo(((917 * 333600) / 10) * (0.05 / 60 + 0.0025 / 35.52), 6);
  });
  it('never in air that does not freeze, later in a wider pipe, sooner in harder frost', () => {
    expect(freezingTime(0.05, 0)).toBe(Infinity);
    expect(freezingTime(0.1, -5)).toBeGreaterThan(freezingTime(0.05, -5));
    expect(freezingTime(0.05, -10)).toBeCloseTo(freezingTime(0.05, -5) / 2, 6);
  });
});
