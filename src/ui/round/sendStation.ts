import * as z from 'zod';
import type { Problem } from '@/core/station';
import { ask } from '../parts/ask';

const LARGEST_FILE = 2 * 1024 * 1024;

const answerSchema = z.object({ saved: z.object({ id: z.number() }) });

type Sent = { ok: true; id: number } | { ok: false; problems: readonly Problem[] };

const failed = (path: string, message: string): Sent => ({ ok: false, problems: [{ path, message }] });

/** Sends a station document to be kept as a new station. Never throws. */
export async function sendStation(body: string | File): Promise<Sent> {
  if (body instanceof File && body.size > LARGEST_FILE)
    return failed(body.name, `is ${(body.size / 1024 / 1024).toFixed(0)} MB; a station file is a few kB`);
  const answer = await ask('/api/stations', answerSchema, { method: 'POST', body });
  if (answer === null) return failed('server', 'does not answer; nothing was changed');
  return answer.ok ? { ok: true, id: answer.value.saved.id } : { ok: false, problems: answer.problems };
}
