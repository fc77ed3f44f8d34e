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

/** Deeper than any document of ours. */
const DEEPEST = 40;

/** How deep the brackets of a JSON text go, those in its words left out. */
function depthOf(text: string): number {
  let [depth, deepest, within] = [0, 0, false];
  for (let i = 0; i < text.length; i++) {
    const c = text[i];
    if (within) {
      if (c === '\\') i++;
      else if (c === '"') within = false;
    } else if (c === '"') within = true;
    else if (c === '{' || c === '[') deepest = Math.max(deepest, ++depth);
    else if (c === '}' || c === ']') depth--;
  }
  return deepest;
}

/** Reads a request's body as JSON: never more than the cap, never deeper than a document is. */
export async function readJson(request: Request): Promise<Read<unknown>> {
  const text = await readCapped(request);
  if (!text.ok) return text;
  if (depthOf(text.value) > DEEPEST) return failed(400, 'is nested deeper than anything of ours');
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

/** Reads a request's body as bytes, never more than `most`. @param what it is, in words */
export async function readBytes(request: Request, most: number, what: string): Promise<Read<Uint8Array>> {
  const tooLarge = `${what} of more than ${most / 1024 / 1024} MB is not taken: send it smaller`;
  if (Number(request.headers.get('content-length') ?? 0) > most) return failed(413, tooLarge);
  const chunks: Uint8Array[] = [];
  let size = 0;
  for await (const chunk of request.body ?? []) {
    size += chunk.byteLength;
    if (size > most) return failed(413, tooLarge);
    chunks.push(chunk);
  }
  return size === 0 ? failed(400, 'nothing was sent') : { ok: true, value: Buffer.concat(chunks) };
}

/** Why something is not taken into a run, as an answer. */
export const refusedRun = ({ reason, detail }: { reason: 'no-run' | 'no-step' | 'sealed'; detail: string }): Response =>
  refuse(reason === 'no-run' ? 404 : reason === 'sealed' ? 409 : 422, [{ path: 'run', message: detail }]);

/** Where this server is, as whoever asks has found it: the name that was asked for, over TLS or not, as the door says. */
export function originOf(request: Request): string | null {
  const host = request.headers.get('host');
  if (!host) return null;
  const scheme = request.headers.get('x-forwarded-proto') ?? new URL(request.url).protocol.replace(':', '');
  return `${scheme === 'https' ? 'https' : 'http'}://${host}`;
}

/** A number in an address, as it stands there; null when it is not one of ours. */
export function idFrom(text: string): number | null {
  return /^[1-9]\d{0,14}$/.test(text) ? Number(text) : null;
}

export const now = (): string => new Date().toISOString();

/** No device keeps what it has not sent for longer, ms. */
const OLDEST_ACT = 400 * 86_400_000;

/**
 * When what is sent now was done: a device without signal says how long ago that was, by its own clock, so that a clock which is wrong does
 * no harm. Now, where it says nothing or what cannot be.
 */
export function doneAt(request: Request, clock: () => number = Date.now): string {
  const ago = Number(request.headers.get('act-age') ?? 0);
  return new Date(clock() - (ago > 0 && ago < OLDEST_ACT ? ago : 0)).toISOString();
}

/** The key of a request that may be sent again after its answer was lost: what it asks is then done once. */
export function keyOf(request: Request): string | null {
  const key = request.headers.get('idempotency-key');
  return key !== null && /^[\w-]{8,80}$/.test(key) ? key : null;
}

/** What hinders writing, by the code it is known by. */
const HINDERED: readonly (readonly [pattern: RegExp, status: number, message: string])[] = [
  [
    /^(SQLITE_FULL|ENOSPC|EDQUOT)/,
    507,
    'the disk of the server is full: nothing was written. Make room there, then save again',
  ],
  [
    /^(SQLITE_READONLY|SQLITE_CANTOPEN|EROFS|EACCES|EPERM)/,
    507,
    'the server may not write in its data folder: nothing was written. Give it the right to, then save again',
  ],
  [
    /^(SQLITE_BUSY|SQLITE_LOCKED)/,
    503,
    'another program holds the database: nothing was written. Save again in a moment',
  ],
  [
    /^(SQLITE_CORRUPT|SQLITE_NOTADB)/,
    500,
    'the database is damaged where this is kept: nothing was written. Export what you have as a file, and restore a backup',
  ],
  [
    /^(SQLITE_IOERR|EIO)/,
    507,
    'the disk of the server does not take it: nothing was written. Look at the disk, then save again',
  ],
];

/** Answers of a route that writes: where the disk or the database hinders it, that is said, and nothing is half done. */
export async function writing(write: () => Response | Promise<Response>): Promise<Response> {
  try {
    return await write();
  } catch (error) {
    const { code = '', message } = error as { code?: string; message: string };
    const hindered = HINDERED.find(([pattern]) => pattern.test(code));
    if (hindered) return refuse(hindered[1], [{ path: 'server', message: hindered[2] }]);
    process.stderr.write(`${message}\n`);
    return refuse(500, [{ path: 'server', message: 'the server could not do it, and nothing was written' }]);
  }
}
