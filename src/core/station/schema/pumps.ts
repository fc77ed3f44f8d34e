import * as z from 'zod';
import { motorSchema } from './panel';
import { atLeastZero, bearing, heightAboveFloor, named, number, offset, positive } from './numbers';

/** What pipes are made of. */
export const PIPE_MATERIALS = ['pvc', 'polyethylene', 'abs', 'copper', 'steel', 'ductile-iron'] as const;

const fittingSchema = z.strictObject({
  name: named(60),
  k: atLeastZero('a loss factor', 1000).describe('loss in velocity heads, each'),
  count: number.int('a count is a whole number').min(0, 'a count cannot be negative').max(500, 'a count beyond 500'),
});

export const segmentSchema = z.strictObject({
  name: named(60),
  length: positive('the pipe length', 20000).describe('m'),
  bore: positive('the bore', 2).describe('inside diameter, m'),
  roughness: atLeastZero('the roughness', 0.02).describe('absolute roughness, m; used by Darcy–Weisbach'),
  hazenWilliams: number
    .min(40, 'a Hazen–Williams C below 40')
    .max(160, 'a Hazen–Williams C above 160')
    .describe('coefficient C; used by Hazen–Williams'),
  fittings: z.array(fittingSchema).max(40, 'more than 40 lines of fittings'),
  material: z
    .enum(PIPE_MATERIALS, `must be ${PIPE_MATERIALS.join(', ')}`)
    .nullable()
    .describe('what the pipe is of, for its wave speed; null: judged by its roughness'),
  wall: positive('the wall of the pipe', 0.2).nullable().describe('m; null: a typical wall for its bore'),
});

const curvePoint = z.strictObject({
  flow: atLeastZero('a flow on the curve', 10).describe('m³/s'),
  head: atLeastZero('a head on the curve', 500).describe('m'),
});

/** Name, curve and limits of a pump, as its maker gives them: what a library can keep. */
export const pumpModelSchema = z.strictObject({
  name: named(80),
  intake: heightAboveFloor('the intake').describe('height of the intake above the floor, m'),
  volute: heightAboveFloor('the top of the volute').describe('top of the volute above the floor, m'),
  motorTop: heightAboveFloor('the top of the motor').describe('top of the motor above the floor, m'),
  diameter: positive('the pump', 3).describe('widest distance across the pump, m'),
  curve: z
    .array(curvePoint)
    .min(2, 'a curve needs two points or more')
    .max(60, 'a curve of more than 60 points: thin it out'),
  startsPerHour: positive('the starts limit', 600).describe("the maker's limit of starts in an hour"),
  minimumRun: atLeastZero('the minimum run', 36000).describe('s'),
  headShare: number
    .gt(0, 'the head share must be more than zero')
    .max(1, 'the head share cannot pass 100 %')
    .describe("the maker's limit: share of shut-off head that the pump may run at"),
  ratedCurrent: positive('the rated current', 500).describe('nameplate current, A'),
  bell: positive('the intake opening', 3)
    .nullable()
    .describe('diameter of the intake’s bell or opening, m; null: assumed'),
  power: z
    .array(
      z.strictObject({
        flow: atLeastZero('a flow on the power curve', 10).describe('m³/s'),
        power: positive('a power', 1e6).describe('input power, W'),
      }),
    )
    .min(2, 'power needs two points or more')
    .max(60, 'more than 60 points of power')
    .nullable()
    .describe('electrical input by flow; null: a typical shape is assumed'),
  minimumFlow: positive('the least flow', 10)
    .nullable()
    .describe('least flow that the maker allows, m³/s; null: assumed'),
});

/** A pump as a library keeps it, of this version or of one before: what came later is not known of it. */
export const readPumpModel = (input: unknown) =>
  pumpModelSchema.safeParse(
    typeof input === 'object' && input !== null ? { bell: null, power: null, minimumFlow: null, ...input } : input,
  );

export const pumpSchema = z.strictObject({
  ...pumpModelSchema.shape,
  motor: motorSchema,
  bearing,
  offset: offset('the axis of the pit'),
  riser: z
    .array(segmentSchema)
    .max(6, 'more than six lengths of riser')
    .describe("this pump's own pipe, up to where the shared line begins; empty when the line begins at the pump"),
  riserBearing: bearing.describe('where its riser stands'),
  riserOffset: offset('the axis of the pit'),
});

const lateralsSchema = z.strictObject({
  count: z
    .int()
    .min(1, 'the laterals must be one or more')
    .max(200, 'more than 200 laterals')
    .describe('laterals, all alike, fed from one manifold'),
  length: positive('the length of a lateral', 500).describe('m'),
  bore: positive('the bore of a lateral', 1).describe('m'),
  roughness: atLeastZero('the roughness', 0.02).describe('m'),
  hazenWilliams: number.min(40, 'a Hazen–Williams C below 40').max(160, 'a Hazen–Williams C above 160'),
  orifices: z
    .int('the orifices are a whole number')
    .min(1, 'laterals with no orifices let no water out: give one or more')
    .max(500, 'more than 500 orifices on a lateral')
    .describe('on each lateral, evenly spaced, the last at its end'),
  orifice: positive('the orifice', 0.1).describe('diameter, m'),
  coefficient: number
    .gt(0, 'the coefficient must be more than zero')
    .max(1, 'the coefficient cannot pass 1')
    .describe('discharge coefficient of the orifices'),
  squirt: positive('the squirt height', 20).describe('height of the jet wanted at the last orifice, m'),
});

export const dischargeSchema = z.strictObject({
  segments: z
    .array(segmentSchema)
    .min(1, 'a discharge needs at least one length of pipe')
    .max(12, 'more than 12 lengths of pipe')
    .describe('the line that all pumps share'),
  outlet: number
    .min(-100, 'the outlet is beyond anything this tool is for')
    .max(500, 'the outlet is beyond anything this tool is for')
    .describe('height of the outlet above the floor of the vessel, m; below it is negative'),
  checkValve: z
    .strictObject({
      pipeBefore: atLeastZero('the pipe before the check valve', 20000).describe(
        'length of pipe between pump and check valve, m',
      ),
    })
    .nullable()
    .describe('of each pump alike; null when none is fitted: the whole line drains back'),
  weepHole: z
    .strictObject({
      diameter: positive('the weep hole', 0.05).describe('m'),
      height: heightAboveFloor('the weep hole').describe('m above the floor'),
    })
    .nullable()
    .describe('of each pump alike'),
  highPoint: z
    .strictObject({
      height: number
        .max(500, 'the high point is beyond anything this tool is for')
        .describe('m above the floor of the vessel'),
      along: atLeastZero('the pipe before the high point', 20000).describe('m of pipe from the pump to it'),
      vented: z.boolean().describe('true: air is let in there, and no siphon pulls beyond it'),
    })
    .nullable()
    .describe('where the line stands higher than its outlet'),
  laterals: lateralsSchema.nullable().describe('perforated pipes of a dosed bed at the end of the line'),
  exposed: atLeastZero('the exposed length', 20000).describe(
    'm of the line that runs in the open, where it can freeze',
  ),
  rating: positive('the pressure rating', 10e6)
    .nullable()
    .describe('pressure that the line is made for, Pa; null: not known'),
});
