import { dutyKind, EMPTIES, floatStuck } from './duty';

/** Water that comes is to go: a sump, an ejector pit, a grinder well. */
export const empty = dutyKind(
  'empty',
  {},
  {
    picks: 'to be kept empty: sump, ejector, grinder',
    about: 'Water that comes is to go: the pump starts high and stops low.',
    sketch: {
      label: 'comes in, is pumped out',
      water: 26,
      arrows: 'M0 34 H18 m-5 -4 l5 4 l-5 4 M58 84 V16 H92 m-5 -4 l5 4 l-5 4',
      mark: 'M18 44 H74',
    },
    rehearsals: () => [
      { name: 'the power fails in the storm', lasts: 'storm', water: 'survey', cut: [0.3, 0.7] },
      {
        name: 'the first pump is seized at peak',
        lasts: 4 * 3600,
        water: 'peak',
        fails: { part: 'first-of-several', how: 'seized', at: 0 },
      },
      floatStuck('the pump is not called', 'stuck-down', 1),
    ],
    traits: () => EMPTIES,
  },
);
