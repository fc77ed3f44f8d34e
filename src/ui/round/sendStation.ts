import * as z from 'zod';
import type { Problem } from '@/core/station';

const LARGEST_FILE = 2 * 1024 * 1024;

const answerSchema = z.object({
  saved: z.object({ id: z.number() }).optional(),
  problems: z.array(z.object({ path: z.string(), message: z.string() })).optional(),
});

type Sent = { ok: true; id: number } | { ok: false; problems: readonly Problem[] };

const failed = (path: string, message: string): Sent => ({ ok: false, problems: [{ path, message }] });

/** Sends a station document to be kept as a new station. Never throws. */
export async function sendStation(body: string | File): Promise<Sent> {
  if (body instanceof File && body.size > LARGEST_FILE)
    return failed(body.name, `is ${(body.size / 1024 / 1024).toFixed(0)} MB; a station file is a few kB`);
  try {
    const response = await fetch('/api/stations', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body,
    });
    const answer = answerSchema.parse(await response.json());
    if (answer.saved) return { ok: true, id: answer.saved.id };
    return { ok: false, problems: answer.problems ?? [{ path: 'server', message: `answered ${response.status}` }] };
  } catch {
    return failed('server', 'does not answer; nothing was changed');
  }
}
