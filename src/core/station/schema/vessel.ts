import * as z from 'zod';
import { bearing, heightAboveFloor, named, offset, positive } from './numbers';

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
    .array(
      z.strictObject({
        height: heightAboveFloor('a height in the table'),
        area: positive('a plan area', 10000).describe('m²'),
      }),
    )
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

const inletStream = z.strictObject({
  bearing,
  offset: offset('the axis of the pit'),
  diameter: positive('the stream', 3).describe('width of the water that falls from the inlet, m'),
});

export const vesselSchema = z.strictObject({
  shape: z.discriminatedUnion(
    'kind',
    [cylinder, box, frustum, lyingCylinder, stacked, depthTable],
    'is not a shape that is known here',
  ),
  displacement: z
    .array(displacement)
    .max(20, 'more than 20 pieces of equipment')
    .describe('what stands in the water and takes its place, evenly over its height'),
  inletInvert: heightAboveFloor('the inlet invert').describe('lowest point of the inlet pipe above the floor, m'),
  inletStream: inletStream.nullable().describe('where the water falls from the inlet; null when it runs down the wall'),
  overflow: positive('the overflow', 30).describe('level at which water leaves where it should not, m above the floor'),
});

const obstacleBase = {
  name: named(60),
  bearing,
  offset: offset('the axis of the pit'),
  from: heightAboveFloor('the foot of the obstacle').describe('m above the floor'),
  to: heightAboveFloor('the head of the obstacle').describe('m above the floor'),
};

/** Something that a float can swing against: a post, a filter, a guide rail, a ladder. */
export const obstacleSchema = z.discriminatedUnion('kind', [
  z.strictObject({ ...obstacleBase, kind: z.literal('round'), diameter: positive('the diameter', 10).describe('m') }),
  z.strictObject({
    ...obstacleBase,
    kind: z.literal('flat'),
    width: positive('the width', 10).describe('m, across its face'),
    thickness: positive('the thickness', 10).describe('m'),
    facing: bearing.describe('the way its face looks, degrees'),
  }),
]);

/** The pole that floats are clipped to. */
export const poleSchema = z.strictObject({
  bearing,
  offset: offset('the axis of the pit'),
  diameter: positive('the pole', 1).describe('m'),
});
