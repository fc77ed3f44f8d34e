import * as z from 'zod';
import { CURRENT_VERSION } from '../version';
import { dutySchema } from './duty';
import { inflowSchema } from './inflow';
import { atLeastZero, named, words } from './numbers';
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
import { settingsSchema } from './settings';
import { surveyedSchema } from './surveyed';
import { obstacleSchema, poleSchema, vesselSchema } from './vessel';

/*
 * The station document. Lengths in metres, heights above the floor of the vessel, flows in m³/s, pressures in
 * Pa, times in seconds, temperatures in °C; angles carry `Deg` in their name, bearings are degrees. What one number
 * must be on its own is said here; what several must be together is in contradictions.ts.
 */

const sensors = z.array(sensorSchema);

/** The work of the panel’s checks doubles with each sensor, and of the hydraulics with each pump. */
const MOST_SENSORS = 9;
const MOST_PUMPS = 3;

export const stationSchema = z.strictObject({
  format: z.literal('pit-bell/station', 'this is not a Pit Bell station file'),
  version: z.literal(CURRENT_VERSION, 'this version of the document is not known here'),
  identity: z.strictObject({
    name: named(80),
    site: named(80),
    contact: words(200).describe('whom to call when the alarm sounds'),
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
  pumps: z
    .array(pumpSchema)
    .min(1, 'a station has a pump')
    .max(MOST_PUMPS, 'a station has three pumps at most: every set of them that may run is solved'),
  discharge: dischargeSchema,
  sensors: sensors.max(
    MOST_SENSORS,
    `more than ${MOST_SENSORS} sensors: every combination of them is solved, and each doubles the work`,
  ),
  found: sensors
    .max(12, 'more than twelve sensors')
    .nullable()
    .describe('what hangs there now, before anything is moved; null when nothing was recorded'),
  cordRun: atLeastZero('the cord run', 200).describe('from the rim to the plug or splice, m'),
  control: controlSchema,
  alarm: alarmSchema,
  supply: supplySchema,
  wiring: wiringSchema,
  interlocks: z.array(interlockSchema).max(8, 'more than eight interlocks'),
  enclosure: enclosureSchema,
  landings: landingsSchema,
  settings: settingsSchema,
  surveyed: surveyedSchema,
});

export type Station = z.infer<typeof stationSchema>;
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
export { PIPE_MATERIALS, pumpModelSchema, readPumpModel } from './pumps';

export { settingsSchema };
export { copperTableSchema, type CopperTable } from './copper';
