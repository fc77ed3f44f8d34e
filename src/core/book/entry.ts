import * as z from 'zod';
import type { PageKind } from './kinds';
import { kindOfMeter, meterOf } from './meters';

/*
 * What is written in the book of a station: pages of several kinds, and what was read of meters. Nothing of it is ever changed: a correction is
 * a page that names the one it corrects, and a reading that names the one it stands in place of.
 */

const words = (most = 2000) => z.string().trim().max(most, `is longer than ${most} characters`).default('');
/** A line that is there where somebody wrote it. */
const more = z.string().trim().max(2000, 'is longer than 2000 characters').optional();
const life = z.number().positive('must be more than zero').nullable().default(null);

const visit = z.strictObject({
  kind: z.literal('visit'),
  why: z.enum(['due', 'job', 'call', 'look'], 'must be why somebody came'),
  /** How long, min. */
  minutes: z
    .number()
    .min(0, 'cannot be negative')
    .max(100_000, 'is longer than anybody stays')
    .nullable()
    .default(null),
  /** What was seen, done, decided and used, in the words of whoever came; or what was seen alone, where the rest stands by itself. */
  words: words(10_000),
  done: more,
  decided: more,
  measured: more,
  used: more,
  /** The sealed run that was made then, and the kind of job that it was. */
  run: z.number().int().positive().optional(),
  job: z.string().max(40).optional(),
  /** Faults that were traced and confirmed then; the kind of each is told by its cause. */
  faults: z
    .array(z.strictObject({ id: z.string().max(200), label: z.string().max(400), cause: z.string().max(400) }))
    .max(10)
    .optional(),
});

const alarm = z.strictObject({
  kind: z.literal('alarm'),
  /** What rang, how long (min; null: nobody knows), what it was, and what was done. */
  rang: words(200).pipe(z.string().min(1, 'say what rang')),
  minutes: z.number().min(0, 'cannot be negative').nullable().default(null),
  was: words(),
  done: words(),
});

const part = z.strictObject({
  kind: z.literal('part'),
  /** What it is, and where: a device of the station, or a place in words; on the shelf it has none. */
  name: words(120).pipe(z.string().min(1, 'say what it is')),
  place: words(120),
  state: z.enum(['fitted', 'taken out', 'on the shelf']),
  serial: words(80),
  years: life,
  hours: life,
  starts: life,
  warrantyTo: z.iso.date('must be a date, as 2027-03-31').nullable().default(null),
  through: words(120),
});

const meter = z.strictObject({
  kind: z.literal('meter'),
  meter: z.string().refine((id) => meterOf(id) !== null, 'is no meter known here'),
  /** Where its dial begins anew; null: it does not, or nobody knows. */
  rollsAt: z.number().positive('must be more than zero').nullable(),
});

const site = z.strictObject({
  kind: z.literal('site'),
  access: words(),
  keys: words(),
  gas: words(),
  dog: words(),
  call: words(),
  owner: words(),
  /** Of a kWh, in the money of the place; null: nobody said. */
  price: z.number().min(0, 'cannot be negative').max(1000, 'is more than anybody pays').nullable().optional(),
});

const rule = z.strictObject({
  kind: z.literal('rule'),
  /** The kind of job that does it; left out: the station is proved as a whole. */
  job: z.string().max(40).optional(),
  /** What is to be done again and again. */
  what: words(120).pipe(z.string().min(1, 'say what is to be done')),
  /** After so many days, hours run or starts since it was done last, whichever comes first. */
  days: life,
  hours: life,
  starts: life,
  /** Only in this month, 1 to 12; null: in any. */
  month: z.number().int().min(1, 'is no month').max(12, 'is no month').nullable().default(null),
});

const later = z.strictObject({
  kind: z.literal('later'),
  /** What is put off, by its id in the list of what is due; until when, and why. */
  due: words(120).pipe(z.string().min(1)),
  until: z.iso.date('must be a date, as 2027-03-31'),
  why: words(500).pipe(z.string().min(1, 'say why it can wait')),
});

const struck = z.strictObject({
  kind: z.literal('struck'),
  /** Why the page it corrects does not hold. */
  why: words().pipe(z.string().min(1, 'say why')),
});

/** What is done again and again: at one station, or by a firm at all. */
export const ruleSchema = rule;
export type Rule = z.infer<typeof rule>;

/** What stands on a page. */
export const pageSchema = z.discriminatedUnion('kind', [
  visit,
  alarm,
  part,
  meter,
  site,
  rule,
  later,
  struck,
]) satisfies z.ZodType<{
  kind: PageKind;
}>;
export type Page = z.infer<typeof pageSchema>;

/** A reading as it is written: of which meter, what stood on it, and where a new one began if it was replaced. */
export const readingSchema = z
  .strictObject({
    meter: z.string().refine((id) => meterOf(id) !== null, 'is no meter known here'),
    value: z.number('must be a number').finite(),
    newFrom: z.number().finite().nullable().default(null),
    /** The reading that it stands in place of. */
    corrects: z.number().int().positive().nullable().default(null),
  })
  .refine(({ meter: id, value, newFrom }) => {
    const of = meterOf(id);
    return !of || !kindOfMeter(of).counts || (value >= 0 && (newFrom ?? 0) >= 0);
  }, 'a meter that counts does not stand below zero');
export type ReadingSent = z.infer<typeof readingSchema>;

/** A page with the readings that were taken at it, as it is sent. */
export const pageSentSchema = z.strictObject({
  /** When it happened. */
  at: z.iso.datetime({ offset: true, error: 'must be a time, as 2026-11-27T09:41:00Z' }),
  by: z.string().trim().min(1, 'say who writes').max(60),
  page: pageSchema,
  readings: z.array(readingSchema).max(60, 'more readings than a station has meters').default([]),
  corrects: z.number().int().positive().nullable().default(null),
});
export type PageSent = z.infer<typeof pageSentSchema>;

/** A reading as it stands on its page. */
export interface ReadingKept {
  readonly id: number;
  readonly meter: string;
  readonly value: number;
  readonly newFrom: number | null;
  readonly corrects: number | null;
  /** False where another stands in place of it. */
  readonly stands: boolean;
}

/** A page of the book as it is kept. */
export interface PageKept {
  readonly id: number;
  readonly revision: number;
  readonly at: string;
  readonly writtenAt: string;
  readonly by: string;
  /** Null where this version cannot read what stands there; it stays. */
  readonly page: Page | null;
  readonly corrects: number | null;
  /** The page that corrects this one; null of none. */
  readonly correctedBy: number | null;
  readonly readings: readonly ReadingKept[];
  /** Photographs, by their ids. */
  readonly photos: readonly number[];
  /** The revision that whoever came found: the last that was saved before the visit began. Null: the station was not kept yet. */
  readonly foundRevision: number | null;
}

/** All words of a page, to be searched. */
export const wordsOfPage = (page: Page): string =>
  Object.entries(page)
    .filter(([key, v]) => key !== 'kind' && typeof v === 'string' && v !== '')
    .map(([, v]) => v as string)
    .join(' · ');
