import * as z from 'zod';
import { atLeastZero, bearing, heightAboveFloor, number, offset, positive } from './numbers';

const ROLES = ['pump', 'stop', 'lead', 'lag', 'lag2', 'alarm', 'low', 'peak', 'cutoff'] as const;

const placeSchema = z.discriminatedUnion('from', [
  z.strictObject({
    from: z.literal('pole'),
    bearing: bearing.describe('which side of the pole, and so which way it faces'),
    offset: offset('the axis of the pole'),
  }),
  z.strictObject({
    from: z.literal('axis'),
    bearing,
    offset: offset('the axis of the pit'),
    facing: bearing.describe('which way its tether leads'),
  }),
]);

const sensorBase = {
  id: z.string().regex(/^[a-z][a-z0-9-]{0,39}$/, 'an id is lower-case letters, digits and hyphens'),
  role: z
    .enum(ROLES, `must be one of ${ROLES.join(', ')}`)
    .describe(
      'pump: starts and stops it at its two trips; stop, lead, lag, lag2: one of these levels; alarm: rings; low: low alarm and redundant off; peak: shortens the rest of a timer; cutoff: stops what makes the water',
    ),
  duty: z
    .enum(['motor', 'control'], 'must be motor or control')
    .describe('motor: the contact carries the motor; control: pilot duty only'),
  contact: z
    .enum(['closes-on-rise', 'opens-on-rise'], 'must be closes-on-rise or opens-on-rise')
    .describe('of the core that is used'),
  changeover: z.boolean().describe('true: a changeover contact, whose other core is spare and capped'),
  contactRating: positive('the contact rating', 100).describe('A'),
  cordLength: positive('the cord', 200).describe('cord or tube from the sensor to its end, m'),
  place: placeSchema,
};

const tiltFloat = z.strictObject({
  ...sensorBase,
  kind: z.literal('tilt'),
  clip: heightAboveFloor('the clip').describe('height of the tether clip above the floor, m'),
  tether: positive('the tether', 30).describe('clip to the near end of the body, m'),
  body: positive('the float body', 1).describe('length of the float body, m'),
  thickness: positive('the float body', 1).describe('diameter of the float body, m'),
  riseDeg: number.gt(0, 'the rise angle must be more than zero').max(85, 'the rise angle must be 85° or less'),
  fallDeg: number.gt(0, 'the fall angle must be more than zero').max(85, 'the fall angle must be 85° or less'),
  measured: z
    .strictObject({
      above: positive('the measured rise above the clip', 10).describe('from the clip up to the rise trip, m'),
      below: positive('the measured fall below the clip', 10).describe('from the clip down to the fall trip, m'),
    })
    .nullable()
    .describe(
      "the range as measured, or from the maker's table, at this tether; it overrides the one worked out from the angles",
    ),
  weight: z
    .strictObject({
      mass: positive('the weight', 100).describe('kg'),
      volume: positive('the volume of the weight', 0.1).describe('water it displaces, m³'),
      below: atLeastZero('how far the weight hangs', 5).describe('m from the clip point down to its foot'),
      lift: positive('the lift of the float', 100).describe('pull of the float held under water, kg'),
    })
    .nullable()
    .describe('a counterweight on the cord is the clip; null when it is clipped to a pole or wall'),
});

const rodFloat = z.strictObject({
  ...sensorBase,
  kind: z.literal('rod'),
  latch: z.enum(['magnet', 'snap'], 'must be magnet or snap'),
  upperStop: heightAboveFloor('the upper stop').describe('level at which the float lifts the upper stop, m'),
  lowerStop: heightAboveFloor('the lower stop').describe('level at which the float rests on the lower stop, m'),
});

const sideMount = z.strictObject({
  ...sensorBase,
  kind: z.literal('side'),
  height: heightAboveFloor('the switch').describe('level at which it acts on the rise, m'),
  differential: positive('the differential', 2).describe('how far the water falls before it goes back, m'),
});

const bell = z.strictObject({
  ...sensorBase,
  kind: z.literal('bell'),
  mouth: heightAboveFloor('the mouth of the bell').describe('m above the floor'),
  height: positive('the bell', 5).describe('height of the bell from its mouth, m'),
  area: positive('the area of the bell', 1).describe('m²'),
  air: positive('the trapped air', 1).describe('air in bell and tube at the moment the water closes the mouth, m³'),
  on: positive('the pressure on', 1e6).describe('Pa above the air of the pit'),
  off: positive('the pressure off', 1e6).describe('Pa above the air of the pit'),
});

const transmitter = z.strictObject({
  ...sensorBase,
  kind: z.literal('transmitter'),
  zero: heightAboveFloor('the transmitter').describe('where its reading is zero, m above the floor'),
  span: positive('the span', 50).describe('m of water over its zero that it can tell'),
  on: heightAboveFloor('the upper threshold').describe('level set in the controller, m'),
  off: heightAboveFloor('the lower threshold').describe('level set in the controller, m'),
});

export const sensorSchema = z.discriminatedUnion(
  'kind',
  [tiltFloat, rodFloat, sideMount, bell, transmitter],
  'must be tilt, rod, side, bell or transmitter',
);
