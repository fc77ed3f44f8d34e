import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { newStation, type CurvePoint, type Station } from '../station';
import { colebrook, frictionFactor, LAMINAR_TO, TURBULENT_FROM } from './friction';
import { hydraulicsOf } from './hydraulics';
import { orificeFlow } from './orifice';
import { pipelineOf } from './pipeline';
import { density, GRAVITY, kinematicViscosity } from '../physics';

describe('water', () => {
  // CRC Handbook of Chemistry and Physics, "Properties of water": density and viscosity at atmospheric pressure.
  it.each([
    [4, 999.975, 1.567e-6],
    [20, 998.207, 1.0034e-6],
    [40, 992.22, 0.658e-6],
  ])('at %i °C', (t, rho, nu) => {
    expect(Math.abs(density(t) - rho)).toBeLessThan(0.02);
    expect(Math.abs(kinematicViscosity(t) / nu - 1)).toBeLessThan(0.004);
  });
});

describe('friction factor', () => {
  it('White, Fluid Mechanics 5th ed., example 6.6: Re = 2.7e5, ε/d = 0.0008 gives f = 0.0198', () => {
    expect(colebrook(2.7e5, 0.0008)).toBeCloseTo(0.0198, 4);
  });
  it('agrees with the smooth-pipe values of L. F. Moody (1944)', () => {
    expect(colebrook(1e5, 0)).toBeCloseTo(0.018, 3);
    expect(colebrook(1e6, 0)).toBeCloseTo(0.01165, 4);
  });
  it('solves its equation, not approximates it', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 4e3, max: 1e8, noNaN: true }),
        fc.double({ min: 0, max: 0.05, noNaN: true }),
        (re, rough) => {
          const x = 1 / Math.sqrt(colebrook(re, rough));
          expect(Math.abs(x + 2 * Math.log10(rough / 3.7 + (2.51 * x) / re))).toBeLessThan(1e-10);
        },
      ),
    );
  });
  it('is 64/Re in laminar flow and has no jump at either end of the blend', () => {
    expect(frictionFactor(1000, 0.01)).toBe(0.064);
    expect(frictionFactor(LAMINAR_TO + 1e-6, 0.01)).toBeCloseTo(64 / LAMINAR_TO, 8);
    expect(frictionFactor(TURBULENT_FROM - 1e-6, 0.01)).toBeCloseTo(colebrook(TURBULENT_FROM, 0.01), 8);
  });
});

const pipe = (over: Partial<Station['discharge']['segments'][number]> = {}) => ({
  name: 'pipe',
  length: 60.96,
  bore: 0.1524,
  roughness: 0.0008 * 0.1524,
  hazenWilliams: 130,
  fittings: [],
  ...over,
});

describe('head loss', () => {
  it('White example 6.6: 200 ft of 6 in pipe at 6 ft/s loses 4.5 ft', () => {
    const flow = 6 * 0.3048 * (Math.PI / 4) * 0.1524 ** 2;
    const line = pipelineOf([pipe()], (6 * 0.3048 * 0.1524) / 2.7e5);
    expect(line.friction(flow) / 0.3048).toBeCloseTo(4.43, 1);
  });
  it('rises with flow through laminar, blended and turbulent flow', () => {
    const line = pipelineOf([pipe({ length: 20, bore: 0.04 })], 1.3e-6);
    fc.assert(
      fc.property(fc.double({ min: 1e-7, max: 5e-3, noNaN: true }), (q) => {
        expect(line.friction(q * 1.001)).toBeGreaterThan(line.friction(q));
      }),
    );
  });
  it('counts fittings by their velocity heads, and has the velocity head of the outlet ready', () => {
    const bare = pipelineOf([pipe({ fittings: [] })], 1e-6);
    const fitted = pipelineOf([pipe({ fittings: [{ name: 'elbow', k: 0.9, count: 3 }] })], 1e-6);
    const v = 0.02 / ((Math.PI / 4) * 0.1524 ** 2);
    expect(fitted.friction(0.02) - bare.friction(0.02)).toBeCloseTo((2.7 * v * v) / (2 * GRAVITY), 10);
    expect(bare.exitHead(0.02)).toBeCloseTo((v * v) / (2 * GRAVITY), 12);
  });
  it('holds the volume of its first metres across two bores', () => {
    const line = pipelineOf([pipe({ length: 2, bore: 0.1 }), pipe({ length: 5, bore: 0.2 })], 1e-6);
    expect(line.volumeOf(3)).toBeCloseTo((Math.PI / 4) * (2 * 0.01 + 1 * 0.04), 12);
  });
});

