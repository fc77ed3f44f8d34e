import * as z from 'zod';
import type { Problem } from '@/core/station';

const problemsSchema = z.array(z.object({ path: z.string(), message: z.string() }));

/** What the server answered: what was asked for, or every problem it has with it; null when nobody answers or nothing can be read of it. */
export type Answer<T> = { ok: true; value: T } | { ok: false; problems: readonly Problem[]; rest: unknown } | null;

/** Asks the server and reads its answer by a schema. Never throws: what went wrong is said, and a server that is away is null. */
export async function ask<T>(
  url: string,
  schema: z.ZodType<T>,
  send?: { method: 'POST' | 'PUT'; body: string | File },
): Promise<Answer<T>> {
  try {
    const response = await fetch(
      url,
      send && { method: send.method, headers: { 'content-type': 'application/json' }, body: send.body },
    );
    const json: unknown = await response.json();
    if (response.ok) return { ok: true, value: schema.parse(json) };
    const { problems, ...rest } = z.looseObject({ problems: problemsSchema.optional() }).parse(json);
    return { ok: false, problems: problems ?? [{ path: 'server', message: `answered ${response.status}` }], rest };
  } catch {
    return null;
  }
}
