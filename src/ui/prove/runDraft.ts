import { useState } from 'react';
import * as z from 'zod';

/** What is typed for one step and not yet entered. */
export interface StepDraft {
  readonly readings: Readonly<Record<string, string>>;
  readonly seen: Readonly<Record<string, boolean>>;
  readonly note: string;
}

export const EMPTY: StepDraft = { readings: {}, seen: {}, note: '' };

type Drafts = Readonly<Record<string, StepDraft>>;

const draftsSchema = z.record(
  z.string(),
  z.object({
    readings: z.record(z.string(), z.string()),
    seen: z.record(z.string(), z.boolean()),
    note: z.string(),
  }),
);

const key = (runId: number) => `pitbell.run.${runId}`;

/** What was kept of a run; what cannot be read is none. */
export function readDrafts(runId: number): Drafts {
  if (typeof localStorage === 'undefined') return {};
  try {
    return draftsSchema.parse(JSON.parse(localStorage.getItem(key(runId)) ?? '{}'));
  } catch {
    return {};
  }
}

/** Findings typed but not yet entered, kept in the browser through a closed tab or a lost signal. */
export function useRunDraft(runId: number) {
  const [drafts, setDrafts] = useState<Drafts>(() => readDrafts(runId));
  const put = (next: Drafts) => {
    setDrafts(next);
    localStorage.setItem(key(runId), JSON.stringify(next));
  };
  return {
    of: (stepId: string): StepDraft => drafts[stepId] ?? EMPTY,
    set: (stepId: string, draft: StepDraft) => put({ ...drafts, [stepId]: draft }),
    drop(stepId: string) {
      const { [stepId]: _, ...rest } = drafts;
      put(rest);
    },
  };
}