describe('Hazen–Williams', () => {
  const line = (over: Parameters<typeof pipe>[0]) => pipelineOf([pipe(over)], 1.1e-6, 'hazen-williams');
  const friction = (over: Parameters<typeof pipe>[0], flow: number) => line(over).friction(flow);
  it('agrees with its velocity form V = 0.849·C·R^0.63·S^0.54 (Mays, eq. 12.2.6): 0.1 m³/s through 1 km of 0.3 m at C = 130 loses 6.43 m', () => {
    const v = 0.1 / ((Math.PI / 4) * 0.09);
    const slope = (v / (0.849 * 130 * 0.075 ** 0.63)) ** (1 / 0.54);
    expect(slope * 1000).toBeCloseTo(6.43, 2);
    expect(friction({ length: 1000, bore: 0.3 }, 0.1) / (slope * 1000)).toBeCloseTo(1, 2);
  });
  it('lies within a tenth of Darcy–Weisbach for drawn plastic at ordinary velocities, where it was made', () => {
    for (const [bore, v] of [
      [0.1, 1],
      [0.1, 2],
      [0.3, 1.5],
    ] as const) {
      const flow = v * (Math.PI / 4) * bore ** 2;
      const darcy = pipelineOf([pipe({ bore, roughness: 1.5e-6, length: 100 })], 1.1e-6).friction(flow);
      expect(Math.abs(friction({ bore, hazenWilliams: 150, length: 100 }, flow) / darcy - 1)).toBeLessThan(0.1);
    }
  });
  it('loses less in a smoother pipe, and does not ask for its roughness', () => {
    expect(friction({ hazenWilliams: 150 }, 0.02)).toBeLessThan(friction({ hazenWilliams: 100 }, 0.02));
    expect(friction({ roughness: 0.003 }, 0.02)).toBe(friction({ roughness: 0 }, 0.02));
  });
  it('is the school of the station where that is chosen', () => {
    const s = newStation('t', 't', 'metric-230');
    const darcy = hydraulicsOf(s).at(0.5);
    const hazen = hydraulicsOf({ ...s, settings: { ...s.settings, friction: 'hazen-williams' } }).at(0.5);
    if (!darcy.ok || !hazen.ok) throw new Error('no duty');
    expect(hazen.flow).not.toBe(darcy.flow);
    expect(hazen.flow / darcy.flow).toBeCloseTo(1, 1);
  });
});

describe('orifice', () => {
  it('Torricelli: 1 m over a 10 mm hole with Cd 0.6 is 0.2087 L/s', () => {
    expect(orificeFlow(0.6, 0.01, 1) * 1000).toBeCloseTo(0.6 * 0.0785398 * Math.sqrt(2 * 9.80665), 4);
  });
  it('lets nothing through without head', () => expect(orificeFlow(0.6, 0.01, -1)).toBe(0));
});

/** A station's hydraulic parts with a straight pump curve from `shutOff` to nothing at `most`. */
function straight(shutOff: number, most: number, change: (s: Station) => void = () => {}): Station {
  const s = newStation('test', 'test', 'metric-230');
  s.pumps[0]!.curve = [
    { flow: 0, head: shutOff },
    { flow: most, head: 0 },
  ];
  s.discharge.weepHole = null;
  change(s);
  return s;
}

