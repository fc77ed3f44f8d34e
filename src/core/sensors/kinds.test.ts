import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { GRAVITY } from '../physics';
import { newStation } from '../station';
import { contactClosed, cordNeeded, hasRisen, tripsOf, surroundsOf } from '../sensing';
import { breatherShift, pressureForLevel, waterInBell } from './bell';
import { kindOf, type Sensor, type SensorOf } from './index';

const AROUND = surroundsOf(newStation('a', 'b', 'metric-230'));
const base = {
  id: 's',
  role: 'pump',
  duty: 'control',
  contact: 'closes-on-rise',
  changeover: false,
  contactRating: 1,
  cordLength: 9,
  place: { from: 'pole', bearing: 0, offset: 0.02 },
} as const;
const bell: SensorOf<'bell'> = {
  ...base,
  kind: 'bell',
  mouth: 0.4,
  height: 0.2,
  area: 0.01,
  air: 0.0022,
  on: 5000,
  off: 2000,
};
const side: SensorOf<'side'> = { ...base, kind: 'side', height: 0.5, differential: 0.012 };
const transmitter: SensorOf<'transmitter'> = { ...base, kind: 'transmitter', zero: 0.05, span: 2, on: 0.9, off: 0.4 };
const rod: SensorOf<'rod'> = { ...base, kind: 'rod', latch: 'magnet', upperStop: 0.6, lowerStop: 0.3 };
const tilt: SensorOf<'tilt'> = {
  ...base,
  kind: 'tilt',
  clip: 0.5,
  tether: 0.15,
  body: 0.1,
  thickness: 0.08,
  riseDeg: 45,
  fallDeg: 45,
  measured: null,
  weight: null,
};
const ALL: readonly Sensor[] = [tilt, rod, side, bell, transmitter];

describe('what a tape can set', () => {
  it('is possible for every kind as it usually hangs; a tether too short to tilt, or longer than the pit, is not', () => {
    for (const s of ALL) expect([s.kind, kindOf(s).possible(s, 2, AROUND, 0.05)]).toEqual([s.kind, true]);
    expect(kindOf(tilt).possible({ ...tilt, tether: 0.01 }, 2, AROUND, 0.05)).toBe(false);
    expect(kindOf(tilt).possible({ ...tilt, tether: 2 }, 2, AROUND, 0.05)).toBe(false);
  });
});

describe('tethers that a float is tried with', () => {
  const marks = (step: number, most: number) => [0.1, 0.15, 0.2, 0.25, 0.3].filter((m) => m > step / 2 && m <= most);
  it('are no longer than leaves room to lie level; trips that were measured go with the tether at which they were', () => {
    const measured = { above: 0.09, below: 0.08 };
    const all = kindOf(tilt).ranges({ ...tilt, measured }, { depth: 2, widest: 0.36, step: 0.05, marks } as never);
    // 0.36 m wide less a body of 0.10 m.
    expect(all.map((f) => [f.kind === 'tilt' && f.tether, f.kind === 'tilt' && f.measured])).toEqual([
      [0.1, null],
      [0.15, measured],
      [0.2, null],
      [0.25, null],
    ]);
    const low = kindOf(tilt).ranges(tilt, { depth: 0.31, widest: 5, step: 0.05, marks } as never);
    expect(low.map((f) => f.kind === 'tilt' && f.tether)).toEqual([0.1, 0.15, 0.2]);
  });
});

