import { atLeastZero, between, choice, flag, height, positive, variants } from '../form';
import { phrase, quantity } from '../units';
import { dutyKind, EMPTIES, floatStuck, noWater, type Traits } from './duty';

const FAR = 'the source is beyond anything this tool is for';

const fields = {
  from: variants(
    'filled',
    {
      valve: {
        flow: positive('flow of the valve', 'flow', 0.5e-3, 'the filling flow', 10, {
          about: 'm³/s through the open valve',
        }),
        drive: choice(
          'the valve',
          [
            ['solenoid', 'solenoid'],
            ['motorised', 'motorised'],
          ],
          'solenoid',
          { about: 'what moves the valve' },
        ),
        rests: choice(
          'without power it',
          [
            ['closed', 'closes'],
            ['open', 'opens'],
          ],
          'closed',
          { about: 'where its spring takes the valve when its power is lost' },
        ),
        power: positive('it takes', 'power', 12, 'the power of the valve', 500, {
          about: 'W of the valve while it is held, or while it moves',
        }),
        needs: atLeastZero('it needs', 'pressure', 30e3, 'the pressure that the valve needs', 2e6, {
          hint: 'of the water; 0: none',
          about: 'Pa of water that the valve needs to open; 0: a direct-acting one needs none',
        }),
        has: atLeastZero('the water has', 'pressure', 250e3, 'the pressure of the water', 2e6, {
          hint: 'at the valve',
          about: 'Pa of the water at the valve',
        }),
      },
      pump: {
        level: between('water at the source', 'head', -2, [-500, FAR], [500, FAR], {
          hint: "above this tank's floor; below is −",
          about: 'water level at the source, m above the floor of the tank (below is negative)',
        }),
      },
    },
    { valve: 'through a valve', pump: 'by a pump' },
    'valve',
  ),
  drowned: flag('fills from below, against the water in the tank', false, {
    about: 'true: it fills from below, against the water in the tank',
  }),
  runOn: atLeastZero('runs on for', 'time', 5, 'the run-on', 3600, {
    hint: 'after the call to stop',
    about: 's of full flow that still run in after the call to stop',
  }),
  keep: height('must stay stored', 0.2, 'what is to be kept', {
    hint: 'floor up',
    about: 'least level that must stay stored, m above the floor',
  }),
};

/** A valve as most are: a solenoid that closes without power; its flow is for each station to say. */
export const USUAL_VALVE = {
  kind: 'valve',
  drive: 'solenoid',
  rests: 'closed',
  power: 12,
  needs: 30e3,
  has: 250e3,
} as const;

const FILLS: Traits = {
  ...EMPTIES,
  direction: 'fill',
  kept: true,
  roles: ['alarm', 'low', 'cutoff'],
  words: {
    vessel: 'tank',
    inflow: 'draw',
    infiltration: 'leaks out',
    line: 'Fill line',
    pipes: 'fill pipe and draw',
    rests: 'lasts',
    runs: 'fills in',
    run: 'fills',
    runOnCard: 'fills at design draw in',
    spilt: 'water wasted in filling',
    spilling: 'time in which it ran over',
    came: 'water drawn',
    alarmMeans: 'the tank is fuller than it should ever be',
    whenAlarm: 'Shut the supply, call.',
    danger:
      'A tank is a confined space: nobody goes in alone or untested. Where the water is drunk, clean hands and tools, and nothing that it may not touch.',
    keepOut: 'A tank holds deep water and bad air. Do not enter. Keep the cover on.',
    marks: { inlet: 'fill pipe', low: 'low alarm', cutoff: 'second stop' },
    acts: {
      lead: 'filling starts',
      stop: 'filling stops',
      low: 'the tank is nearly empty',
      cutoff: 'a second float stops the filling',
    },
  },
  notAsked: {
    submergence: phrase`The pump does not stand in the tank that it fills.`,
    'dry-run': phrase`The pump does not stand in the tank that it fills; its source needs a station of its own.`,
    drainback: phrase`What drains back falls to the source, not into the tank that is filled.`,
    inlet: phrase`The water is wanted in the tank; nothing stands back in a drain.`,
  },
};

const BY_VALVE: Traits['notAsked'] = {
  ...FILLS.notAsked,
  starts: phrase`It is filled through a valve: no motor starts.`,
  run: phrase`It is filled through a valve: no motor runs.`,
};

/** A tank that is to be kept full, through a valve or by a pump from a lower water. */
export const fill = dutyKind('fill', fields, {
  picks: 'to be kept full: header or storage tank',
  about: null,
  sketch: {
    label: 'is filled, is drawn from',
    water: 62,
    arrows: 'M0 14 H30 V30 m-4 -5 l4 5 l4 -5 M74 90 H96 m-5 -4 l5 4 l-5 4',
    mark: 'M18 34 H74 M18 84 H74',
  },
  contradictions: ({ keep }, { overflow }) =>
    keep >= overflow
      ? [
          [
            'keep',
            phrase`what is to stay stored reaches the overflow at ${quantity('height', overflow)}: nothing could be drawn`,
          ],
        ]
      : [],
  rehearsals: () => [
    noWater('nothing is drawn for a day', 1),
    floatStuck('the filling does not stop', 'stuck-down', 1),
  ],
  traits: ({ from, drowned, runOn }) =>
    from.kind === 'valve'
      ? { ...FILLS, drowned, runOn, mover: { kind: 'valve', flow: from.flow, valve: from }, notAsked: BY_VALVE }
      : { ...FILLS, drowned, runOn, mover: { kind: 'pump', stands: 'at-source', sourceLevel: from.level } },
});
