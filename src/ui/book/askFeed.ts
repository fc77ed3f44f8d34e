import * as z from 'zod';
import { feedSchema, type Feed, type Values } from '@/core/feeds';
import { ask, type Answer } from '../parts/ask';
import type { FeedGiven } from './shown';

const valueSchema = z.discriminatedUnion('ok', [
  z.object({ ok: z.literal(true), value: z.number() }),
  z.object({ ok: z.literal(false), why: z.string() }),
]);
const valuesSchema = z.record(z.string(), valueSchema);
const givenSchema = z.object({
  kept: z.object({ feed: feedSchema, by: z.string(), keptAt: z.string() }),
  shown: z.object({
    now: z.number(),
    askedAt: z.number().nullable(),
    heardAt: z.number().nullable(),
    failures: z.number(),
    why: z.string().nullable(),
    stale: z.boolean(),
    heard: valuesSchema,
    kept: z.number(),
  }),
  word: z.string(),
});

/** How a station’s panel stands; null where the server does not say, or it is not read. Never throws. */
export async function askFeed(stationId: number): Promise<FeedGiven | null> {
  const answer = await ask(`/api/stations/${stationId}/feed`, givenSchema);
  return answer.ok ? answer.value : null;
}

/** Keeps how the panel is read. Never throws. */
export async function sendFeed(
  stationId: number,
  by: string,
  feed: unknown,
): Promise<{ ok: true; given: FeedGiven } | { ok: false; why: string }> {
  const answer = await ask(`/api/stations/${stationId}/feed`, givenSchema, {
    method: 'POST',
    body: JSON.stringify({ by, feed }),
  });
  return answer.ok ? { ok: true, given: answer.value } : { ok: false, why: saying(answer) };
}

/** Every problem with its place: which line of the table it is of. */
function saying(answer: Exclude<Answer<unknown>, { ok: true }>): string {
  if (answer.ok === null) return answer.why;
  return answer.problems
    .map(({ path, message }) => {
      const [, row, field] = /points\.(\d+)(?:\.(\w+))?/.exec(path) ?? [];
      if (row === undefined) return message;
      return `line ${Number(row) + 1}${field ? `, ${field}` : ''}: ${message}`;
    })
    .join('; ');
}

const triedSchema = z.discriminatedUnion('ok', [
  z.object({ ok: z.literal(true), values: valuesSchema }),
  z.object({ ok: z.literal(false), why: z.string() }),
]);

/** Asks the panel once. Never throws. */
export async function tryFeed(
  stationId: number,
  feed: unknown,
): Promise<{ ok: true; values: Values } | { ok: false; why: string }> {
  const answer = await ask(`/api/stations/${stationId}/feed/try`, triedSchema, {
    method: 'POST',
    body: JSON.stringify({ feed }),
  });
  return answer.ok ? answer.value : { ok: false, why: saying(answer) };
}

/** Reads a map of registers from a file; null where it is none. */
export function readFeed(text: string): Feed | null {
  try {
    return feedSchema.safeParse(JSON.parse(text)).data ?? null;
  } catch {
    return null;
  }
}
