import { between, atLeastZero, choice, positive } from '../form';
import { phrase, quantity } from '../units';
import { dutyKind, EMPTIES, floatStuck, type Traits } from './duty';

const DAY = 86400;

const fields = {
  mode: choice(
    'dosed',
    [
      ['demand', 'on demand'],
      ['timed', 'by a timer'],
    ],
    'timed',
    {
      hint: 'timed for beds, demand for sewers',
      about: 'on demand: the pump float starts each dose; timed: a timer does while its float allows',
    },
  ),
  dosesPerDay: positive('doses a day', 'count', 4, 'the doses a day', 500, {
    hint: 'at least',
    about: 'fewest doses a day that the bed wants',
  }),
  on: positive('timer on', 'time', 240, 'the time on', DAY, { about: 's; the timer runs the pump so long' }),
  off: positive('timer off', 'time', 3360, 'the rest', DAY, { about: 's; and rests it so long' }),
  peakOff: positive('off at peak', 'time', 1500, 'the rest at peak', DAY, {
    hint: 'while the peak float is up',
    about: 's; the rest while the peak float is up',
  }),
  minimumRest: atLeastZero('least rest', 'time', 1200, 'the least rest', DAY, {
    hint: 'of the bed',
    about: 's between doses that the bed needs',
  }),
  peakDay: between(
    'peak day',
    'factor',
    1.5,
    [1, 'a peak day is 1 or more design days'],
    [20, 'a peak day beyond reason'],
    {
      hint: 'in design days',
      about: 'water of a peak day in design days',
    },
  ),
  surge: positive('peak lasts', 'time', 3600, 'the peak', DAY, {
    hint: 'where no pattern tells',
    about: 's; how long the peak inflow lasts, where no pattern tells',
  }),
};

const TIMED: Traits = {
  ...EMPTIES,
  roles: ['peak', ...EMPTIES.roles],
  words: {
    ...EMPTIES.words,
    marks: { stop: 'timer off', lead: 'timer on' },
    acts: { stop: 'the timer ends', lead: 'the timer begins' },
  },
  notAsked: {
    'keep-up': phrase`The timer decides how much is dosed; the dose rule asks whether the days fit.`,
  },
};

/** A day’s water leaves in doses, to a bed or a sewer: by a timer, or whenever there is enough. */
export const dose = dutyKind('dose', fields, {
  picks: 'to dose from: a bed, a sewer',
  about: null,
  sketch: {
    label: 'comes in, leaves in doses',
    water: 40,
    arrows: 'M0 34 H18 m-5 -4 l5 4 l-5 4 M58 84 V16 H80 M80 16 h18 M84 16 v-6 M90 16 v-6 M96 16 v-6',
    mark: 'M18 42 H74',
  },
  hidden: ({ mode }) => (mode === 'timed' ? [] : ['on', 'off', 'peakOff']),
  contradictions: ({ off, peakOff }) =>
    peakOff > off
      ? [
          [
            'peakOff',
            phrase`the rest at peak is longer than the ordinary rest of ${quantity('time', off)}: the peak float is to shorten it`,
          ],
        ]
      : [],
  rehearsals: ({ peakDay }) => [
    { name: 'a peak day', lasts: DAY, water: 'survey', scale: peakDay },
    floatStuck('the enable float stays down', 'stuck-down', 2),
  ],
  traits: ({ mode, on, off, peakOff, peakDay }) =>
    mode === 'timed' ? { ...TIMED, timer: { on, off, peakOff, peakDay } } : EMPTIES,
});
