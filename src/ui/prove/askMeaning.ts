import { wrap } from 'comlink';
import type { Meant } from '@/core/jobs';
import { judgeFinding, type ProofEntry, type Step } from '@/core/proving';
import type { Station } from '@/core/station';
import type { MeaningApi } from '@/workers/meaning';

/** What failed of a step, as it was found. */
export const failedOf = (step: Step, { found }: Pick<ProofEntry, 'found'>): Record<string, number | boolean> =>
  Object.fromEntries(
    step.expects.flatMap((e) => {
      const value = found[e.id];
      return value !== undefined && judgeFinding(e, value) === 'differs' ? [[e.id, value] as const] : [];
    }),
  );

/** Asks what a failed step could mean, in a thread of its own that ends with the answer. */
export async function askMeaning(station: Station, job: string, step: Step, entry: ProofEntry): Promise<Meant> {
  const worker = new Worker(new URL('../../workers/meaning.ts', import.meta.url), { type: 'module' });
  try {
    return await wrap<MeaningApi>(worker).meaningOf(station, job, step.id, failedOf(step, entry));
  } finally {
    worker.terminate();
  }
}
