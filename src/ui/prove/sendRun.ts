import * as z from 'zod';
import { entrySchema, type ProofEntry } from '@/core/proving';
import { jsonOf, type Act } from '../outbox/act';
import { actsOfRun } from '../outbox/ofRun';
import { through, type Through } from '../outbox/through';
import { ask } from '../parts/ask';
import { runAt, type OfRun, type RunId } from './run';

const startedSchema = z.object({ run: z.object({ id: z.number() }) });
const enteredSchema = z.object({ entry: entrySchema, meanwhile: z.array(entrySchema) });
/** Findings that the server has not numbered yet stand after all that it has. */
export const HERE = 1e12;

const entriesSchema = z.object({ entries: z.array(entrySchema) });

export type Refusal = { readonly ok: false; readonly reason: string };

/** Why something was not taken, in words. */
export const refusal = (answer: Exclude<Through<unknown>, { ok: true | 'kept' }>): Refusal => ({
  ok: false,
  reason:
    answer.ok === null
      ? `${answer.why}; what you typed is kept in this browser`
      : answer.problems.map((p) => p.message).join('; '),
});

/** What was taken by the server, or is kept here until it can be; or why not. */
export type Done<T> = ({ readonly ok: true } & T) | { readonly ok: 'kept' } | Refusal;

/** What a run begins with. */
interface Beginning {
  readonly tester: string;
  readonly job: string;
  /** Of the station, or null: of what is saved here, whatever revision that becomes. */
  readonly revision: number | null;
  readonly title: string;
  /** As it is on the screen; null where there is none for this station: the server says why. */
  readonly card: string | null;
}

/** Begins a run of a job. Never throws. @param key the same one begins it once, however often it is sent */
export async function startRun(
  stationId: number,
  { tester, job, revision, title, card }: Beginning,
  key: string,
): Promise<Done<{ id: number }>> {
  const answer = await through(
    {
      id: key,
      kind: 'run',
      what: `${title}: begun`,
      stationId,
      about: `run:${key}`,
      url: `/api/stations/${stationId}/runs`,
      method: 'POST',
      body: JSON.stringify({ tester, job, ...(revision !== null && { revision }), ...(card !== null && { card }) }),
    },
    startedSchema,
  );
  if (answer.ok === 'kept') return { ok: 'kept' };
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
  run: OfRun,
  title: string,
  entry: NewFinding,
  knows: number,
  key: string,
): Promise<Done<{ entry: ProofEntry; meanwhile: readonly ProofEntry[] }>> {
  const { url, ...belongs } = runAt(run.id);
  const answer = await through(
    {
      id: key,
      kind: 'finding',
      what: `${title}: ${entry.verdict}`,
      stationId: run.stationId,
      ...belongs,
      url: `${url}/entries`,
      method: 'POST',
      body: JSON.stringify({ ...entry, knows }),
    },
    enteredSchema,
  );
  if (answer.ok === 'kept') return { ok: 'kept' };
  return answer.ok ? { ok: true, ...answer.value } : refusal(answer);
}

/** A finding that is in the outbox: as the server answered it, or, while it has not, as it was entered. Null where it cannot be read. */
export function findingOf({ body, answer, at, n }: Pick<Act, 'body' | 'answer' | 'at' | 'n'>): ProofEntry | null {
  const taken = enteredSchema.safeParse(jsonOf(answer));
  if (taken.success) return taken.data.entry;
  const here = entrySchema.safeParse({
    ...(jsonOf(typeof body === 'string' ? body : null) as object | undefined),
    id: HERE + n,
    enteredAt: new Date(at).toISOString(),
  });
  return here.success ? here.data : null;
}

/** Findings of a run that are in the outbox; one that was refused is none, and is listed there with its reason. */
export const findingsHere = (acts: readonly Act[], run: RunId): readonly ProofEntry[] =>
  actsOfRun(acts, run)
    .filter((a) => a.kind === 'finding' && a.state !== 'refused')
    .flatMap((a) => findingOf(a) ?? []);

/** What others have entered after a finding that is known; nothing where nobody answers. */
export async function entriesAfter(runId: RunId, after: number): Promise<readonly ProofEntry[]> {
  if (typeof runId !== 'number') return [];
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
