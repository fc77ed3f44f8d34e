import { create } from 'zustand';
import type { Figure, Trace } from '@/core/rehearsal';

/** A rehearsal kept to lay another beside it: before a change and after it. */
export interface Kept {
  readonly name: string;
  readonly figures: readonly Figure[];
  readonly trace: Trace;
  /** Heights of its least and greatest, m: the vessel may be another by now. */
  readonly greatest: readonly (number | null)[];
}

/** Kept runs by station: they stay while one goes to another view and changes something there. */
export const useKeptRuns = create<{
  runs: Readonly<Record<number, Kept>>;
  keep(station: number, run: Kept | null): void;
}>()((set) => ({
  runs: {},
  keep: (station, run) =>
    set(({ runs }) => {
      const { [station]: _, ...others } = runs;
      return { runs: run ? { ...others, [station]: run } : others };
    }),
}));
