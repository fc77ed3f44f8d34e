import { useState } from 'react';

/** What is typed for one step and not yet entered. */
export interface StepDraft {
  readonly readings: Readonly<Record<string, string>>;
  readonly seen: Readonly<Record<string, boolean>>;
  readonly note: string;
}

export const EMPTY: StepDraft = { readings: {}, seen: {}, note: '' };

type Drafts = Readonly<Record<string, StepDraft>>;

const key = (runId: number) => `pitbell.run.${runId}`;

function read(runId: number): Drafts {
  if (typeof localStorage === 'undefined') return {};
  try {
    return JSON.parse(localStorage.getItem(key(runId)) ?? '{}') as Drafts;
  } catch {
    return {};
  }
}

/** Findings typed but not yet entered, kept in the browser through a closed tab or a lost signal. */
export function useRunDraft(runId: number) {
  const [drafts, setDrafts] = useState<Drafts>(() => read(runId));
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
