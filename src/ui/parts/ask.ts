import * as z from 'zod';
import type { Problem } from '@/core/station';

const problemsSchema = z.array(z.object({ path: z.string(), message: z.string() }));

/** The problems that an answer lists; null where it lists none. */
export function readProblems(json: unknown): readonly Problem[] | null {
  const read = z.object({ problems: problemsSchema }).safeParse(json);
  return read.success ? read.data.problems : null;
}

/** What the server answered: what was asked for, every problem it has with it, or (`ok` null) why nothing can be made of it. */
export type Answer<T> =
  { ok: true; value: T } | { ok: false; problems: readonly Problem[]; rest: unknown } | { ok: null; why: string };

/** What went wrong with an answer, in a line. */
export const wentWrong = (answer: Exclude<Answer<unknown>, { ok: true }>): string =>
  answer.ok === null ? answer.why : answer.problems.map((p) => p.message).join('; ');

export interface Sending {
  readonly method: 'GET' | 'POST' | 'PUT';
  readonly body?: string | Blob;
  /** Known by it, what is sent again after a lost answer is done once. */
  readonly key?: string;
  /** How long its answer may take, ms; else as long as any. */
  readonly patience?: number;
}

const typeOf = (body: Sending['body']): string =>
  !(body instanceof Blob)
    ? 'application/json'
    : body.type.startsWith('image/')
      ? body.type
      : 'application/octet-stream';

/** How long a server may take before it is told as hanging, ms. */
const PATIENCE = 10_000;

async function reached(url: string, send: Sending | undefined): Promise<Response | string> {
  const headers = send && {
    // A picture goes as what it is, a piece of a file as bytes; everything else is JSON.
    'content-type': typeOf(send.body),
    ...(send.key !== undefined && { 'idempotency-key': send.key }),
  };
  const { patience = PATIENCE } = send ?? {};
  try {
    return await fetch(url, {
      ...(send && { method: send.method, headers, ...(send.body !== undefined && { body: send.body }) }),
      signal: AbortSignal.timeout(patience),
    });
  } catch (error) {
    return (error as Error).name === 'TimeoutError'
      ? `the server has not answered for ${patience / 1000} seconds`
      : 'the server does not answer';
  }
}

/** Asks the server and reads its answer by a schema. Never throws: what went wrong is said. */
export async function ask<T>(url: string, schema: z.ZodType<T>, send?: Sending): Promise<Answer<T>> {
  const response = await reached(url, send);
  if (typeof response === 'string') return { ok: null, why: response };
  const json: unknown = await response.json().catch(() => undefined);
  const wordless = { ok: null, why: `the server answered ${response.status} without words that can be read` } as const;
  if (json === undefined) return wordless;
  if (response.ok) {
    const read = schema.safeParse(json);
    return read.success ? { ok: true, value: read.data } : wordless;
  }
  const refused = z.looseObject({ problems: problemsSchema.optional() }).safeParse(json);
  if (!refused.success) return wordless;
  const { problems, ...rest } = refused.data;
  return { ok: false, problems: problems ?? [{ path: 'server', message: `answered ${response.status}` }], rest };
}
