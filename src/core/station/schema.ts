import * as z from 'zod';

/*
 * The station document, version 2. Lengths in metres, heights above the floor of the vessel, flows in m³/s,
 * times in seconds, temperatures in °C; angles carry `Deg` in their name. What one number must be on its own is
 * said here; what several must be together is in contradictions.ts.
 */

const words = (longest: number) => z.string().max(longest, `is longer than ${longest} characters`);
const named = (longest: number) => words(longest).trim().min(1, 'needs a name');
const number = z.number('must be a number');
const positive = (what: string, most: number) => number.gt(0, `${what} must be more than zero`).max(most, `${what} is beyond anything this tool is for`);
const atLeastZero = (what: string, most: number) => number.min(0, `${what} cannot be negative`).max(most, `${what} is beyond anything this tool is for`);
const heightAboveFloor = (what: string) => atLeastZero(what, 30);

const cylinder = z.strictObject({
  kind: z.literal('cylinder'),
  diameter: positive('the diameter', 30).describe('inside diameter, m'),
  depth: positive('the depth', 30).describe('floor to rim, m'),
});

const box = z.strictObject({
  kind: z.literal('box'),
  length: positive('the length', 100).describe('inside length, m'),
  width: positive('the width', 100).describe('inside width, m'),
  depth: positive('the depth', 30).describe('floor to rim, m'),
});

const frustum = z.strictObject({
  kind: z.literal('frustum'),
  bottomDiameter: positive('the bottom diameter', 30).describe('inside diameter at the floor, m'),
  topDiameter: positive('the top diameter', 30).describe('inside diameter at the rim, m'),
  depth: positive('the depth', 30).describe('floor to rim, m'),
});

const lyingCylinder = z.strictObject({
  kind: z.literal('lying'),
  diameter: positive('the diameter', 30).describe('inside diameter, and so the depth, m'),
  length: positive('the length', 100).describe('inside length between flat ends, m'),
});

const stacked = z.strictObject({
  kind: z.literal('stacked'),
  sections: z
    .array(z.discriminatedUnion('kind', [cylinder, box], 'a section must be a cylinder or a box'))
    .min(2, 'a stacked vessel has two sections or more')
    .max(6, 'more than six sections')
    .describe('from the floor up, each with its own height as depth'),
});

const depthTable = z.strictObject({
  kind: z.literal('table'),
  rows: z
    .array(z.strictObject({ height: heightAboveFloor('a height in the table'), area: positive('a plan area', 10000).describe('m²') }))
    .min(2, 'a depth table needs two rows or more')
    .max(200, 'a depth table of more than 200 rows: thin it out')
    .describe('plan area at heights from the floor (0) to the rim; straight lines between'),
});

const displacement = z.strictObject({
  name: named(60),
  volume: positive('a displaced volume', 1000).describe('m³'),
  from: heightAboveFloor('the foot of the equipment').describe('m above the floor'),
  to: heightAboveFloor('the head of the equipment').describe('m above the floor'),
});

const vesselSchema = z.strictObject({
  shape: z.discriminatedUnion('kind', [cylinder, box, frustum, lyingCylinder, stacked, depthTable], 'is not a shape that is known here'),
  displacement: z.array(displacement).max(20, 'more than 20 pieces of equipment').describe('what stands in the water and takes its place, evenly over its height'),
  inletInvert: heightAboveFloor('the inlet invert').describe('lowest point of the inlet pipe above the floor, m'),
  overflow: positive('the overflow', 30).describe('level at which water leaves where it should not, m above the floor'),
});

const inflowSchema = z.strictObject({
  low: positive('the low inflow', 10).describe('m³/s'),
  design: positive('the design inflow', 10).describe('m³/s'),
  peak: positive('the peak inflow', 10).describe('m³/s'),
});

const curvePoint = z.strictObject({
  flow: atLeastZero('a flow on the curve', 10).describe('m³/s'),
  head: atLeastZero('a head on the curve', 500).describe('m'),
});

