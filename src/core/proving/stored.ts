import * as z from 'zod';
import { METER_MODES } from '../circuit';
import type { Result } from '../result';
import { RISKS, type Risk } from '../tests';
import { FORMATS, type Format } from '../units';
import type { Decided } from './entry';
import type { Found } from './judgeFound';
import type { Step } from './step';

/*
 * A plan as it is kept with its run, with a version of its own: what was asked of a person is never rewritten, and is still read when the
 * program has moved on.
 */

const PLAN_VERSION = 3;

/** The job of which the steps are every test that the station gives rise to. */
export const WHOLE = 'commission';

const format = z.enum(Object.keys(FORMATS) as [Format, ...Format[]]);
// A figure that has no end, as a run that never stops, is kept as null.
const figure = z
  .number()
  .nullable()
  .transform((v) => v ?? Infinity);
const quantity = z.object({ format, value: figure });
const phrase = z.array(z.union([z.string(), quantity]));
const reading = z.object({
  expected: quantity.nullable(),
  format,
  least: z.number().nullable(),
  most: z.number().nullable(),
});

const probes = z.object({ a: z.string(), b: z.string(), mode: z.enum(METER_MODES) });
const decision = z.object({
  id: z.string(),
  question: z.string(),
  choices: z.array(
    z.object({
      id: z.string(),
      label: z.string(),
      why: phrase,
      sets: z.object({ path: z.string(), value: z.union([z.string(), z.number(), z.boolean()]) }).optional(),
    }),
  ),
  suggested: z.string().nullable(),
});

const stepSchema = z.object({
  id: z.string(),
  phase: z.enum(['make safe', 'look', 'bench', 'work', 'dry', 'wet', 'alarm', 'leave']),
  title: z.string(),
  // What plans before version 3 did not say yet is nothing.
  first: z.array(z.string()).default([]),
  standing: z.array(z.string()).default([]),
  actions: z.array(phrase),
  cautions: z.array(z.string()),
  expects: z.array(
    z.object({
      id: z.string(),
      label: z.string(),
      sentence: phrase,
      reading: reading.nullable(),
      probes: probes.nullable().default(null),
      sets: z
        .object({ path: z.string(), from: z.enum(['rim', 'value']), sensor: z.string().optional() })
        .nullable()
        .default(null),
    }),
  ),
  decisions: z.array(decision).default([]),
  minutes: z.number().nullable().default(null),
  people: z.number().default(1),
  risk: z
    .enum(Object.keys(RISKS) as [Risk, ...Risk[]])
    .nullable()
    .default(null),
  about: z.array(z.string()).transform((parts) => parts as unknown as Step['about']),
});

const planSchema = z.object({
  version: z.union([z.literal(2), z.literal(PLAN_VERSION)]),
  // Until version 3 a run was always of the whole plan.
  job: z.string().default(WHOLE),
  steps: z.array(stepSchema),
});

/** In version 1, a bare list of steps, formats were called kinds and sentences `says`. */
const RENAMED: Readonly<Record<string, string>> = { kind: 'format', says: 'sentence' };

function fromVersion1(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(fromVersion1);
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(Object.entries(value).map(([k, v]) => [RENAMED[k] ?? k, fromVersion1(v)]));
}

/** A plan as text to be kept. @param job whose card it is */
export const storePlan = (steps: readonly Step[], job: string = WHOLE): string =>
  JSON.stringify({ version: PLAN_VERSION, job, steps });

const said = (error: z.ZodError): string =>
  error.issues
    .slice(0, 3)
    .map((i) => `${i.path.map(String).join('.') || 'plan'}: ${i.message}`)
    .join('; ');

/** A plan that was kept, of this version or an older one; or why it cannot be read. */
export function readPlan(text: string): Result<{ job: string; steps: readonly Step[] }, { reason: string }> {
  let kept: unknown;
  try {
    kept = JSON.parse(text);
  } catch {
    return { ok: false, reason: 'the plan is not text that can be read' };
  }
  const plan = Array.isArray(kept) ? { version: 2, steps: fromVersion1(kept) } : kept;
  const parsed = planSchema.safeParse(plan);
  return parsed.success
    ? { ok: true, job: parsed.data.job, steps: parsed.data.steps }
    : { ok: false, reason: said(parsed.error) };
}

const foundSchema = z.record(z.string(), z.union([z.number(), z.boolean()]));

const decidedSchema = z.record(z.string(), z.string());

/** Decisions that were kept; those that cannot be read are none. */
export function readDecided(text: string): Decided {
  try {
    return decidedSchema.parse(JSON.parse(text));
  } catch {
    return {};
  }
}

/** Findings that were kept; those that cannot be read are none. */
export function readFound(text: string): Found {
  try {
    return foundSchema.parse(JSON.parse(text));
  } catch {
    return {};
  }
}
