import type * as z from 'zod';
import type { Problem } from '@/core/station';

/** A station document is a few kB; nothing that is sent here is honestly larger than this. */
export const LARGEST_BODY = 2 * 1024 * 1024;

export const refuse = (status: number, problems: readonly Problem[], more: Record<string, unknown> = {}): Response =>
  Response.json({ problems, ...more }, { status });

export const notFound = (what: string): Response =>
  refuse(404, [{ path: 'address', message: `there is no ${what} here` }]);

type Read<T> = { ok: true; value: T } | { ok: false; response: Response };

const failed = (status: number, message: string): { ok: false; response: Response } => ({
  ok: false,
  response: refuse(status, [{ path: 'file', message }]),
});

async function readCapped(request: Request): Promise<Read<string>> {
  const tooLarge = `is larger than ${LARGEST_BODY / 1024 / 1024} MB; a station file is a few kB`;
  if (Number(request.headers.get('content-length') ?? 0) > LARGEST_BODY) return failed(413, tooLarge);
  const decoder = new TextDecoder('utf-8', { fatal: true });
  let text = '';
  let size = 0;
  try {
    for await (const chunk of request.body ?? []) {
      size += chunk.byteLength;
      if (size > LARGEST_BODY) return failed(413, tooLarge);
      text += decoder.decode(chunk, { stream: true });
    }
    return { ok: true, value: text + decoder.decode() };
  } catch {
    return failed(400, 'is not text in UTF-8');
  }
}

/** A request from a page of another site that happens to be open in the same browser is not a person of ours. */
const foreign = (request: Request) => !['same-origin', 'none', null].includes(request.headers.get('sec-fetch-site'));

/** Reads a request's body as JSON: never more than the cap, never from a foreign page. */
export async function readJson(request: Request): Promise<Read<unknown>> {
  if (foreign(request)) return failed(403, 'comes from another site');
  const text = await readCapped(request);
  if (!text.ok) return text;
  try {
    return { ok: true, value: JSON.parse(text.value) };
  } catch (error) {
    return failed(400, `is not JSON: ${error instanceof Error ? error.message : 'it cannot be read'}`);
  }
}

/** Reads a body as JSON of a schema, every problem listed by its path. */
export async function readAs<T>(request: Request, schema: z.ZodType<T>): Promise<Read<T>> {
  const json = await readJson(request);
  if (!json.ok) return json;
  const parsed = schema.safeParse(json.value);
  if (parsed.success) return { ok: true, value: parsed.data };
  return {
    ok: false,
    response: refuse(
      422,
      parsed.error.issues.map((i) => ({ path: i.path.join('.') || 'body', message: i.message })),
    ),
  };
}

/** A number in an address, as it stands there; null when it is not one of ours. */
export function idFrom(text: string): number | null {
  return /^[1-9]\d{0,14}$/.test(text) ? Number(text) : null;
}

export const now = (): string => new Date().toISOString();
