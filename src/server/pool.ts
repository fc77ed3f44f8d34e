import { createHash } from 'node:crypto';
import { existsSync, readFileSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import path from 'node:path';
import Piscina from 'piscina';
import type { Asked, Done, Job, JobName } from '@/pool/jobs';

/*
 * Heavy work is done in a few threads beside the one that answers: whatever a document asks for, the others’ pages do not wait for it.
 * What the threads run is built into one file; where it is not built (tests, the development server) the work is done here.
 */

/** What the threads run, as the build writes it. */
const BUILT = path.join(/* turbopackIgnore: true */ process.cwd(), 'dist/jobs.mjs');

/** Longest that a piece of work may take, ms: past it the thread is ended and the work is told as not done. */
const LIMIT = 20_000;
/** Most that may wait: more is answered “busy” at once. */
const QUEUE = 64;

/** The work cannot be done now: too much waits, or it took too long. */
export class Busy extends Error {}

const holder = globalThis as { pitBellPool?: Piscina | null };

const pool = (): Piscina | null =>
  (holder.pitBellPool ??= existsSync(BUILT)
    ? new Piscina({
        filename: BUILT,
        minThreads: 0,
        maxThreads: Math.max(1, availableParallelism() - 1),
        maxQueue: QUEUE,
        idleTimeout: 60_000,
        resourceLimits: { maxOldGenerationSizeMb: 512 },
      })
    : null);

let stamp: string | null = null;
/** Names the program that works figures out: another when its code is another. */
export const coreStamp = (): string =>
  (stamp ??= existsSync(BUILT)
    ? createHash('sha256').update(readFileSync(BUILT)).digest('base64url').slice(0, 16)
    : `process ${process.pid}`);

const expected = (error: unknown): boolean =>
  error instanceof Error &&
  (error.name === 'AbortError' || error.name === 'TimeoutError' || /queue/i.test(error.message));

/** Does a job in the pool. @throws Busy when too much waits or it takes longer than it may */
export async function work<N extends JobName>(name: N, asked: Asked<N>): Promise<Done<N>> {
  const job: Job = { name, asked };
  const threads = pool();
  if (!threads) return (await (await import('@/pool/jobs')).default(job)) as Done<N>;
  try {
    return (await threads.run(job, { signal: AbortSignal.timeout(LIMIT) })) as Done<N>;
  } catch (error) {
    if (expected(error)) throw new Busy(`not done: ${(error as Error).message}`);
    throw error;
  }
}