describe('operating point', () => {
  it('agrees with a solution by other means: fixed-point Colebrook inside a bisection', () => {
    const s = straight(10, 0.006);
    const [segment] = s.discharge.segments;
    const nu = kinematicViscosity(s.settings.waterTemperature);
    const area = (Math.PI / 4) * segment!.bore ** 2;
    const k = segment!.fittings.reduce((sum, f) => sum + f.k * f.count, 0) + 1;
    const surplus = (q: number) => {
      const v = q / area;
      let f = 0.02;
      for (let i = 0; i < 200; i++)
        f =
          (-2 *
            Math.log10(
              segment!.roughness / segment!.bore / 3.7 + 2.51 / (((v * segment!.bore) / nu) * Math.sqrt(f)),
            )) **
          -2;
      return (
        10 * (1 - q / 0.006) -
        (s.discharge.outlet - 0.5) -
        (((f * segment!.length) / segment!.bore + k) * (v * v)) / (2 * 9.80665)
      );
    };
    let [lo, hi] = [1e-4, 0.006];
    for (let i = 0; i < 200; i++) {
      const mid = (lo + hi) / 2;
      if (surplus(mid) > 0) lo = mid;
      else hi = mid;
    }
    const point = hydraulicsOf(s).at(0.5);
    expect(point.ok && point.flow).toBeCloseTo(lo, 10);
  });

  it('is where curve and pipe agree, and water is neither made nor lost at the weep hole', () => {
    const weeping = fc.record({
      level: fc.double({ min: 0, max: 1, noNaN: true }),
      hole: fc.double({ min: 0.001, max: 0.012, noNaN: true }),
      outlet: fc.double({ min: 1, max: 5, noNaN: true }),
    });
    fc.assert(
      fc.property(weeping, ({ level, hole, outlet }) => {
        const s = newStation('t', 't', 'metric-230');
        s.discharge.weepHole = { diameter: hole, height: 0.25 };
        s.discharge.outlet = outlet;
        const h = hydraulicsOf(s);
        const p = h.at(level);
        if (!p.ok) throw new Error(p.reason);
        expect(p.pumpFlow).toBeCloseTo(p.flow + p.weep, 12);
        expect(h.jointHead(p.flow, level)).toBeCloseTo(h.curves[0]!.at(p.pumpFlow), 8);
        s.discharge.weepHole = null;
        const dry = hydraulicsOf(s).at(level);
        expect(dry.ok && dry.flow).toBeGreaterThan(p.flow);
      }),
    );
  });

  it('delivers more as the water rises', () => {
    const h = hydraulicsOf(newStation('t', 't', 'us-120'));
    const flows = [0.1, 0.3, 0.5, 0.7, 0.9].map((level) => {
      const p = h.at(level);
      return p.ok ? p.flow : NaN;
    });
    expect(flows).toEqual([...flows].sort((a, b) => a - b));
  });

  it('says when the outlet is above shut-off, with both heads', () => {
    const point = hydraulicsOf(straight(2, 0.005, (s) => (s.discharge.outlet = 4))).at(0.5);
    expect(point).toMatchObject({ ok: false, reason: 'below-static-head', needs: 3.5, has: 2 });
  });

  it('says run-out instead of extrapolating', () => {
    const curve: CurvePoint[] = [
      { flow: 0, head: 20 },
      { flow: 0.0005, head: 19 },
    ];
    const point = hydraulicsOf(straight(1, 1, (s) => (s.pumps[0]!.curve = curve))).at(0.5);
    expect(point).toMatchObject({ ok: false, reason: 'run-out', atLeast: 0.0005 });
  });

  it('drains back the pipe below the check valve, or all of it without one', () => {
    const s = straight(10, 0.005);
    const area = (Math.PI / 4) * 0.0408 ** 2;
    expect(hydraulicsOf(s).drainback(1, 0).volume).toBeCloseTo(area * 1, 12);
    s.discharge.checkValve = null;
    expect(hydraulicsOf(s).drainback(1, 0).volume).toBeCloseTo(area * 12, 12);
  });
});
