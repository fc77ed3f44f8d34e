import { traitsOf, type Direction } from '../duties';
import type { LevelContext } from '../levels';
import { kindOf } from '../sensors';
import type { SensorRole } from '../sensors';
import type { Station } from '../station';
import { phrase, quantity, type Phrase } from '../units';
import { around, seen, TOLERANCE } from './expect';
import type { Step } from './step';

/** The floats are where the tape list says. */
export function tapeCheck({ sensors, vessel }: LevelContext): Step {
  const expects = sensors.flatMap(({ sensor, order }) =>
    kindOf(sensor)
      .measures(sensor)
      .map((m) =>
        around(
          `${m.field}-${sensor.id}`,
          `${kindOf(sensor).noun} ${order}, ${m.label}${m.of === 'height' ? ', rim down' : ''}`,
          quantity('height', m.of === 'height' ? vessel.depth - m.value : m.value),
          { amount: TOLERANCE.clip },
        ),
      ),
  );
  return {
    id: 'tape',
    phase: 'dry',
    title: 'Measure the floats with the tape',
    actions: [
      phrase`From the rim down to each clip or stop, the tape plumb; tether from clip to the near end of the body.`,
      phrase`Swing each float by hand through its whole arc: it must touch nothing.`,
    ],
    cautions: ['Still isolated and locked. Lean in from a firm stand; do not climb in.'],
    expects: [
      ...expects,
      seen('swing', 'swing of every float', phrase`free: no pump, pipe, wall or other float in the way`),
    ],
    about: sensors.map(({ sensor }) => `float:${sensor.id}` as const),
  };
}

const AFTER_LIFT = 3;

type Response = readonly [lifted: Phrase, back: Phrase];

/** What lifting a float that controls the pump does, and letting it back, by the way pumps move the water. */
const CONTROLS: Readonly<
  Record<Direction, (starts: string) => Readonly<Record<'pump' | 'stop' | 'lead' | 'cutoff', Response>>>
> = {
  empty: (starts) => ({
    pump: [phrase`${starts}`, phrase`the pump stops`],
    stop: [phrase`nothing yet: it only lets the pump run`, phrase`every pump stops`],
    lead: [phrase`${starts}, with the stop float still up`, phrase`the pump runs on to the stop`],
    cutoff: [phrase`what makes the water stops`, phrase`it may run again`],
  }),
  fill: () => ({
    pump: [phrase`filling stops`, phrase`filling starts`],
    stop: [phrase`filling stops`, phrase`nothing yet: the start float calls`],
    lead: [phrase`nothing yet: filling goes on to the stop`, phrase`filling starts`],
    cutoff: [phrase`nothing more: the filling has stopped`, phrase`nothing: the first float decides`],
  }),
};

/** What lifting a sensor of each role does, and letting it back, with those below it still up. */
function responses(station: Station): Readonly<Record<SensorRole, Response>> {
  const { alarm } = station;
  const { timer, direction } = traitsOf(station);
  const sign = [alarm.horn ? 'horn' : '', alarm.lamp ? 'lamp' : ''].filter(Boolean).join(' and ') || 'alarm';
  const starts = timer ? 'the pump starts when the timer sentence so' : 'the pump starts at once, and no other device';
  return {
    ...CONTROLS[direction](starts),
    lag: [phrase`one more pump starts`, phrase`the pumps run on to the stop`],
    lag2: [phrase`the last pump starts`, phrase`the pumps run on to the stop`],
    alarm: [phrase`${sign}, the pump stays still`, phrase`the alarm clears`],
    low: [phrase`nothing: it lets the pump run`, phrase`the pump stops, whatever the others say`],
    peak: [phrase`the timer takes its shorter rest`, phrase`the timer takes its ordinary rest`],
  };
}

/** Floats lifted from the bottom up with the power on, each response named. */
export function dryLift({ station, sensors }: LevelContext): Step {
  const sentence = responses(station);
  return {
    id: 'dry-lift',
    phase: 'dry',
    title: 'Lift the floats, lowest first',
    actions: [
      phrase`Everyone clear of the pit. Plug or switch the pump back in, restore both supplies.`,
      phrase`With a dry rod lift each float in turn, lowest first, those below it still up, and let it back after ${quantity('time', AFTER_LIFT)}.`,
    ],
    cautions: [
      'Live from here on. Lift with a dry, non-conducting rod, hands out of the pit.',
      `The pump runs dry: no longer than ${AFTER_LIFT} seconds. A pump that ran dry is hot.`,
    ],
    expects: sensors.flatMap(({ sensor, order }) => {
      const [lifted, back] = sentence[sensor.role];
      const { noun } = kindOf(sensor);
      return [
        seen(`lift-${sensor.id}`, `${noun} ${order} lifted`, lifted),
        seen(`drop-${sensor.id}`, `${noun} ${order} let back`, back),
      ];
    }),
    about: sensors.map(({ sensor }) => `float:${sensor.id}` as const),
  };
}
