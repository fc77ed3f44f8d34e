import type { ProofEntry, Step } from '@/core/proving';

/** A run by the number that the server gave it; or, while it is on this device only, by the id of the act that begins it. */
export type RunId = number | string;

/** Where what belongs to a run is sent, what must be sent before, and what it is known as in the outbox. */
export const runAt = (id: RunId) =>
  typeof id === 'number'
    ? { url: `/api/runs/${id}`, after: null, about: `run:${id}` }
    : { url: '/api/runs/{id}', after: id, about: `run:${id}` };

/** Which run, at which station. */
export type OfRun = Pick<RunProps, 'id' | 'stationId'>;

/** A run as its page is sent it. */
export interface RunProps {
  readonly id: RunId;
  readonly stationId: number;
  /** Of the station; null: of what was saved on this device and has no number yet. */
  readonly revision: number | null;
  readonly startedAt: string;
  readonly tester: string;
  readonly job: string;
  readonly plan: readonly Step[];
  readonly entries: readonly ProofEntry[];
}
