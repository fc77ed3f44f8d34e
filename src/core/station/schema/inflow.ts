import * as z from 'zod';
import { atLeastZero, named, positive, whole } from './numbers';

const flow = (what: string) => positive(what, 10).describe('m³/s');

const steady = z.strictObject({
  kind: z.literal('steady'),
  low: flow('the low inflow'),
  design: flow('the design inflow'),
  peak: flow('the peak inflow'),
});

const pattern = z.strictObject({
  kind: z.literal('pattern'),
  mean: flow('the mean inflow'),
  factors: z
    .array(atLeastZero('an hourly factor', 100))
    .length(24, 'a day has 24 hourly factors')
    .describe('share of the mean in each hour of the day, from midnight'),
});

const fixture = z.strictObject({
  name: named(60),
  volume: positive('the volume of one use', 100).describe('m³ each use'),
  flow: flow('the flow of the fixture'),
  perDay: positive('the uses', 100000).describe('uses in a day, all of this fixture together'),
  atOnce: whole('the number at once', 1000).describe('how many may run at the same moment'),
});

const fixtures = z.strictObject({
  kind: z.literal('fixtures'),
  uses: z.array(fixture).min(1, 'a fixture list needs a fixture').max(60, 'more than 60 fixtures'),
  hours: positive('the hours of use', 24).describe('hours of the day in which they are used'),
});

const storm = z.strictObject({
  kind: z.literal('storm'),
  base: flow('the flow before the storm').describe('m³/s, the flow in dry weather'),
  rows: z
    .array(
      z.strictObject({
        time: atLeastZero('a time', 30 * 86400).describe('s from the beginning'),
        flow: atLeastZero('a flow', 10).describe('m³/s'),
      }),
    )
    .min(2, 'a storm needs two rows or more')
    .max(2000, 'a storm of more than 2000 rows: thin it out')
    .describe('straight lines between; the flow before the storm outside'),
});

const appliances = z.strictObject({
  kind: z.literal('appliances'),
  list: z
    .array(
      z.strictObject({
        name: named(60),
        rate: flow('the rate of the appliance').describe('water it makes while it runs, m³/s'),
        after: atLeastZero('what it sheds after it stops', 1).describe('m³ that still come after it has been stopped'),
        over: positive('the time in which it sheds that', 86400)
          .nullable()
          .describe('s in which that comes; null: at the rate of the appliance'),
      }),
    )
    .min(1, 'a list of appliances needs one')
    .max(40, 'more than 40 appliances'),
});

/** What comes in unasked (for a tank that is being filled: what is drawn from it). */
export const inflowSchema = z.strictObject({
  source: z.discriminatedUnion(
    'kind',
    [steady, pattern, fixtures, storm, appliances],
    'must be steady, pattern, fixtures, storm or appliances',
  ),
  inletPipe: z
    .strictObject({
      length: positive('the length of the inlet pipe', 20000).describe('m'),
      bore: positive('the bore of the inlet pipe', 3).describe('m'),
      fall: positive('the fall of the inlet pipe', 1).describe('m a metre, towards the pit'),
    })
    .nullable()
    .describe('the pipe that water comes by, where it is used as storage; null: not counted'),
  infiltration: atLeastZero('the infiltration', 10).describe('m³/s that rain adds to the design and the peak inflow'),
});
