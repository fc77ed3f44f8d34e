import * as z from 'zod';

/*
 * Everything that is written goes through one outbox on the device. An act is one thing that somebody did: what is sent for it, and how it
 * stands with it. Its id is the key by which the server does it once, however often it is sent.
 */

/** Kinds of acts, by what of the screens shows them until they are sent. */
const KINDS = [
  ...(['run', 'finding', 'seal', 'words', 'photo', 'page', 'page-photo', 'station', 'new-station'] as const),
  /** What the whole firm keeps: a pump, a rule, figures. */
  'firm',
] as const;

/** How it stands with an act: here only; taken by the server; not taken, and why; or kept beside another version that came first. */
const STATES = ['waiting', 'sent', 'refused', 'differs'] as const;

export const actSchema = z.object({
  /** In the order in which they were done. */
  n: z.number(),
  id: z.string(),
  kind: z.enum(KINDS),
  /** In words, as it is listed. */
  what: z.string(),
  stationId: z.number().nullable(),
  /** What it belongs to, as its screen asks: `run:5`, or `run:` and the id of the act that begins it. */
  about: z.string().nullable(),
  /** When it was done, by the clock of this device, ms since 1970. */
  at: z.number(),
  /** Whether the moment it was done is the time that it speaks of. */
  now: z.boolean(),
  /** Who was signed in; null where nobody was. */
  by: z.string().nullable(),
  /** `{id}` stands for the number that the server gave what `after` did. */
  url: z.string(),
  method: z.enum(['POST', 'PUT']),
  type: z.string(),
  body: z.union([z.string(), z.instanceof(Blob)]),
  /** The act that must be taken before. */
  after: z.string().nullable(),
  state: z.enum(STATES),
  /** Why it was not taken, or is not sent yet. */
  why: z.string().nullable(),
  /** What the server answered, as text. */
  answer: z.string().nullable(),
});

export type Act = z.infer<typeof actSchema>;

/** What is said of an act when it is done. */
export type NewAct = Pick<Act, 'id' | 'kind' | 'what' | 'stationId' | 'url' | 'method' | 'body'> &
  Partial<Pick<Act, 'about' | 'after' | 'now'>>;

/** Whether it is on this device only. */
export const isHere = ({ state }: Pick<Act, 'state'>): boolean => state !== 'sent';

/** The number that the server gave what an act made; null where it has not answered so. */
export function numberOf({ answer }: Pick<Act, 'answer'>): number | null {
  const read = z
    .union([
      z.object({ run: z.object({ id: z.number() }) }).transform((a) => a.run.id),
      z.object({ page: z.object({ id: z.number() }) }).transform((a) => a.page.id),
      z.object({ saved: z.object({ id: z.number() }) }).transform((a) => a.saved.id),
    ])
    .safeParse(jsonOf(answer));
  return read.success ? read.data : null;
}

/** An answer as it was read; undefined where it is none. */
export function jsonOf(answer: string | null): unknown {
  try {
    return answer === null ? undefined : JSON.parse(answer);
  } catch {
    return undefined;
  }
}
