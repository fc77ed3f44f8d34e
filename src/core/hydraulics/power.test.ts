import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { demoStations } from '../demo';
import { judge } from '../levels';
import { density, GRAVITY } from '../physics';
import { newStation, type Pump } from '../station';
import { ampsAt, powerOf } from './power';

const three = { source: 'three', voltage: 400 } as const;
const single = { source: 'single', voltage: 230 } as const;
const [pump] = newStation('a', 'b', 'metric-230').pumps;

describe('what a motor draws by flow', () => {
  it('takes its plate’s input and current at the last flow of its curve, where no power is known', () => {
    const last = pump!.curve.at(-1)!.flow;
    expect(powerOf(pump!, single)(last)).toBeCloseTo(230 * pump!.ratedCurrent * 0.8, 9);
    expect(ampsAt(pump!, single, powerOf(pump!, single)(last))).toBeCloseTo(pump!.ratedCurrent, 9);
    expect(powerOf(pump!, single)(0) / powerOf(pump!, single)(last)).toBeCloseTo(0.55, 9);
  });
  it('three phases by hand: 3 kW at cos φ 0.85 and 6.0 A of plate is 6.0 A; half the power √(0.5² + tan²φ)/√(1 + tan²φ) of it', () => {
    const p: Pump = { ...pump!, ratedCurrent: 6, motor: { ...pump!.motor, powerFactor: 0.85 } };
    const full = Math.sqrt(3) * 400 * 6 * 0.85;
    expect(ampsAt(p, three, full)).toBeCloseTo(6, 9);
    const tan = Math.sqrt(1 - 0.85 ** 2) / 0.85;
    expect(ampsAt(p, three, full / 2) / 6).toBeCloseTo(Math.sqrt((0.25 + tan ** 2) / (1 + tan ** 2)), 9);
  });
  it('goes through the points of its maker, and holds the ends', () => {
    const points = [
      { flow: 0, power: 400 },
      { flow: 1e-3, power: 520 },
      { flow: 3e-3, power: 610 },
    ];
    const of = powerOf({ ...pump!, power: points }, single);
    for (const p of points) expect(of(p.flow)).toBeCloseTo(p.power, 9);
    expect([of(-1), of(1)]).toEqual([400, 610].map((x) => expect.closeTo(x, 9)));
  });
  it('more power is more current', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 5000, noNaN: true }), (watts) => {
        expect(ampsAt(pump!, single, watts + 10)).toBeGreaterThan(ampsAt(pump!, single, watts));
      }),
    );
  });
  it('no demo pump does more work than it draws: P ≥ ρ·g·Q·H', () => {
    for (const { station } of demoStations()) {
      for (const { point } of judge(station).operatingPoints) {
        if (!point.ok || point.pumps.length === 0) continue;
        const [first] = point.pumps;
        const hydraulic = density(10) * GRAVITY * first!.pumpFlow * first!.head;
        expect(powerOf(station.pumps[0]!, station.supply)(first!.pumpFlow)).toBeGreaterThan(hydraulic);
      }
    }
  });
});
