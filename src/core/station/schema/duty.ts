import * as z from 'zod';
import { atLeastZero, heightAboveFloor, number, positive } from './numbers';

const time = (what: string, most = 86400) => positive(what, most).describe('s');

const dose = z.strictObject({
  kind: z.literal('dose'),
  mode: z
    .enum(['demand', 'timed'], 'must be demand or timed')
    .describe('on demand: the pump float starts each dose; timed: a timer does while its float allows'),
  dosesPerDay: positive('the doses a day', 500).describe('fewest doses a day that the bed wants'),
  on: time('the time on').describe('s; the timer runs the pump so long'),
  off: time('the rest').describe('s; and rests it so long'),
  peakOff: time('the rest at peak').describe('s; the rest while the peak float is up'),
  minimumRest: atLeastZero('the least rest', 86400).describe('s between doses that the bed needs'),
  peakDay: number
    .min(1, 'a peak day is 1 or more design days')
    .max(20, 'a peak day beyond reason')
    .describe('water of a peak day in design days'),
  surge: time('the peak').describe('s; how long the peak inflow lasts, where no pattern tells'),
});

const fill = z.strictObject({
  kind: z.literal('fill'),
  from: z.discriminatedUnion('kind', [
    z.strictObject({
      kind: z.literal('valve'),
      flow: positive('the filling flow', 10).describe('m³/s through the open valve'),
    }),
    z.strictObject({
      kind: z.literal('pump'),
      level: number
        .min(-500, 'the source is beyond anything this tool is for')
        .max(500, 'the source is beyond anything this tool is for')
        .describe('water level at the source, m above the floor of the tank (below is negative)'),
    }),
  ]),
  drowned: z.boolean().describe('true: it fills from below, against the water in the tank'),
  runOn: atLeastZero('the run-on', 3600).describe('s of full flow that still run in after the call to stop'),
  keep: heightAboveFloor('what is to be kept').describe('least level that must stay stored, m above the floor'),
});

/** What the station is for. It decides which rules apply and how the shaft is drawn. */
export const dutySchema = z.discriminatedUnion(
  'kind',
  [
    z.strictObject({ kind: z.literal('empty') }),
    dose,
    fill,
    z.strictObject({
      kind: z.literal('transfer'),
      usefulRun: positive('a useful run', 10000).describe('m³ that one run should move at least'),
    }),
    z.strictObject({ kind: z.literal('condensate') }),
  ],
  'must be empty, dose, fill, transfer or condensate',
);
