import type { LevelContext } from '../levels';
import { kindOf } from '../sensors';
import { isPlugged } from '../schemes';
import { phrase, quantity } from '../units';
import { around, seen, TOLERANCE } from './expect';
import { liftOf } from './responses';
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
    cautions: [
      vessel.depth > ARM
        ? 'Still isolated and locked. Lean in from a firm stand; do not climb in.'
        : 'Still isolated and locked.',
    ],
    expects: [
      ...expects,
      seen('swing', 'swing of every float', phrase`free: no pump, pipe, wall or other float in the way`),
    ],
    about: sensors.map(({ sensor }) => `float:${sensor.id}` as const),
  };
}

/** What is deeper than this one leans into, m. */
const ARM = 0.5;

const AFTER_LIFT = 3;

/** Floats lifted from the bottom up with the power on, each response named. */
export function dryLift(context: LevelContext): Step {
  const { station, sensors } = context;
  return {
    id: 'dry-lift',
    phase: 'dry',
    title: 'Lift the floats, lowest first',
    actions: [
      phrase`Everyone clear of the pit. ${isPlugged(station) ? 'Plug the pump back in' : 'Give the pumps back to automatic'}, restore every supply.`,
      phrase`With a dry rod lift each float in turn, lowest first, those below it still up, and let it back after ${quantity('time', AFTER_LIFT)}.`,
    ],
    cautions: [
      'Live from here on. Lift with a dry, non-conducting rod, hands out of the pit.',
      `The pump runs dry: no longer than ${AFTER_LIFT} seconds. A pump that ran dry is hot.`,
    ],
    expects: sensors.flatMap(({ sensor, order }) => {
      const { lifted, back } = liftOf(context, sensor.id);
      const { noun } = kindOf(sensor);
      return [
        seen(`lift-${sensor.id}`, `${noun} ${order} lifted`, lifted),
        seen(`drop-${sensor.id}`, `${noun} ${order} let back`, back),
      ];
    }),
    about: sensors.map(({ sensor }) => `float:${sensor.id}` as const),
  };
}
