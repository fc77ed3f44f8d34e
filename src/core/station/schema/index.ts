import * as z from 'zod';
import { dutySchema } from './duty';
import { inflowSchema } from './inflow';
import { atLeastZero, named, number, positive, words } from './numbers';
import {
  alarmSchema,
  controlSchema,
  enclosureSchema,
  interlockSchema,
  landingsSchema,
  supplySchema,
  wiringSchema,
} from './panel';
import { dischargeSchema, pumpSchema } from './pumps';
import { sensorSchema } from './sensors';
import { obstacleSchema, poleSchema, vesselSchema } from './vessel';

/*
 * The station document, version 4. Lengths in metres, heights above the floor of the vessel, flows in m³/s, pressures in
 * Pa, times in seconds, temperatures in °C; angles carry `Deg` in their name, bearings are degrees. What one number
 * must be on its own is said here; what several must be together is in contradictions.ts.
 */

const settingsSchema = z.strictObject({
  friction: z
    .enum(['darcy-weisbach', 'hazen-williams'], 'must be darcy-weisbach or hazen-williams')
    .describe('which school of pipe friction'),
  submergence: z
    .enum(['motor', 'volute'], 'must be motor or volute')
    .describe('which school: the water covers the motor, or the volute'),
  inlet: z
    .enum(['free', 'storage'], 'must be free or storage')
    .describe('which school: the bell rings below the inlet, or the inlet pipe is used as storage'),
  surcharge: atLeastZero('the surcharge', 5).describe(
    'how far above the inlet invert the bell may ring when the pipe is storage, m',
  ),
  minimumGap: positive('the least gap', 2).describe('least distance between neighbouring trips, m'),
  minimumTether: positive('the least tether', 2).describe('m'),
  swingClearance: positive('the clearance', 2).describe(
    'room that a float should keep from all else over its swing, m',
  ),
  sideSwingDeg: number
    .min(0, 'cannot be negative')
    .max(90, 'must be 90° or less')
    .describe('how far to each side moving water swings a float'),
  keepUpFactor: number.min(1, 'the keep-up factor must be 1 or more').max(10, 'the keep-up factor is beyond reason'),
  drainbackMargin: atLeastZero('the drainback margin', 10).describe(
    'extra drawdown over the drainback, as a share of it',
  ),
  doseMultiple: atLeastZero('the dose multiple', 100).describe(
    'a dose is at least so many times the laterals it must fill',
  ),
  lateralSpread: positive('the spread', 1).describe('most that orifices of the laterals may differ in flow'),
  reserveTime: positive('the response time', 30 * 86400).describe('time promised between the bell and the overflow, s'),
  reserveInflow: z
    .enum(['low', 'design', 'peak'], 'must be low, design or peak')
    .describe('the inflow at which that time is promised'),
  weepCoefficient: number
    .gt(0, 'the weep-hole coefficient must be more than zero')
    .max(1, 'the weep-hole coefficient cannot pass 1'),
  waterTemperature: number.min(0, 'water below 0 °C is ice').max(60, 'water above 60 °C is beyond these formulas'),
  airPressure: number
    .min(50000, 'the air pressure is beyond anything this tool is for')
    .max(110000, 'the air pressure is beyond anything this tool is for')
    .describe('Pa; bells work against it'),
  trappedPressure: number
    .min(-20000, 'the trapped pressure is beyond reason')
    .max(20000, 'the trapped pressure is beyond reason')
    .describe('Pa that a blocked breather may hold behind the switch of a bell'),
  frostAir: number
    .min(-60, 'the frost is beyond anything this tool is for')
    .max(40, 'the frost is beyond anything this tool is for')
    .describe('coldest air that lasts there, °C'),
  velocityMin: positive('the least velocity', 10).describe('m/s'),
  velocityMax: positive('the greatest velocity', 20).describe('m/s'),
  tubeBore: positive('the least tube bore', 0.1).describe('least bore of a condensate line that does not clog, m'),
  hoseFlow: positive('the hose flow', 0.1).describe('flow of the test hose, m³/s'),
  cordSlack: atLeastZero('the slack', 5).describe('cord left over for the next cut, m'),
  tightShare: number
    .min(0, 'cannot be negative')
    .max(1, 'cannot pass 100 %')
    .describe('slack below this share of the need is called tight'),
});

const sensors = z.array(sensorSchema).max(12, 'more than twelve sensors');

export const stationSchema = z.strictObject({
  format: z.literal('pit-bell/station', 'this is not a Pit Bell station file'),
  version: z.literal(4, 'this version of the document is not known here'),
  identity: z.strictObject({
    name: named(80),
    site: named(80),
    contact: words(200).describe('whom to call when the bell rings'),
    note: words(2000),
  }),
  profile: z.enum(['metric-230', 'us-120'], 'must be metric-230 or us-120'),
  duty: dutySchema,
  vessel: vesselSchema,
  obstacles: z
    .array(obstacleSchema)
    .max(20, 'more than 20 obstacles')
    .describe('what floats could swing against, beside pumps and risers'),
  pole: poleSchema,
  inflow: inflowSchema,
  pumps: z.array(pumpSchema).min(1, 'a station has a pump').max(3, 'a station has three pumps at most'),
  discharge: dischargeSchema,
  sensors,
  found: sensors.nullable().describe('what hangs there now, before anything is moved; null when nothing was recorded'),
  cordRun: atLeastZero('the cord run', 200).describe('from the rim to the plug or splice, m'),
  control: controlSchema,
  alarm: alarmSchema,
  supply: supplySchema,
  wiring: wiringSchema,
  interlocks: z.array(interlockSchema).max(8, 'more than eight interlocks'),
  enclosure: enclosureSchema,
  landings: landingsSchema,
  settings: settingsSchema,
});

export type Station = z.infer<typeof stationSchema>;
export type Duty = Station['duty'];
export type Sensor = Station['sensors'][number];
export type SensorOf<K extends Sensor['kind']> = Extract<Sensor, { kind: K }>;
export type SensorRole = Sensor['role'];
export type TiltFloat = SensorOf<'tilt'>;
export type RodFloat = SensorOf<'rod'>;
export type Pump = Station['pumps'][number];
export type CurvePoint = Pump['curve'][number];
export type Segment = Station['discharge']['segments'][number];
export type Laterals = NonNullable<Station['discharge']['laterals']>;
export type Inflow = Station['inflow'];
export type InflowSource = Inflow['source'];
export type Interlock = Station['interlocks'][number];
export type Obstacle = Station['obstacles'][number];
export type Vessel = Station['vessel'];
export type VesselShape = Vessel['shape'];
export { pumpModelSchema } from './pumps';
