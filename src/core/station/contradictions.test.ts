import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { withDuty, withPumpCount } from '../editing';
import { judge } from '../levels';
import type { UnitSystem } from '../units';
import type { Sensor } from '../sensors';
import {
  checkStation,
  CURRENT_VERSION,
  curveRows,
  newStation,
  patternRows,
  readCurveRows,
  readPatternRows,
  readStormRows,
  stormRows,
  type Station,
} from './index';

const sound = () => newStation('Sump', 'Yard', 'metric-230');
const problemsOf = (input: unknown) => {
  const checked = checkStation(input);
  return checked.ok ? [] : checked.problems;
};
const base = () => {
  const { id, role, duty, contact, changeover, contactRating, cordLength, place } = sound().sensors[0]!;
  return { id, role, duty, contact, changeover, contactRating, cordLength, place };
};
const rod = (role: Sensor['role'], lowerStop: number, upperStop: number): Sensor => ({
  ...base(),
  id: role,
  role,
  kind: 'rod',
  latch: 'snap',
  upperStop,
  lowerStop,
});

describe('what contradicts itself, in the trade’s words', () => {
  it('a pipe as rough as a twentieth of its bore, and not one a hair smoother', () => {
    const rough = (share: number): Station => {
      const s = sound();
      s.discharge.segments[0]!.roughness = s.discharge.segments[0]!.bore * share;
      return s;
    };
    expect(problemsOf(rough(1 / 20)).map((p) => p.message)).toEqual([expect.stringMatching(/no friction formula/)]);
    expect(problemsOf(rough(1 / 20.001))).toEqual([]);
  });
  it.each<[string, string, RegExp, (s: Station) => void]>([
    [
      'a storm that runs backwards',
      'inflow.source.rows.2.time',
      /a storm runs forward/,
      (s) =>
        (s.inflow.source = {
          kind: 'storm',
          base: 1e-4,
          rows: [
            { time: 0, flow: 1e-3 },
            { time: 600, flow: 2e-3 },
            { time: 500, flow: 1e-3 },
          ],
        }),
    ],
    [
      'a storm that never comes',
      'inflow.source.rows.0.flow',
      /never brings more/,
      (s) =>
        (s.inflow.source = {
          kind: 'storm',
          base: 1e-2,
          rows: [
            { time: 0, flow: 1e-3 },
            { time: 600, flow: 2e-3 },
          ],
        }),
    ],
    [
      'a day without water',
      'inflow.source.factors.0',
      /nothing in every hour/,
      (s) => (s.inflow.source = { kind: 'pattern', mean: 1e-4, factors: Array.from({ length: 24 }, () => 0) }),
    ],
    [
      'two pumps of one name with two curves',
      'pumps.1.curve',
      /curves contradict each other/,
      (s) => (s.pumps = [s.pumps[0]!, { ...s.pumps[0]!, curve: s.pumps[0]!.curve.slice(0, 3) }]),
    ],
    [
      'laterals with no orifices',
      'discharge.laterals.orifices',
      /no orifices let no water out/,
      (s) =>
        (s.discharge.laterals = {
          count: 2,
          length: 5,
          bore: 0.03,
          roughness: 0,
          hazenWilliams: 150,
          orifices: 0,
          orifice: 0.004,
          coefficient: 0.6,
          squirt: 1,
        }),
    ],
    [
      'orifices as wide as their pipe',
      'discharge.laterals.orifice',
      /as wide as the lateral/,
      (s) =>
        (s.discharge.laterals = {
          count: 2,
          length: 5,
          bore: 0.03,
          roughness: 0,
          hazenWilliams: 150,
          orifices: 4,
          orifice: 0.03,
          coefficient: 0.6,
          squirt: 1,
        }),
    ],
    [
      'a high point that is none',
      'discharge.highPoint.height',
      /then it is none/,
      (s) => (s.discharge.highPoint = { height: 2, along: 1, vented: true }),
    ],
    [
      'a high point past the end',
      'discharge.highPoint.along',
      /only 12\.00 m long/,
      (s) => (s.discharge.highPoint = { height: 5, along: 30, vented: true }),
    ],
    [
      'more in the open than there is',
      'discharge.exposed',
      /in the open than there is/,
      (s) => (s.discharge.exposed = 30),
    ],
    [
      'a lag float for a pump that is not there',
      'sensors.2.role',
      /a lag float calls a pump that is not there: this station has 1/,
      (s) => s.sensors.push(rod('lag', 0.6, 0.65)),
    ],
    [
      'a peak float without a timer',
      'sensors.2.role',
      /shortens the rest of a dosing timer/,
      (s) => s.sensors.push(rod('peak', 0.6, 0.65)),
    ],
    [
      'two floats of one role',
      'sensors.2.role',
      /there is already an alarm float/,
      (s) => s.sensors.push({ ...s.sensors[1]!, id: 'bell' }),
    ],
    [
      'a pump float and a lead float',
      'sensors',
      /have one or the other/,
      (s) => s.sensors.push(rod('lead', 0.6, 0.65)),
    ],
    [
      'a start without a stop',
      'sensors',
      /nothing stops the pump: a stop float is missing/,
      (s) => (s.sensors = [rod('lead', 0.4, 0.6)]),
    ],
    [
      'a stop without a start',
      'sensors',
      /nothing starts the pump: a lead float is missing/,
      (s) => (s.sensors = [rod('stop', 0.4, 0.6)]),
    ],
    [
      'a bell whose pressures are crossed',
      'sensors.0.off',
      /must be below the pressure on/,
      (s) =>
        (s.sensors[0] = {
          ...base(),
          kind: 'bell',
          mouth: 0.2,
          height: 0.2,
          area: 0.01,
          air: 0.003,
          on: 2000,
          off: 3000,
        }),
    ],
    [
      'a bell with less air than it holds',
      'sensors.0.air',
      /it is bell and tube together/,
      (s) =>
        (s.sensors[0] = {
          ...base(),
          kind: 'bell',
          mouth: 0.2,
          height: 0.2,
          area: 0.01,
          air: 0.001,
          on: 3000,
          off: 2000,
        }),
    ],
    [
      'a switch that goes back below the floor',
      'sensors.0.differential',
      /below the floor/,
      (s) => (s.sensors[0] = { ...base(), kind: 'side', height: 0.1, differential: 0.2 }),
    ],
    [
      'thresholds crossed',
      'sensors.0.off',
      /below the upper one/,
      (s) => (s.sensors[0] = { ...base(), kind: 'transmitter', zero: 0, span: 2, on: 0.4, off: 0.5 }),
    ],
    [
      'a float thicker than long',
      'sensors.0.thickness',
      /thicker than it is long/,
      (s) => Object.assign(s.sensors[0]!, { thickness: 0.3 }),
    ],
    [
      'an obstacle upside down',
      'obstacles.0.to',
      /above its foot/,
      (s) =>
        s.obstacles.push({ kind: 'round', name: 'post', bearing: 0, offset: 0.1, diameter: 0.05, from: 1, to: 0.5 }),
    ],
    ['four pumps', 'pumps', /three pumps at most/, (s) => (s.pumps = Array.from({ length: 4 }, () => s.pumps[0]!))],
    ['a bearing of 400°', 'pole.bearing', /less than 360°/, (s) => (s.pole.bearing = 400)],
  ])('%s', (_, path, message, spoil) => {
    const s = sound();
    spoil(s);
    expect(problemsOf(s)).toContainEqual({ path, message: expect.stringMatching(message) });
  });

  it('a float that fills opens on rise, one that empties closes', () => {
    const fill = withDuty(sound(), 'fill');
    expect(problemsOf(fill)).toEqual([]);
    const wrong = {
      ...fill,
      sensors: fill.sensors.map((s) => (s.role === 'pump' ? { ...s, contact: 'closes-on-rise' as const } : s)),
    };
    expect(problemsOf(wrong)[0]).toMatchObject({
      path: 'sensors.0.contact',
      message: expect.stringMatching(/NC hanging/),
    });
    const valve = {
      ...withPumpCount(fill, 2),
      sensors: [...fill.sensors, { ...rod('lag', 0.2, 0.3), contact: 'opens-on-rise' as const }],
    };
    expect(problemsOf(valve)).toContainEqual({
      path: 'sensors.2.role',
      message: expect.stringMatching(/filled through a valve/),
    });
  });
  it('a rest at peak that is longer than the rest, a store up to the overflow', () => {
    const dose = withDuty(sound(), 'dose');
    if (dose.duty.kind === 'dose')
      expect(problemsOf({ ...dose, duty: { ...dose.duty, peakOff: 9000 } })[0]).toMatchObject({ path: 'duty.peakOff' });
    const fill = withDuty(sound(), 'fill');
    if (fill.duty.kind === 'fill')
      expect(problemsOf({ ...fill, duty: { ...fill.duty, keep: 1.2 } })[0]).toMatchObject({ path: 'duty.keep' });
  });
});

