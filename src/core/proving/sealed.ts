import * as z from 'zod';
import { entrySchema } from './entry';
import { readPlan } from './stored';

/*
 * A finished run as it is sealed and carried: everything that it is true of, in one open document. What is hashed is its canonical JSON
 * (RFC 8785) without the hash itself; it holds the hash of the run of that station sealed before.
 */

export const RUN_FORMAT = 'pit-bell/run';
export const RUN_VERSION = 1;

const photo = z.object({ id: z.number(), stepId: z.string(), takenAt: z.string(), by: z.string(), digest: z.string() });

export const sealedSchema = z.object({
  format: z.literal(RUN_FORMAT, 'this is not a Pit Bell run'),
  version: z.literal(RUN_VERSION, 'this version of the run is not known here'),
  /** The station’s document at the revision that the run is of, as it was stored. */
  station: z.unknown(),
  revision: z.number(),
  run: z.object({
    id: z.number(),
    startedAt: z.string(),
    tester: z.string(),
    /** The card as it was kept when the run began. */
    plan: z.unknown(),
  }),
  entries: z.array(entrySchema),
  photos: z.array(photo),
  sealedAt: z.string(),
  sealedBy: z.string(),
  /** Hash of the run of this station that was sealed before; null: it is the first. */
  previous: z.string().nullable(),
});

export type SealedRun = z.infer<typeof sealedSchema>;
/** As it is carried in a file. */
export type SealedFile = SealedRun & { readonly hash: string };

const fileSchema = sealedSchema.extend({ hash: z.string().regex(/^[0-9a-f]{64}$/, 'is no hash') });

/** Reads anything as a sealed run; whether its seal is whole is asked elsewhere. */
export function readSealed(
  input: unknown,
): { ok: true; file: SealedFile } | { ok: false; problems: readonly string[] } {
  const parsed = fileSchema.safeParse(input);
  if (!parsed.success)
    return { ok: false, problems: parsed.error.issues.map((i) => `${i.path.join('.') || 'document'}: ${i.message}`) };
  const plan = readPlan(JSON.stringify(parsed.data.run.plan));
  return plan.ok ? { ok: true, file: parsed.data } : { ok: false, problems: [`run.plan: ${plan.reason}`] };
}
