import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { demoStations } from '../demo';
import { flowsOf } from '../inflow';
import { leastClearance, tripsOf, surroundsOf } from '../sensing';
import { type Sensor, type SensorRole } from '../sensors';
import { checkStation, newStation, type InflowSource, type Station } from '../station';
import { systemOf } from '../units';
import {
  moveCurvePoint,
  moveFloat,
  turnFloat,
  widenFloat,
  withControlFloats,
  withDuty,
  withDutyChoice,
  withFound,
  withKind,
  withObstacle,
  withPlace,
  withPumpCount,
  withPumpModel,
  withRole,
  withSensorPart,
  withSource,
} from './index';

const metric = () => newStation('a', 'b', 'metric-230');
const roles = (s: Station) => s.sensors.map((x) => x.role);
const sound = (s: Station) => {
  const checked = checkStation(s);
  expect(checked.ok ? [] : checked.problems).toEqual([]);
};
const KINDS: readonly Sensor['kind'][] = ['tilt', 'rod', 'side', 'bell', 'transmitter'];

describe('a station made into another', () => {
  it.each(['metric-230', 'us-120'] as const)(
    'keeps sound through duties, sources, pumps and floats (%s)',
    (profile) => {
      const system = systemOf(profile);
      for (const kind of ['empty', 'dose', 'fill', 'transfer', 'condensate'] as const) {
        const s = withDuty(newStation('a', 'b', profile), kind);
        sound(s);
        for (const source of ['steady', 'pattern', 'fixtures', 'storm', 'appliances'] as const)
          sound(withSource(s, source));
        for (const sensor of KINDS) sound(withKind(s, 'pump', sensor, system));
        const two = withControlFloats(s, 'two', system);
        sound(two);
        expect(roles(two)).toEqual(expect.arrayContaining(['stop', 'lead']));
        const one = withControlFloats(two, 'one', system);
        sound(one);
        expect(roles(one)).toContain('pump');
      }
    },
  );
  it('turns contacts with the duty: what fills opens on rise, what empties closes', () => {
    const contact = (s: Station) => s.sensors.find((x) => x.role === 'pump')!.contact;
    const fill = withDuty(metric(), 'fill');
    expect([contact(fill), contact(withDuty(fill, 'empty'))]).toEqual(['opens-on-rise', 'closes-on-rise']);
    expect(withDuty(metric(), 'empty')).toEqual(metric());
  });
  it('drops what has no more to do: lag floats with their pumps, a peak float with its timer, lags of a valve', () => {
    const three = withRole(withRole(withPumpCount(metric(), 3), 'lag', true, 'metric'), 'lag2', true, 'metric');
    sound(three);
    expect(roles(withPumpCount(three, 2))).not.toContain('lag2');
    expect(roles(withPumpCount(three, 1))).not.toContain('lag');
    const timed = withRole(withDuty(metric(), 'dose'), 'peak', true, 'metric');
    sound(timed);
    expect(roles(withDutyChoice(timed, 'mode', 'demand'))).not.toContain('peak');
    const pumped = withDutyChoice(withDuty(withPumpCount(metric(), 2), 'fill'), 'from', 'pump');
    const lagged = withRole(pumped, 'lag', true, 'metric');
    sound(lagged);
    expect(roles(withDutyChoice(lagged, 'from', 'valve'))).not.toContain('lag');
  });
  it('a low float of a tank that is filled rings; of a pit that is emptied it cuts, and rings as it was told', () => {
    const tank = withRole(withDuty(metric(), 'fill'), 'low', false, 'metric');
    const silent = { ...tank, alarm: { ...tank.alarm, low: false } };
    expect(withRole(silent, 'low', true, 'metric').alarm.low).toBe(true);
    expect(withRole(metric(), 'low', true, 'metric').alarm.low).toBe(metric().alarm.low);
  });
  it('tells another source with about the flows there were', () => {
    const before = flowsOf(metric().inflow);
    for (const kind of ['pattern', 'storm'] as const satisfies readonly InflowSource['kind'][]) {
      const { design, peak } = flowsOf(withSource(metric(), kind).inflow);
      expect(design / before.design).toBeGreaterThan(0.5);
      expect(design / before.design).toBeLessThan(2.5);
      expect(peak / before.peak).toBeGreaterThan(0.6);
    }
    const steady = withSource(withSource(metric(), 'storm'), 'steady');
    expect(flowsOf(steady.inflow).peak).toBeCloseTo(before.peak, 9);
  });
});