describe('storms from a file', () => {
  it('in minutes unless the heading says otherwise, read back as they were written', () => {
    expect(
      readStormRows(
        [
          ['0', '1'],
          ['10', '5'],
        ],
        'metric',
      ),
    ).toEqual({
      ok: true,
      rows: [
        { time: 0, flow: 1e-3 },
        { time: 600, flow: 5e-3 },
      ],
    });
    const hours = readStormRows(
      [
        ['Time (h)', 'Flow (gpm)'],
        ['0', '10'],
        ['0.5', '40'],
      ],
      'metric',
    );
    expect(hours.ok && hours.rows[1]!.time).toBe(1800);
    for (const system of ['metric', 'us'] as UnitSystem[]) {
      const rows = [
        { time: 0, flow: 1e-3 },
        { time: 450, flow: 7.7e-3 },
      ];
      const back = readStormRows(stormRows(rows, system), system);
      expect(back.ok && back.rows).toEqual(rows.map((r) => ({ time: r.time, flow: expect.closeTo(r.flow, 9) })));
    }
  });
  it.each([
    [
      [
        ['0', '1'],
        ['5', '2'],
        ['10', '3'],
        ['25', '2'],
        ['30', '1'],
      ],
      /between rows 3 and 4 the storm has a gap of 15 min 00 s, where its rows are 5 min 00 s apart/,
    ],
    [
      [
        ['0', '1'],
        ['10', '2'],
        ['5', '3'],
      ],
      /row 3 of the storm is at 5 min 00 s, not after/,
    ],
    [
      [
        ['0', '1'],
        ['x', '2'],
      ],
      /row 2.*not time and flow/,
    ],
    [
      [
        ['time', 'pressure'],
        ['0', '1'],
      ],
      /no column is headed “flow”/,
    ],
  ])('refuses %j', (rows, message) => {
    const read = readStormRows(rows as string[][], 'metric');
    expect(read.ok ? '' : read.problems.join('; ')).toMatch(message);
  });
  it('takes a storm of points that keep no step', () =>
    expect(
      readStormRows(
        [
          ['0', '1'],
          ['7', '2'],
          ['20', '3'],
          ['90', '1'],
        ],
        'metric',
      ).ok,
    ).toBe(true));
});

