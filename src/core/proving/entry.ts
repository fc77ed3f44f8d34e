import type { Found } from './judgeFound';

/** What was entered for a step of a test run, as it is kept: never changed, only followed by another. */
export interface ProofEntry {
  readonly id: number;
  readonly stepId: string;
  /** ISO time */
  readonly enteredAt: string;
  readonly verdict: 'pass' | 'fail';
  readonly found: Found;
  readonly note: string;
}
