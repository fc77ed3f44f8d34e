import type { Drill, Result } from '@/core/drill';

/** A drill that a teacher set. */
export interface SetDrill {
  readonly id: number;
  readonly at: string;
  readonly by: string;
  readonly class: string;
  readonly drill: Drill;
}

export interface LearnProps {
  sets: readonly SetDrill[];
  results: readonly Result[];
  now: number;
}