describe('daily patterns from a file', () => {
  const factors = Array.from({ length: 24 }, (_, h) => h / 10);
  it('come back as they were written, whatever the order of the hours', () => {
    const [head, ...rows] = patternRows(factors);
    expect(readPatternRows([head!, ...rows.reverse()], 'metric')).toEqual({ ok: true, factors });
  });
  it('are refused when an hour is missing, is there twice, or is none', () => {
    const rows = patternRows(factors);
    const read = readPatternRows([...rows.slice(0, 12), ['5', '1'], ['24', '1'], ...rows.slice(13)], 'metric');
    expect(read.ok ? '' : read.problems.join('; ')).toMatch(
      /hour 5 stands there 2 times; hour 11 is missing.*24 is not an hour/,
    );
  });
});

it('a curve comes back as it was written', () => {
  const { curve } = sound().pumps[0]!;
  for (const system of ['metric', 'us'] as UnitSystem[]) {
    const back = readCurveRows(curveRows(curve, system), system);
    expect(back.ok && back.points).toEqual(
      curve.map((p) => ({ flow: expect.closeTo(p.flow, 9), head: expect.closeTo(p.head, 7) })),
    );
  }
});

describe('a document of version 2, as it was written when version 2 was new', () => {
  const old: unknown = JSON.parse(readFileSync(new URL('./fixtures/version-2.json', import.meta.url), 'utf8'));
  it('opens, sound, with its levels where they were', () => {
    const checked = checkStation(old);
    if (!checked.ok) throw new Error(JSON.stringify(checked.problems));
    const { station } = checked;
    expect([station.version, station.duty, station.inflow.infiltration, station.found]).toEqual([
      CURRENT_VERSION,
      { kind: 'empty' },
      0,
      null,
    ]);
    const clips = (old as { sensors: { clip?: number; upperStop?: number }[] }).sensors.map(
      (s) => s.clip ?? s.upperStop,
    );
    expect(station.sensors.map((s) => (s.kind === 'tilt' ? s.clip : s.kind === 'rod' ? s.upperStop : null))).toEqual(
      clips,
    );
  });
  it('is not told that its floats touch, of which it never said where they are', () => {
    const checked = checkStation(old);
    expect(checked.ok && judge(checked.station).rules.find((r) => r.id === 'swing')!.state).not.toBe('broken');
  });
});

describe('power, walls and least flows', () => {
  const changed = (change: (s: Station) => void) => {
    const s = sound();
    change(s);
    return problemsOf(s).map((p) => `${p.path}: ${p.message}`);
  };
  it('are told where they cannot be', () => {
    const power = (...watts: number[]) =>
      changed((s) => (s.pumps[0]!.power = watts.map((power, i) => ({ flow: i * 1e-3, power }))));
    expect(power(400, 500, 600)).toEqual([]);
    expect(power(600, 400, 200)).toEqual([expect.stringMatching(/pumps.0.power.2.power: power falls from 600 W/)]);
    expect(
      changed(
        (s) =>
          (s.pumps[0]!.power = [
            { flow: 1e-3, power: 5 },
            { flow: 1e-3, power: 6 },
          ]),
      ),
    ).toEqual([expect.stringMatching(/pumps.0.power.1.flow: flows of the power points rise/)]);
    expect(changed((s) => (s.pumps[0]!.minimumFlow = 1))).toEqual([expect.stringMatching(/could never be run/)]);
    expect(changed((s) => (s.discharge.segments[0]!.wall = 0.1))).toEqual([
      expect.stringMatching(/thicker than the bore/),
    ]);
    expect(changed((s) => (s.settings.standingLoss = 0))).toEqual([expect.stringMatching(/loses something/)]);
    expect(changed((s) => (s.settings.grouped = 12))).toEqual([expect.stringMatching(/more than nine circuits/)]);
  });
});
