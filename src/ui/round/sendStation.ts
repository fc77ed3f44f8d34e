import * as z from 'zod';
import type { Problem } from '@/core/station';
import { ask } from '../parts/ask';
import { newKey } from '../parts/browserKeep';

const LARGEST_FILE = 2 * 1024 * 1024;

const answerSchema = z.object({ saved: z.object({ id: z.number() }) });

type Sent = { ok: true; id: number } | { ok: false; problems: readonly Problem[] };

const failed = (path: string, message: string): Sent => ({ ok: false, problems: [{ path, message }] });

/** The same text or file sent again, after an answer that was lost, makes no second station. */
let sent: { body: string | File; key: string } | null = null;
function keyOf(body: string | File): string {
  if (sent?.body !== body) sent = { body, key: newKey() };
  return sent.key;
}

/** Sends a station document to be kept as a new station. Never throws. */
export async function sendStation(body: string | File): Promise<Sent> {
  if (body instanceof File && body.size > LARGEST_FILE)
    return failed(body.name, `is ${(body.size / 1024 / 1024).toFixed(0)} MB; a station file is a few kB`);
  const answer = await ask('/api/stations', answerSchema, { method: 'POST', body, key: keyOf(body) });
  if (answer.ok === null) return failed('server', `${answer.why}: send it again, it is kept once`);
  if (!answer.ok) return { ok: false, problems: answer.problems };
  sent = null;
  return { ok: true, id: answer.value.saved.id };
}
