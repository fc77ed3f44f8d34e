import { describe, expect, it } from 'vitest';
import { tripsOf as tripsIn, surroundsOf } from '../sensing';
import { type Sensor } from '../sensors';
import { checkStation, depthOf, newStation, type DocumentPath, type Station } from '../station';
import {
  getAt,
  moveFloat,
  setAt,
  widenFloat,
  withKind,
  withProfile,
  withSensorPart,
  withRole,
  withSection,
  withShape,
} from './index';

const tripsOf = (s: Sensor) => tripsIn(s, surroundsOf(metric()));
const metric = () => newStation('a', 'b', 'metric-230');
const us = () => newStation('a', 'b', 'us-120');
const pumpOf = (s: Station): Sensor => s.sensors.find((x) => x.role === 'pump')!;
const clipOf = (s: Station) => (pumpOf(s) as Extract<Sensor, { kind: 'tilt' }>).clip;

describe('setAt', () => {
  it('replaces one value and shares the rest', () => {
    const before = metric();
    const after = setAt(before, 'pumps.0.curve.1.head', 7.5);
    expect(getAt(after, 'pumps.0.curve.1.head')).toBe(7.5);
    expect(before.pumps[0]!.curve[1]!.head).toBe(7.6);
    expect(after.vessel).toBe(before.vessel);
  });
  it.each([
    'pumps.3.intake',
    'pumps.1',
    'pumps.-1',
    'pumps.0.5',
    'vessel.colour',
    'pumps.0.curve.x',
    '__proto__.polluted',
  ])('refuses a path that is not there: %s', (path) =>
    expect(() => setAt(metric(), path as DocumentPath, 1)).toThrow(RangeError),
  );
  it('reads nothing where there is nothing', () => expect(getAt(metric(), 'vessel.colour.depth')).toBeUndefined());
});

describe('moving a float', () => {
  it('goes to the nearest mark of the tape: 5 mm, or a quarter inch', () => {
    expect(clipOf(moveFloat(metric(), 'pump', 0.0212, 'metric'))).toBeCloseTo(0.47, 12);
    expect(clipOf(moveFloat(us(), 'pump', 0.3 * 0.0254, 'us'))).toBeCloseTo(18.25 * 0.0254, 7);
  });
  it('is held between floor and rim', () => {
    expect(clipOf(moveFloat(metric(), 'pump', 9, 'metric'))).toBe(1.2);
    expect(clipOf(moveFloat(metric(), 'pump', -9, 'metric'))).toBe(0);
  });
  it('moves both stops of a rod float, and keeps their distance at the floor', () => {
    const rod = withKind(metric(), 'pump', 'rod', 'metric');
    const low = pumpOf(moveFloat(rod, 'pump', -5, 'metric'));
    expect(low.kind === 'rod' && low.lowerStop).toBeCloseTo(0, 9);
    const width = (s: Sensor) => tripsOf(s).rise - tripsOf(s).fall;
    expect(width(low)).toBeCloseTo(width(pumpOf(rod)), 9);
  });
  it('does nothing to the document when nothing moves', () => {
    const s = metric();
    expect(moveFloat(s, 'pump', 0.001, 'metric').sensors[0]).toBe(s.sensors[0]);
  });
});

describe('widening a float', () => {
  it('lengthens the tether by marks', () => {
    const wide = pumpOf(widenFloat(metric(), 'pump', 0.01, 'metric'));
    expect(wide.kind === 'tilt' && wide.tether).toBeCloseTo(0.16, 9);
  });
  it('stops short of nothing and of the vessel', () => {
    expect(pumpOf(widenFloat(metric(), 'pump', -0.2, 'metric'))).toEqual(pumpOf(metric()));
    expect(pumpOf(widenFloat(metric(), 'pump', 5, 'metric'))).toEqual(pumpOf(metric()));
  });
});

describe('changing what is there', () => {
  it('keeps the trips, to a mark of the tape, when a float changes its kind', () => {
    const before = tripsOf(pumpOf(metric()));
    const rod = withKind(metric(), 'pump', 'rod', 'metric');
    expect(Math.abs(tripsOf(pumpOf(rod)).rise - before.rise)).toBeLessThanOrEqual(0.0025);
    const back = tripsOf(pumpOf(withKind(rod, 'pump', 'tilt', 'metric')));
    expect(Math.abs(back.rise - before.rise)).toBeLessThanOrEqual(0.006);
    expect(Math.abs(back.fall - before.fall)).toBeLessThanOrEqual(0.006);
  });
  it('changes the shape and keeps the depth', () => {
    const box = withShape(metric(), 'box').vessel.shape;
    expect(box).toEqual({ kind: 'box', length: 0.8, width: 0.8, depth: 1.2 });
    expect(withShape(withShape(metric(), 'box'), 'cylinder').vessel.shape).toEqual(metric().vessel.shape);
    for (const kind of ['frustum', 'stacked', 'table', 'lying', 'box', 'cylinder'] as const) {
      const changed = withShape(metric(), kind);
      expect(checkStation(changed)).toMatchObject({ ok: true });
      expect(depthOf(changed.vessel.shape)).toBeCloseTo(1.2, 12);
    }
  });
  it('takes a range as measured from the one worked out, to the millimetre, and lets it go again', () => {
    const measuredOnce = withSensorPart(metric(), 'pump', 'measured', true);
    const measured = pumpOf(measuredOnce);
    expect(measured.kind === 'tilt' && measured.measured).toEqual({ above: 0.141, below: 0.141 });
    expect(withSensorPart(measuredOnce, 'pump', 'measured', false)).toEqual(metric());
    const rod = withKind(metric(), 'pump', 'rod', 'metric');
    expect(withSensorPart(rod, 'pump', 'measured', true)).toEqual(rod);
  });
  it('brings the mains of a profile and leaves what was measured', () => {
    const changed = withProfile(metric(), 'us-120');
    expect(changed.supply).toMatchObject({ voltage: 120, frequency: 60, breaker: 10 });
    expect(changed.vessel).toEqual(metric().vessel);
    expect(withProfile(withProfile(metric(), 'us-120'), 'metric-230')).toEqual(metric());
  });
  it('changes one section of a stacked vessel', () => {
    const changed = withSection(withShape(metric(), 'stacked'), 1, 'box').vessel.shape;
    expect(changed.kind === 'stacked' && changed.sections.map((s) => [s.kind, s.depth])).toEqual([
      ['cylinder', 0.6],
      ['box', 0.6],
    ]);
    expect(withSection(metric(), 0, 'box')).toEqual(metric());
  });
  it('takes the alarm float out and hangs one back, still a sound document', () => {
    const without = withRole(metric(), 'alarm', false, 'metric');
    expect(without.sensors.map((s) => s.role)).toEqual(['pump']);
    const again = withRole(without, 'alarm', true, 'metric');
    expect(checkStation(again).ok).toBe(true);
    const { rise } = tripsOf(again.sensors[1]!);
    expect(rise).toBeGreaterThan(tripsOf(again.sensors[0]!).rise);
    expect(rise).toBeLessThan(again.vessel.overflow);
  });
});
