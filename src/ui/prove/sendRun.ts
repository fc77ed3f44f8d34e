import * as z from 'zod';
import type { ProofEntry } from '@/core/proving';
import { ask, type Answer } from '../parts/ask';

const startedSchema = z.object({ run: z.object({ id: z.number() }) });
const enteredSchema = z.object({
  entry: z.object({
    id: z.number(),
    stepId: z.string(),
    enteredAt: z.string(),
    verdict: z.enum(['pass', 'fail']),
    found: z.record(z.string(), z.union([z.number(), z.boolean()])),
    note: z.string(),
  }),
});

/** Why something was not taken, in words. */
const refusal = (answer: Exclude<Answer<unknown>, { ok: true }>): { ok: false; reason: string } => ({
  ok: false,
  reason:
    answer.ok === null
      ? `${answer.why}; what you typed is kept in this browser`
      : answer.problems.map((p) => p.message).join('; '),
});

/** Begins a run. Never throws. @param key the same one begins it once, however often it is sent */
export async function startRun(
  stationId: number,
  tester: string,
  key?: string,
): Promise<{ ok: true; id: number } | { ok: false; reason: string }> {
  const answer = await ask(`/api/stations/${stationId}/runs`, startedSchema, {
    method: 'POST',
    body: JSON.stringify({ tester }),
    key,
  });
  return answer.ok ? { ok: true, id: answer.value.run.id } : refusal(answer);
}

/** Adds a finding. Never throws. @param key the same one keeps it once, however often it is sent */
export async function sendEntry(
  runId: number,
  entry: Omit<ProofEntry, 'id' | 'enteredAt'>,
  key?: string,
): Promise<{ ok: true; entry: ProofEntry } | { ok: false; reason: string }> {
  const answer = await ask(`/api/runs/${runId}/entries`, enteredSchema, {
    method: 'POST',
    body: JSON.stringify(entry),
    key,
  });
  return answer.ok ? { ok: true, entry: answer.value.entry } : refusal(answer);
}
