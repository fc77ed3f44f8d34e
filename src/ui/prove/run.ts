import type { ProofEntry, Step } from '@/core/proving';

/** A run as its page is sent it. */
export interface RunProps {
  readonly id: number;
  readonly revision: number;
  readonly startedAt: string;
  readonly tester: string;
  readonly job: string;
  readonly plan: readonly Step[];
  readonly entries: readonly ProofEntry[];
}