const pumpSchema = z.strictObject({
  name: named(80),
  intake: heightAboveFloor('the intake').describe('height of the intake above the floor, m'),
  volute: heightAboveFloor('the top of the volute').describe('top of the volute above the floor, m'),
  motorTop: heightAboveFloor('the top of the motor').describe('top of the motor above the floor, m'),
  curve: z.array(curvePoint).min(2, 'a curve needs two points or more').max(60, 'a curve of more than 60 points: thin it out'),
  startsPerHour: positive('the starts limit', 600).describe("the maker's limit of starts in an hour"),
  minimumRun: atLeastZero('the minimum run', 36000).describe('s'),
  headShare: number.gt(0, 'the head share must be more than zero').max(1, 'the head share cannot pass 100 %').describe("the maker's limit: share of shut-off head that the pump may run at"),
  ratedCurrent: positive('the rated current', 500).describe('nameplate current, A'),
});

const fittingSchema = z.strictObject({
  name: named(60),
  k: atLeastZero('a loss factor', 1000).describe('loss in velocity heads, each'),
  count: number.int('a count is a whole number').min(0, 'a count cannot be negative').max(500, 'a count beyond 500'),
});

const segmentSchema = z.strictObject({
  name: named(60),
  length: positive('the pipe length', 20000).describe('m'),
  bore: positive('the bore', 2).describe('inside diameter, m'),
  roughness: atLeastZero('the roughness', 0.02).describe('absolute roughness, m; used by Darcy–Weisbach'),
  hazenWilliams: number.min(40, 'a Hazen–Williams C below 40').max(160, 'a Hazen–Williams C above 160').describe('coefficient C; used by Hazen–Williams'),
  fittings: z.array(fittingSchema).max(40, 'more than 40 lines of fittings'),
});

const dischargeSchema = z.strictObject({
  segments: z.array(segmentSchema).min(1, 'a discharge needs at least one length of pipe').max(12, 'more than 12 lengths of pipe'),
  outlet: number.min(-100, 'the outlet is beyond anything this tool is for').max(500, 'the outlet is beyond anything this tool is for').describe('height of the outlet above the floor of the vessel, m; below it is negative'),
  checkValve: z
    .strictObject({ pipeBefore: atLeastZero('the pipe before the check valve', 20000).describe('length of pipe between pump and check valve, m') })
    .nullable()
    .describe('null when no check valve is fitted: the whole line drains back'),
  weepHole: z
    .strictObject({
      diameter: positive('the weep hole', 0.05).describe('m'),
      height: heightAboveFloor('the weep hole').describe('m above the floor'),
    })
    .nullable(),
});

const sensorBase = {
  id: z.string().regex(/^[a-z][a-z0-9-]{0,39}$/, 'an id is lower-case letters, digits and hyphens'),
  role: z.enum(['pump', 'alarm'], 'must be pump or alarm').describe('what the contact does: runs the pump, or rings the bell'),
  duty: z.enum(['motor', 'control'], 'must be motor or control').describe('motor: the contact carries the motor; control: pilot duty only'),
  contact: z.enum(['closes-on-rise', 'opens-on-rise'], 'must be closes-on-rise or opens-on-rise'),
  contactRating: positive('the contact rating', 100).describe('A'),
  cordLength: positive('the cord', 200).describe('cord from the float body to its end, m'),
};

const tiltFloat = z.strictObject({
  ...sensorBase,
  kind: z.literal('tilt'),
  clip: heightAboveFloor('the clip').describe('height of the tether clip above the floor, m'),
  tether: positive('the tether', 30).describe('clip to the near end of the body, m'),
  body: positive('the float body', 1).describe('length of the float body, m'),
  riseDeg: number.gt(0, 'the rise angle must be more than zero').max(85, 'the rise angle must be 85° or less'),
  fallDeg: number.gt(0, 'the fall angle must be more than zero').max(85, 'the fall angle must be 85° or less'),
  measured: z
    .strictObject({
      above: positive('the measured rise above the clip', 10).describe('from the clip up to the rise trip, m'),
      below: positive('the measured fall below the clip', 10).describe('from the clip down to the fall trip, m'),
    })
    .nullable()
    .describe("the range as measured, or from the maker's table, at this tether; it overrides the one worked out from the angles"),
});

const rodFloat = z.strictObject({
  ...sensorBase,
  kind: z.literal('rod'),
  upperStop: heightAboveFloor('the upper stop').describe('level at which the float lifts the upper stop, m'),
  lowerStop: heightAboveFloor('the lower stop').describe('level at which the float rests on the lower stop, m'),
});

