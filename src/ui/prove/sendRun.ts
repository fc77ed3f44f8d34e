import * as z from 'zod';
import type { ProofEntry } from '@/core/proving';

const problemsSchema = z.array(z.object({ path: z.string(), message: z.string() })).optional();
const entrySchema = z.object({
  id: z.number(),
  stepId: z.string(),
  enteredAt: z.string(),
  verdict: z.enum(['pass', 'fail']),
  found: z.record(z.string(), z.union([z.number(), z.boolean()])),
  note: z.string(),
});

async function post(url: string, body: unknown): Promise<unknown> {
  const response = await fetch(url, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  });
  return response.json();
}

const refusal = (problems: z.infer<typeof problemsSchema>) =>
  problems?.map((p) => p.message).join('; ') ?? 'the server gave an answer that cannot be read';
const UNREACHABLE = 'the server does not answer; what you typed is kept in this browser';

/** Begins a run. Never throws. */
export async function startRun(
  stationId: number,
  tester: string,
): Promise<{ ok: true; id: number } | { ok: false; reason: string }> {
  try {
    const answer = z
      .object({ run: z.object({ id: z.number() }).optional(), problems: problemsSchema })
      .parse(await post(`/api/stations/${stationId}/runs`, { tester }));
    return answer.run ? { ok: true, id: answer.run.id } : { ok: false, reason: refusal(answer.problems) };
  } catch {
    return { ok: false, reason: UNREACHABLE };
  }
}

/** Adds a finding. Never throws. */
export async function sendEntry(
  runId: number,
  entry: Omit<ProofEntry, 'id' | 'enteredAt'>,
): Promise<{ ok: true; entry: ProofEntry } | { ok: false; reason: string }> {
  try {
    const answer = z
      .object({ entry: entrySchema.optional(), problems: problemsSchema })
      .parse(await post(`/api/runs/${runId}/entries`, entry));
    return answer.entry ? { ok: true, entry: answer.entry } : { ok: false, reason: refusal(answer.problems) };
  } catch {
    return { ok: false, reason: UNREACHABLE };
  }
}