describe('a pressure bell (Boyle’s law: Young and Freedman, University Physics, section 18.1)', () => {
  it('by hand: at 5 kPa over 101 325 Pa, 2.2 L of air over 100 cm² has let the water up 10.3 mm', () => {
    // (p₀ + p)·(V − A·x) = p₀·V → x = V/A · p/(p₀ + p) = 0.22 · 5000/106325
    expect(waterInBell(bell, 5000, 101325)).toBeCloseTo((0.22 * 5000) / 106325, 12);
    expect(waterInBell(bell, 5000, 101325)).toBeCloseTo(0.010346, 6);
  });
  it('acts where the head over the water inside holds that pressure', () => {
    const { rise, fall } = tripsOf(bell, AROUND);
    expect(rise).toBeCloseTo(0.4 + 0.010346 + 5000 / (999.7 * GRAVITY), 4);
    expect(rise).toBeGreaterThan(fall);
  });
  it('pressure and level are inverse', () => {
    fc.assert(
      fc.property(fc.double({ min: 10, max: 20000, noNaN: true }), (p) => {
        const level = tripsOf({ ...bell, on: p, off: 1 }, AROUND).rise;
        expect(pressureForLevel(bell, level, AROUND) / p).toBeCloseTo(1, 6);
      }),
    );
    expect(pressureForLevel(bell, 0.3, AROUND)).toBe(0);
  });
  it('a blocked breather that holds 500 Pa moves the trip up by about 50 mm of water and what more the air gives', () => {
    const shift = breatherShift(bell, 500, AROUND);
    expect(shift).toBeGreaterThan(500 / (AROUND.density * GRAVITY));
    expect(shift).toBeCloseTo(0.052, 3);
    expect(breatherShift(bell, -500, AROUND)).toBeLessThan(0);
  });
  it('in thin air gives more way', () =>
    expect(tripsOf(bell, { ...AROUND, airPressure: 70000 }).rise).toBeGreaterThan(tripsOf(bell, AROUND).rise));
});

describe('every kind', () => {
  it.each(ALL.map((s) => [s.kind, s] as const))('%s: rise over fall, moved whole, back where it was', (_, sensor) => {
    const before = tripsOf(sensor, AROUND);
    expect(before.rise).toBeGreaterThan(before.fall);
    const kind = kindOf(sensor);
    const up = tripsOf(kind.moved(sensor, 0.1), AROUND);
    expect(up.rise - before.rise).toBeCloseTo(0.1, 9);
    expect(up.fall - before.fall).toBeCloseTo(0.1, 9);
    expect(kind.setting(kind.moved(sensor, 0.1)) - kind.setting(sensor)).toBeCloseTo(0.1, 12);
    expect(kind.moved(kind.moved(sensor, 0.1), -0.1)).toEqual(expect.objectContaining({ kind: sensor.kind }));
  });
  it.each(ALL.map((s) => [s.kind, s] as const))(
    '%s: its setting is first of what is measured, and inside its extent',
    (_, sensor) => {
      const kind = kindOf(sensor);
      const [first] = kind.measures(sensor);
      expect(first!.value).toBeCloseTo(kind.setting(sensor), 12);
      const [low, high] = kind.extent(sensor);
      expect(kind.setting(sensor)).toBeGreaterThanOrEqual(low);
      expect(kind.setting(sensor)).toBeLessThanOrEqual(high);
    },
  );
  it('only what has a range of its own can be widened', () => {
    expect(ALL.map((s) => kindOf(s).widened(s, 0.05) !== null)).toEqual([true, true, false, false, true]);
  });
  it('a switch through the wall goes back as soon as the water is a little lower; thresholds are the controller’s', () => {
    expect(tripsOf(side, AROUND)).toEqual({ rise: 0.5, fall: expect.closeTo(0.488, 12) });
    expect(tripsOf(transmitter, AROUND)).toEqual({ rise: 0.9, fall: 0.4 });
    expect(tripsOf(rod, AROUND)).toEqual({ rise: 0.6, fall: 0.3 });
  });
  it('keeps what it did between its trips, and its contact follows or opposes', () => {
    const trips = tripsOf(rod, AROUND);
    expect([0.7, 0.45, 0.2].map((l) => hasRisen(trips, l, true))).toEqual([true, true, false]);
    expect([0.7, 0.45, 0.2].map((l) => hasRisen(trips, l, false))).toEqual([true, false, false]);
    expect(contactClosed({ ...rod, contact: 'opens-on-rise' }, true)).toBe(false);
  });
  it('needs cord from where it is fixed to the rim and on, a tether more where it hangs on one', () => {
    expect(ALL.map((s) => cordNeeded(s, 1.5, 2))).toEqual(
      [0.15 + 1 + 2, 0.9 + 2, 1 + 2, 1.1 + 2, 1.45 + 2].map((x) => expect.closeTo(x, 12)),
    );
  });
});
