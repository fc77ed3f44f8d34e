import { atLeastZero, between, choice, positive, startsOf, type Choice, type Figure, type ValuesOf } from '../form';
import { FOOT, GALLON, INCH, type Profile } from '../units';

/** Pa */
const PSI = 6894.757;

/*
 * Every figure that a rule or a formula takes as given, and every choice between two schools. A line more is a setting more; one that comes
 * after version 4 of the document says the version that it comes with, and older documents are given what it begins as.
 */

export type Setting = (Figure | Choice) & { readonly since?: number };

/** All of them, in the order in which the document has them. */
export const SETTINGS = {
  friction: choice(
    'friction by',
    [
      ['darcy-weisbach', 'Darcy–Weisbach'],
      ['hazen-williams', 'Hazen–Williams'],
    ],
    'darcy-weisbach',
    { hint: 'by roughness, or by C', about: 'which school of pipe friction' },
  ),
  submergence: choice(
    'submergence at the stop',
    [
      ['motor', 'the motor'],
      ['volute', 'the volute'],
      ['vortex', 'the intake, so deep that no vortex forms'],
    ],
    'motor',
    {
      hint: 'motor: cooling; volute: no air; vortex: by its flow',
      about: 'which school: the water covers the motor, or the volute, or stands over the intake by D·(1 + 2.3·Fr)',
    },
  ),
  inlet: choice(
    'the alarm acts',
    [
      ['free', 'below the inlet'],
      ['storage', 'with the pipe as storage'],
    ],
    'free',
    { about: 'which school: the alarm acts below the inlet, or the inlet pipe is used as storage' },
  ),
  surcharge: atLeastZero('surcharge as storage', 'height', [0.15, 6 * INCH], 'the surcharge', 5, {
    about: 'how far above the inlet invert the alarm may act when the pipe is storage, m',
  }),
  minimumGap: positive('least gap of trips', 'height', [0.075, 3 * INCH], 'the least gap', 2, {
    about: 'least distance between neighbouring trips, m',
  }),
  minimumTether: positive('least tether', 'height', [0.075, 3 * INCH], 'the least tether', 2, { about: 'm' }),
  swingClearance: positive('room to keep', 'height', [0.05, 2 * INCH], 'the clearance', 2, {
    hint: "round a float's swing",
    about: 'room that a float should keep from all else over its swing, m',
  }),
  sideSwingDeg: between('swings aside by', 'angle', 20, [0, 'cannot be negative'], [90, 'must be 90° or less'], {
    hint: 'in moving water',
    about: 'how far to each side moving water swings a float',
  }),
  keepUpFactor: between(
    'pump over peak',
    'factor',
    1.1,
    [1, 'the keep-up factor must be 1 or more'],
    [10, 'the keep-up factor is beyond reason'],
  ),
  firm: {
    ...choice(
      'with the largest pump out',
      [
        ['peak', 'the rest take the peak'],
        ['design', 'the rest take design; the reserve takes the rest'],
      ],
      'peak',
      { about: 'which school: firm capacity for the peak inflow, or for the design inflow with the alarm’s reserve' },
    ),
    since: 6,
  },
  drainbackMargin: atLeastZero('drainback margin', 'share', 0.5, 'the drainback margin', 10, {
    about: 'extra drawdown over the drainback, as a share of it',
  }),
  doseMultiple: atLeastZero('dose over laterals', 'factor', 5, 'the dose multiple', 100, {
    hint: 'times what they hold',
    about: 'a dose is at least so many times the laterals it must fill',
  }),
  lateralSpread: positive('first over last', 'share', 0.1, 'the spread', 1, {
    hint: 'let pass',
    about: 'most that orifices of the laterals may differ in flow',
  }),
  reserveTime: positive('response time', 'duration', 300, 'the response time', 30 * 86400, {
    hint: 'alarm to overflow',
    about: 'time promised between the alarm and the overflow, s',
  }),
  reserveInflow: choice(
    'promised at',
    [
      ['low', 'low inflow'],
      ['design', 'design inflow'],
      ['peak', 'peak inflow'],
    ],
    'design',
    { about: 'the inflow at which that time is promised' },
  ),
  weepCoefficient: between(
    'weep-hole Cd',
    'factor',
    0.6,
    [0, 'the weep-hole coefficient must be more than zero', false],
    [1, 'the weep-hole coefficient cannot pass 1'],
  ),
  standingLoss: {
    ...between(
      'pump that stands loses',
      'factor',
      20,
      [0, 'an impeller that stands loses something', false],
      [1000, 'the loss of a standing pump is beyond reason'],
      {
        hint: 'velocity heads',
        about: 'loss of water that passes a pump which stands, in velocity heads of its own pipe',
      },
    ),
    since: 6,
  },
  waterTemperature: between(
    'water',
    'temperature',
    10,
    [0, 'water below 0 °C is ice'],
    [60, 'water above 60 °C is beyond these formulas'],
  ),
  airPressure: between(
    'air of the place',
    'pressure',
    [101325, 14.7 * PSI],
    [50000, 'the air pressure is beyond anything this tool is for'],
    [110000, 'the air pressure is beyond anything this tool is for'],
    { about: 'Pa; bells work against it' },
  ),
  trappedPressure: between(
    'blocked breather holds',
    'pressure',
    [500, 0.07 * PSI],
    [-20000, 'the trapped pressure is beyond reason'],
    [20000, 'the trapped pressure is beyond reason'],
    { about: 'Pa that a blocked breather may hold behind the switch of a bell' },
  ),
  frostAir: between(
    'lasting frost',
    'temperature',
    -5,
    [-60, 'the frost is beyond anything this tool is for'],
    [40, 'the frost is beyond anything this tool is for'],
    {
      about: 'coldest air that lasts there, °C',
    },
  ),
  velocityMin: positive('least velocity', 'velocity', [0.6, 2 * FOOT], 'the least velocity', 10, { about: 'm/s' }),
  velocityMax: positive('greatest velocity', 'velocity', [2.4, 8 * FOOT], 'the greatest velocity', 20, {
    about: 'm/s',
  }),
  tubeBore: positive('least tube bore', 'bore', [0.006, 0.25 * INCH], 'the least tube bore', 0.1, {
    about: 'least bore of a condensate line that does not clog, m',
  }),
  hoseFlow: positive('test hose', 'flow', [0.3e-3, (5 * GALLON) / 60], 'the hose flow', 0.1, {
    about: 'flow of the test hose, m³/s',
  }),
  cordSlack: atLeastZero('slack to leave', 'distance', [0.3, 12 * INCH], 'the slack', 5, {
    hint: 'for the next cut',
    about: 'cord left over for the next cut, m',
  }),
  ampacity: {
    ...choice(
      'conductors carry by',
      [
        ['cautious', 'method B2 in mm², the 60 °C column in AWG'],
        ['full', 'method C in mm², the 75 °C column in AWG'],
      ],
      'cautious',
      {
        hint: 'typical tables',
        about: 'which column of the common tables typical currents of conductors are read from',
      },
    ),
    since: 6,
  },
  wiringAmbient: {
    ...between(
      'air round the cables',
      'temperature',
      30,
      [-20, 'colder than the tables go'],
      [55, 'hotter than the tables go'],
      { about: '°C that typical currents of conductors are corrected to' },
    ),
    since: 6,
  },
  grouped: {
    ...between(
      'circuits bunched',
      'count',
      1,
      [1, 'a circuit by itself is one'],
      [9, 'more than nine circuits in a bunch: lay them apart'],
      { about: 'loaded circuits that lie together' },
    ),
    since: 6,
  },
  tightShare: between('tight below', 'share', 0.1, [0, 'cannot be negative'], [1, 'cannot pass 100 %'], {
    hint: 'of the need',
    about: 'slack below this share of the need is called tight',
  }),
} as const satisfies Readonly<Record<string, Setting>>;

export type SettingName = keyof typeof SETTINGS;

/** What a document holds of them. */
export type Settings = ValuesOf<typeof SETTINGS>;

/** What every setting begins as. */
export const startingSettings = (profile: Profile): Settings => startsOf(SETTINGS, profile);

/** What a document is given of the settings that a version of it brought. */
export const settingsSince = (version: number, profile: Profile): Record<string, unknown> =>
  Object.fromEntries(
    Object.entries<Setting>(SETTINGS)
      .filter(([, setting]) => setting.since === version)
      .map(([name, setting]) => [name, setting.start[profile]]),
  );

/** The newest version of the document that a setting brought; 0 where none says. */
export const newestSetting = (): number => Math.max(0, ...Object.values<Setting>(SETTINGS).map((s) => s.since ?? 0));
