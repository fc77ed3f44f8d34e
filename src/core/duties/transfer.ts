import { positive } from '../form';
import { phrase } from '../units';
import { dutyKind, EMPTIES, floatStuck, noWater, type Traits } from './duty';

const fields = {
  usefulRun: positive('one useful run', 'volume', 0.1, 'a useful run', 10000, {
    hint: 'restart leaves at least so much',
    about: 'm³ that one run should move at least',
  }),
};

const TRANSFERS: Traits = {
  ...EMPTIES,
  kept: true,
  words: {
    ...EMPTIES.words,
    marks: { lead: 'restart' },
    danger: 'A cistern is a confined space with deep water: nobody goes in alone, or before its air is tested.',
    keepOut: 'A cistern holds deep water and bad air. Do not enter. Keep the lid on.',
  },
  notAsked: {
    submergence: phrase`A transfer pump is asked for the submergence of its intake by the rule against running dry.`,
    'keep-up': phrase`The water is wanted here; the pump need not take all of it.`,
    inlet: phrase`The water is wanted in the tank; nothing stands back in a drain.`,
  },
};

/** Water that is wanted elsewhere: a cistern, a basin, a pond. */
export const transfer = dutyKind('transfer', fields, {
  picks: 'to draw from: cistern, basin, pond',
  about: null,
  sketch: {
    label: 'holds what is wanted elsewhere',
    water: 50,
    arrows: 'M58 84 V16 H96 m-5 -4 l5 4 l-5 4',
    mark: 'M18 82 H74',
  },
  rehearsals: () => [noWater('no water comes for three days', 3), floatStuck('the pump is not stopped', 'stuck-up', 1)],
  traits: () => TRANSFERS,
});
