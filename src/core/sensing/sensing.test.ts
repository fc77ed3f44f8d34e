import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { contactClosed, hasRisen, surroundsOf, tripsOf as tripsIn } from './index';
import { kindOf, leanOf, type Sensor, type SensorOf } from '../sensors';
import { newStation } from '../station';

const AROUND = surroundsOf(newStation('a', 'b', 'metric-230'));
const tripsOf = (s: Sensor) => tripsIn(s, AROUND);
const moved = <S extends Sensor>(s: S, by: number): S => kindOf(s).moved(s, by);
const widened = <S extends Sensor>(s: S, by: number): S => kindOf(s).widened(s, by)!;
const settingOf = <S extends Sensor>(s: S) => kindOf(s).setting(s);

const tilt: SensorOf<'tilt'> = {
  id: 'pump',
  role: 'pump',
  kind: 'tilt',
  duty: 'motor',
  contact: 'closes-on-rise',
  changeover: false,
  place: { from: 'pole', bearing: 0, offset: 0.02 },
  contactRating: 8,
  cordLength: 5,
  clip: 0.5,
  tether: 0.15,
  body: 0.1,
  thickness: 0.08,
  riseDeg: 45,
  fallDeg: 45,
  measured: null,
  weight: null,
};
const rod: SensorOf<'rod'> = {
  id: 'alarm',
  role: 'alarm',
  kind: 'rod',
  duty: 'control',
  contact: 'opens-on-rise',
  changeover: false,
  place: { from: 'pole', bearing: 0, offset: 0.02 },
  latch: 'magnet',
  contactRating: 1,
  cordLength: 5,
  upperStop: 0.4,
  lowerStop: 0.3,
};

describe('trips', () => {
  it('by hand: an arm of 200 mm at ±45° acts 141.4 mm above and below its clip', () => {
    expect(tripsOf(tilt).rise).toBeCloseTo(0.6414214, 6);
    expect(tripsOf(tilt).fall).toBeCloseTo(0.3585786, 6);
  });
  it('by hand: ±10° on the same arm is 34.7 mm', () => {
    const { rise, fall } = tripsOf({ ...tilt, riseDeg: 10, fallDeg: 10 });
    expect(rise - 0.5).toBeCloseTo(0.0347296, 6);
    expect(0.5 - fall).toBeCloseTo(0.0347296, 6);
  });
  it('are those measured, where they were measured, wherever the clip is put', () => {
    const measured = { ...tilt, measured: { above: 0.12, below: 0.16 } };
    expect(tripsOf(measured).rise).toBeCloseTo(0.62, 12);
    expect(tripsOf(measured).fall).toBeCloseTo(0.34, 12);
    expect(tripsOf(moved(measured, 0.1)).rise).toBeCloseTo(0.72, 12);
  });
  it('are worked out again when the tether changes, for the measurement was of another', () => {
    const changed = widened({ ...tilt, measured: { above: 0.12, below: 0.16 } }, 0.05);
    expect(changed.kind === 'tilt' && changed.measured).toBeNull();
    expect(tripsOf(changed)).toEqual(tripsOf(widened(tilt, 0.05)));
  });
  it('of a rod float are its stops', () => expect(tripsOf(rod)).toEqual({ rise: 0.4, fall: 0.3 }));
  it('keep their differential wherever the float is clipped, and grow with the tether', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -0.3, max: 0.5, noNaN: true }),
        fc.double({ min: 0.01, max: 0.5, noNaN: true }),
        (by, more) => {
          const width = (t: { rise: number; fall: number }) => t.rise - t.fall;
          expect(width(tripsOf(moved(tilt, by)))).toBeCloseTo(width(tripsOf(tilt)), 10);
          expect(width(tripsOf(widened(tilt, more)))).toBeGreaterThan(width(tripsOf(tilt)));
          expect(width(tripsOf(widened(rod, more)))).toBeCloseTo(0.1 + more, 10);
        },
      ),
    );
  });
});

describe('posture', () => {
  it('hangs, floats level and stands as the water comes up', () => {
    expect(leanOf(tilt, 0)).toBeCloseTo(-Math.PI / 2, 12);
    expect(leanOf(tilt, 0.5)).toBe(0);
    expect(leanOf(tilt, tripsOf(tilt).rise)).toBeCloseTo(Math.PI / 4, 12);
    expect(leanOf(tilt, 2)).toBeCloseTo(Math.PI / 2, 12);
  });
  it('keeps what it did between its trips', () => {
    expect(hasRisen(tripsOf(tilt), 0.7, false)).toBe(true);
    expect(hasRisen(tripsOf(tilt), 0.5, true)).toBe(true);
    expect(hasRisen(tripsOf(tilt), 0.5, false)).toBe(false);
    expect(hasRisen(tripsOf(tilt), 0.3, true)).toBe(false);
  });
  it('closes on rise, or opens', () => {
    expect([contactClosed(tilt, true), contactClosed(tilt, false)]).toEqual([true, false]);
    expect([contactClosed(rod, true), contactClosed(rod, false)]).toEqual([false, true]);
  });
  it('is set by its clip, or its upper stop', () => expect([settingOf(tilt), settingOf(rod)]).toEqual([0.5, 0.4]));
});
