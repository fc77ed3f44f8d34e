import * as z from 'zod';
import { KINDS, ROLES, type Sensor, type SensorCommon } from '../../sensors';
import { either, shapeOf } from './form';
import { bearing, offset, positive } from './numbers';

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
      'pump: starts and stops it at its two trips; stop, lead, lag, lag2: one of these levels; alarm: gives the alarm; low: low alarm and redundant off; peak: shortens the rest of a timer; cutoff: stops what makes the water',
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
} satisfies { readonly [F in keyof SensorCommon]: z.ZodType<SensorCommon[F]> };

export const sensorSchema = z.discriminatedUnion(
  'kind',
  Object.values(KINDS).map((k) =>
    z.strictObject({ ...sensorBase, kind: z.literal(k.kind), ...shapeOf(k.fields) }),
  ) as unknown as [z.ZodObject, ...z.ZodObject[]],
  `must be ${either(Object.keys(KINDS))}`,
) as unknown as z.ZodType<Sensor>;
