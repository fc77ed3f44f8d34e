import { phrase } from '../units';
import { dutyKind, EMPTIES, type Traits } from './duty';

const CONDENSES: Traits = {
  ...EMPTIES,
  words: {
    ...EMPTIES.words,
    vessel: 'reservoir',
    whenAlarm: 'Switch the appliances off and call.',
    danger:
      'Condensate can be acid, and what cleans its tray can burn: gloves and eyes covered. The appliance has a supply of its own: isolate and prove that too.',
    keepOut: 'The appliance beside it has a supply of its own. Keep the cover on.',
  },
  notAsked: { run: phrase`A condensate reservoir pumps for seconds: its pump is made for that.` },
};

/** Appliances make the water, and a cut-off stops them before the reservoir spills. */
export const condensate = dutyKind(
  'condensate',
  {},
  {
    picks: 'condensate, with a cut-off',
    about: 'Appliances make the water; a cut-off float stops them before the reservoir spills.',
    source: 'appliances',
    sketch: {
      label: 'drips in, is lifted out',
      water: 22,
      arrows: 'M30 4 v10 M40 4 v10 M50 4 v10 M62 84 V16 H96 m-5 -4 l5 4 l-5 4',
      mark: 'M18 44 H74',
    },
    rehearsals: () => [
      {
        name: 'the discharge is blocked: the cut-off must act',
        lasts: 24 * 3600,
        water: 'design',
        fails: { part: 'line', how: 'blocked', at: 2 * 3600 },
      },
    ],
    traits: () => CONDENSES,
  },
);
