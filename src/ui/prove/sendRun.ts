import * as z from 'zod';
import { entrySchema, type ProofEntry } from '@/core/proving';
import { ask, type Answer } from '../parts/ask';

const startedSchema = z.object({ run: z.object({ id: z.number() }) });
const enteredSchema = z.object({ entry: entrySchema, meanwhile: z.array(entrySchema) });
const entriesSchema = z.object({ entries: z.array(entrySchema) });

export type Refusal = { readonly ok: false; readonly reason: string };

/** Why something was not taken, in words. */
export const refusal = (answer: Exclude<Answer<unknown>, { ok: true }>): Refusal => ({
  ok: false,
  reason:
    answer.ok === null
      ? `${answer.why}; what you typed is kept in this browser`
      : answer.problems.map((p) => p.message).join('; '),
});

/** Begins a run of a job. Never throws. @param key the same one begins it once, however often it is sent */
export async function startRun(
  stationId: number,
  asked: { tester: string; job: string },
  key?: string,
): Promise<{ ok: true; id: number } | Refusal> {
  const answer = await ask(`/api/stations/${stationId}/runs`, startedSchema, {
    method: 'POST',
    body: JSON.stringify(asked),
    key,
  });
  return answer.ok ? { ok: true, id: answer.value.run.id } : refusal(answer);
}

/** What is sent of a finding: the server gives it its number and its time. */
export type NewFinding = Omit<ProofEntry, 'id' | 'enteredAt'>;

/**
 * Adds a finding. Never throws.
 * @param knows number of the newest finding that is known here: what others entered since comes back
 * @param key the same one keeps it once, however often it is sent
 */
export async function sendEntry(
  runId: number,
  entry: NewFinding,
  knows: number,
  key?: string,
): Promise<{ ok: true; entry: ProofEntry; meanwhile: readonly ProofEntry[] } | Refusal> {
  const answer = await ask(`/api/runs/${runId}/entries`, enteredSchema, {
    method: 'POST',
    body: JSON.stringify({ ...entry, knows }),
    key,
  });
  return answer.ok ? { ok: true, ...answer.value } : refusal(answer);
}

/** What others have entered after a finding that is known; nothing where nobody answers. */
export async function entriesAfter(runId: number, after: number): Promise<readonly ProofEntry[]> {
  const answer = await ask(`/api/runs/${runId}/entries?after=${after}`, entriesSchema, { method: 'GET' });
  return answer.ok ? answer.value.entries : [];
}

/** Takes in a sealed run from a file. Never throws. */
export async function sendRunFile(stationId: number, text: string): Promise<{ ok: true } | Refusal> {
  const answer = await ask(`/api/stations/${stationId}/runs`, z.object({ received: z.object({ id: z.number() }) }), {
    method: 'PUT',
    body: text,
  });
  return answer.ok ? { ok: true } : refusal(answer);
}
