import * as z from 'zod';
import { DUTIES, type Duty } from '../../duties';
import { either, shapeOf } from './form';

/** What the station is for. It decides which rules apply and how the shaft is drawn. */
export const dutySchema = z.discriminatedUnion(
  'kind',
  Object.values(DUTIES).map((d) => z.strictObject({ kind: z.literal(d.kind), ...shapeOf(d.fields) })) as unknown as [
    z.ZodObject,
    ...z.ZodObject[],
  ],
  `must be ${either(Object.keys(DUTIES))}`,
) as unknown as z.ZodType<Duty>;