const sensorSchema = z.discriminatedUnion('kind', [tiltFloat, rodFloat], 'must be a tilt float or a rod float');

const alarmSchema = z.strictObject({
  horn: z.boolean(),
  lamp: z.boolean(),
  silence: z.boolean().describe('a silence button: horn off, lamp stays'),
  battery: z.boolean(),
  remoteContact: z.boolean(),
  place: words(120).describe('where the bell is heard and seen'),
});

const supplySchema = z.strictObject({
  voltage: positive('the supply voltage', 1000).describe('V'),
  frequency: z.union([z.literal(50), z.literal(60)], 'must be 50 or 60 Hz').describe('Hz'),
  breaker: positive('the breaker', 1000).describe('A'),
  residualCurrent: z.boolean().describe('residual-current or ground-fault protection on the pump circuit'),
});

const settingsSchema = z.strictObject({
  friction: z.enum(['darcy-weisbach', 'hazen-williams'], 'must be darcy-weisbach or hazen-williams').describe('which school of pipe friction'),
  submergence: z.enum(['motor', 'volute'], 'must be motor or volute').describe('which school: the water covers the motor, or the volute'),
  inlet: z.enum(['free', 'storage'], 'must be free or storage').describe('which school: the bell rings below the inlet, or the inlet pipe is used as storage'),
  surcharge: atLeastZero('the surcharge', 5).describe('how far above the inlet invert the bell may ring when the pipe is storage, m'),
  minimumGap: positive('the least gap', 2).describe('least distance between neighbouring trips, m'),
  minimumTether: positive('the least tether', 2).describe('m'),
  keepUpFactor: number.min(1, 'the keep-up factor must be 1 or more').max(10, 'the keep-up factor is beyond reason'),
  drainbackMargin: atLeastZero('the drainback margin', 10).describe('extra drawdown over the drainback, as a share of it'),
  reserveTime: positive('the response time', 30 * 86400).describe('time promised between the bell and the overflow, s'),
  reserveInflow: z.enum(['low', 'design', 'peak'], 'must be low, design or peak').describe('the inflow at which that time is promised'),
  weepCoefficient: number.gt(0, 'the weep-hole coefficient must be more than zero').max(1, 'the weep-hole coefficient cannot pass 1'),
  waterTemperature: number.min(0, 'water below 0 °C is ice').max(60, 'water above 60 °C is beyond these formulas'),
  velocityMin: positive('the least velocity', 10).describe('m/s'),
  velocityMax: positive('the greatest velocity', 20).describe('m/s'),
  hoseFlow: positive('the hose flow', 0.1).describe('flow of the test hose, m³/s'),
  tightShare: number.min(0, 'cannot be negative').max(1, 'cannot pass 100 %').describe('slack below this share of the need is called tight'),
});

export const stationSchema = z.strictObject({
  format: z.literal('pit-bell/station', 'this is not a Pit Bell station file'),
  version: z.literal(2, 'this version of the document is not known here'),
  identity: z.strictObject({
    name: named(80),
    site: named(80),
    contact: words(200).describe('whom to call when the bell rings'),
    note: words(2000),
  }),
  profile: z.enum(['metric-230', 'us-120'], 'must be metric-230 or us-120'),
  duty: z.literal('empty', 'only emptying stations are known in this version'),
  vessel: vesselSchema,
  inflow: inflowSchema,
  pumps: z.array(pumpSchema).length(1, 'a station has one pump in this version'),
  discharge: dischargeSchema,
  sensors: z.array(sensorSchema).max(8, 'more than eight floats'),
  cordRun: atLeastZero('the cord run', 200).describe('from the rim to the plug or splice, m'),
  alarm: alarmSchema,
  supply: supplySchema,
  settings: settingsSchema,
});

export type Station = z.infer<typeof stationSchema>;
export type Sensor = Station['sensors'][number];
export type TiltFloat = Extract<Sensor, { kind: 'tilt' }>;
export type RodFloat = Extract<Sensor, { kind: 'rod' }>;
export type Pump = Station['pumps'][number];
export type CurvePoint = Pump['curve'][number];
export type Segment = Station['discharge']['segments'][number];
export type Vessel = Station['vessel'];
export type VesselShape = Vessel['shape'];
