import * as z from 'zod';
import { FORMS, TABLES } from './forms';
import { signalOf } from './signals';

/*
 * How the panel of a station is read: where it is, by which protocol, how often, and which of its figures is which of ours.
 */

const signal = z.string().refine((id) => signalOf(id) !== null, 'is nothing that a panel says');
const scale = z
  .number('must be a number')
  .refine((n) => n !== 0 && Number.isFinite(n), 'cannot be zero')
  .default(1);

/** One register, or two, of a panel. */
const registerSchema = z
  .strictObject({
    signal,
    table: z.enum(TABLES, 'must be a table of registers'),
    /** From 0, as it goes over the line; the handbooks of many panels count from 1. */
    address: z
      .number('must be a number')
      .int('must be a whole number')
      .min(0, 'cannot be negative')
      .max(65_535, 'is beyond 65 535'),
    form: z.enum(FORMS, 'must be a form of a number').default('u16'),
    /** Of two registers the lower comes first. */
    swapped: z.boolean().default(false),
    /** Which bit of a register it is, from 0; null: all of it. */
    bit: z.number().int().min(0, 'bits are 0 to 15').max(15, 'bits are 0 to 15').nullable().default(null),
    /** The figure that is read times this is the figure of the dial. */
    scale,
  })
  .refine(({ bit, form }) => bit === null || form === 'u16', 'a bit is one of a register of 16');

/** One figure of a page that a panel serves. */
const placeSchema = z.strictObject({
  signal,
  /** A JSON pointer (RFC 6901), or the head of a column. */
  at: z.string().trim().min(1, 'say where it stands').max(200),
  scale,
});

const common = {
  on: z.boolean().default(true),
  /** s between two questions. */
  every: z
    .number('must be a number')
    .min(2, 'no more often than every 2 seconds')
    .max(86_400, 'at least once a day')
    .default(10),
  /** min between two readings that are written into the book. */
  keepEvery: z.number('must be a number').min(1, 'at most one a minute').max(10_080, 'at least one a week').default(60),
};

const once = (points: readonly { readonly signal: string }[]): boolean =>
  new Set(points.map((p) => p.signal)).size === points.length;
const ONCE = 'one of them stands there twice';

const host = z
  .string()
  .trim()
  .regex(/^[\w.-]{1,253}$|^[0-9a-f:.]{2,45}$/i, 'must be a name or an address of the network');

const modbusSchema = z.strictObject({
  protocol: z.literal('modbus'),
  host,
  port: z
    .number('must be a number')
    .int()
    .min(1, 'ports are 1 to 65 535')
    .max(65_535, 'ports are 1 to 65 535')
    .default(502),
  unit: z.number('must be a number').int().min(0, 'units are 0 to 255').max(255, 'units are 0 to 255').default(1),
  ...common,
  points: z.array(registerSchema).min(1, 'says nothing yet: name a register').max(80).refine(once, ONCE),
});

const httpSchema = z.strictObject({
  protocol: z.literal('http'),
  url: z
    .url({ protocol: /^https?$/, error: 'must be an address, as http://192.0.2.7/panel.json' })
    .max(500)
    .refine((u) => !/^https?:\/\/[^/?#]*@/i.test(u), 'names and passwords do not belong in an address'),
  format: z.enum(['json', 'csv'], 'must be json or csv'),
  ...common,
  points: z.array(placeSchema).min(1, 'says nothing yet: name a figure').max(80).refine(once, ONCE),
});

/** A panel, or a dialler, that only sends its alarms. */
const sendsSchema = z.strictObject({ protocol: z.literal('sends'), ...common, points: z.tuple([]).default([]) });

export const feedSchema = z.discriminatedUnion(
  'protocol',
  [modbusSchema, httpSchema, sendsSchema],
  'must be modbus, http or sends',
);
export type Feed = z.infer<typeof feedSchema>;
export type ModbusFeed = Extract<Feed, { protocol: 'modbus' }>;
export type HttpFeed = Extract<Feed, { protocol: 'http' }>;
export type Register = ModbusFeed['points'][number];
export type Place = HttpFeed['points'][number];

/** What was read, by signal: a figure of its dial, 0 or 1 of what runs or rings; what could not be read of it says why. */
export type Values = Readonly<
  Record<string, { readonly ok: true; readonly value: number } | { readonly ok: false; readonly why: string }>
>;
