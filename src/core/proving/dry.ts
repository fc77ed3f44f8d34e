import type { LevelContext } from '../levels';
import { phrase, quantity } from '../units';
import { around, seen, TOLERANCE } from './expect';
import type { Step } from './step';

/** The floats are where the tape list says. */
export function tapeCheck({ sensors, vessel }: LevelContext): Step {
  const expects = sensors.flatMap(({ sensor, order }) =>
    sensor.kind === 'tilt'
      ? [
          around(`clip-${sensor.id}`, `float ${order}, clip, rim down`, quantity('height', vessel.depth - sensor.clip), { amount: TOLERANCE.clip }),
          around(`tether-${sensor.id}`, `float ${order}, tether`, quantity('height', sensor.tether), { amount: TOLERANCE.clip }),
        ]
      : [
          around(`upper-${sensor.id}`, `float ${order}, upper stop, rim down`, quantity('height', vessel.depth - sensor.upperStop), { amount: TOLERANCE.clip }),
          around(`lower-${sensor.id}`, `float ${order}, lower stop, rim down`, quantity('height', vessel.depth - sensor.lowerStop), { amount: TOLERANCE.clip }),
        ],
  );
  return {
    id: 'tape',
    phase: 'dry',
    title: 'Measure the floats with the tape',
    actions: [phrase`From the rim down to each clip or stop, the tape plumb; tether from clip to the near end of the body.`, phrase`Swing each float by hand through its whole arc: it must touch nothing.`],
    cautions: ['Still isolated and locked. Lean in from a firm stand; do not climb in.'],
    expects: [...expects, seen('swing', 'swing of every float', phrase`free: no pump, pipe, wall or other float in the way`)],
    about: sensors.map(({ sensor }) => `float:${sensor.id}` as const),
  };
}

const AFTER_LIFT = 3;

/** Floats lifted from the bottom up with the power on, each response named. */
export function dryLift({ station, sensors }: LevelContext): Step {
  const { horn, lamp } = station.alarm;
  const bell = [horn ? 'horn' : '', lamp ? 'lamp' : ''].filter(Boolean).join(' and ') || 'alarm';
  return {
    id: 'dry-lift',
    phase: 'dry',
    title: 'Lift the floats, lowest first',
    actions: [
      phrase`Everyone clear of the pit. Plug the pump into the back of the float's plug, restore both supplies.`,
      phrase`With a dry rod lift each float in turn, lowest first, and let it back after ${quantity('time', AFTER_LIFT)}.`,
    ],
    cautions: [
      'Live from here on. Lift with a dry, non-conducting rod, hands out of the pit.',
      `The pump runs dry: no longer than ${AFTER_LIFT} seconds. A pump that ran dry is hot.`,
    ],
    expects: sensors.flatMap(({ sensor, order }) =>
      sensor.role === 'pump'
        ? [seen(`lift-${sensor.id}`, `float ${order} lifted`, phrase`the pump starts at once, and no other device`), seen(`drop-${sensor.id}`, `float ${order} let back`, phrase`the pump stops`)]
        : [seen(`lift-${sensor.id}`, `float ${order} lifted`, phrase`${bell}, the pump stays still`), seen(`drop-${sensor.id}`, `float ${order} let back`, phrase`the bell clears`)],
    ),
    about: sensors.map(({ sensor }) => `float:${sensor.id}` as const),
  };
}