describe('floats', () => {
  it('keep their trips to a mark or so, whatever kind they become', () => {
    const s = metric();
    const before = tripsOf(s.sensors[0]!, surroundsOf(s));
    for (const kind of KINDS) {
      const { rise, fall } = tripsOf(withKind(s, 'pump', kind, 'metric').sensors[0]!, surroundsOf(s));
      expect(Math.abs(rise - before.rise)).toBeLessThan(0.006);
      if (kind !== 'side') expect(Math.abs(fall - before.fall)).toBeLessThan(0.006);
    }
  });
  it('of a new role hang between their neighbours, facing where they touch nothing that turning can avoid', () => {
    const s = withRole(withPumpCount(metric(), 2), 'lag', true, 'metric');
    const at = (role: SensorRole) =>
      tripsOf(
        s.sensors.find((x) => x.role === role)!,
        surroundsOf(s),
      );
    expect(at('lag').rise).toBeGreaterThan(at('pump').rise);
    expect(at('lag').rise).toBeLessThan(at('alarm').rise);
    expect(roles(withRole(s, 'lag', true, 'metric'))).toEqual(roles(s));
  });
  it('turn round, any number of degrees, and come back', () => {
    const s = metric();
    expect(turnFloat(s, 'pump', 0)).toBe(s);
    expect(turnFloat(s, 'pump', -90).sensors[0]!.place).toMatchObject({ bearing: 270 });
    expect(turnFloat(turnFloat(s, 'alarm', 725), 'alarm', 300)).toEqual(s);
    expect(leastClearance(turnFloat(s, 'pump', 270))!.clearance).toBeLessThan(leastClearance(s)!.clearance);
  });
  it('stay where they are when they leave the pole for a bracket, and take a weight and lose it', () => {
    const off = withPlace(metric(), 'pump', 'axis');
    sound(off);
    expect(off.sensors[0]!.place).toMatchObject({ from: 'axis', facing: 0 });
    sound(withPlace(off, 'pump', 'pole'));
    const hung = withSensorPart(metric(), 'pump', 'weight', true);
    sound(hung);
    expect(withSensorPart(hung, 'pump', 'weight', false)).toEqual(metric());
  });
  it('of every kind are moved by marks and never leave the pit; those of a fixed range are not widened', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...KINDS),
        fc.double({ min: -2, max: 2, noNaN: true }),
        fc.double({ min: -0.5, max: 0.5, noNaN: true }),
        (kind, by, wide) => {
          const s = withKind(metric(), 'pump', kind, 'metric');
          sound(moveFloat(s, 'pump', by, 'metric'));
          const widened = widenFloat(s, 'pump', wide, 'metric');
          sound(widened);
          if (kind === 'side' || kind === 'bell') expect(widened).toBe(s);
        },
      ),
    );
  });
  it('are taken down as found, and forgotten', () => {
    const s = withFound(metric(), true);
    expect(s.found).toEqual(metric().sensors);
    expect(moveFloat(s, 'pump', 0.1, 'metric').found).toEqual(metric().sensors);
    expect(withFound(s, false)).toEqual(metric());
  });
});

describe('pumps', () => {
  it('a further one is like the first and stands elsewhere', () => {
    const s = withPumpCount(metric(), 3);
    sound(s);
    expect(new Set(s.pumps.map((p) => p.bearing)).size).toBe(3);
    expect(s.control.alternates).toBe(true);
    expect(withPumpCount(s, 3)).toBe(s);
  });
  it('one of the library takes the place of one that is there, and stands where that stood', () => {
    const { pumps } = demoStations()[1]!.station;
    const { bearing: _b, offset: _o, riser: _r, riserBearing: _rb, riserOffset: _ro, motor: _m, ...model } = pumps[0]!;
    const s = withPumpModel(metric(), 0, model);
    expect(s.pumps[0]).toMatchObject({ name: pumps[0]!.name, bearing: 270 });
  });
  it('points of a curve are dragged anywhere and the curve still falls', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 4 }),
        fc.double({ min: -0.01, max: 0.02, noNaN: true }),
        fc.double({ min: -5, max: 30, noNaN: true }),
        (i, flow, head) => {
          const s = moveCurvePoint(metric(), 0, i, { flow, head });
          sound(s);
          expect(s.pumps[0]!.curve[0]!.flow).toBe(0);
        },
      ),
    );
  });
  it('obstacles are added sound', () => {
    sound(withObstacle(metric(), 'round'));
    sound(withObstacle(metric(), 'flat'));
  });
});
