import type { Drafts, StepDraft } from './runDraftForm';
import { useEffect, useState } from 'react';

export const EMPTY: StepDraft = { readings: {}, seen: {}, note: '' };

const key = (runId: number) => `pitbell.run.${runId}`;

const keep = (runId: number, drafts: Drafts): void => localStorage.setItem(key(runId), JSON.stringify(drafts));

/** What was kept of a run; what cannot be read is none. What reads it is fetched only where something is kept. */
export async function readDrafts(runId: number): Promise<Drafts> {
  const text = localStorage.getItem(key(runId));
  return text === null ? {} : (await import('./runDraftForm')).draftsFrom(text);
}

/** Findings typed but not yet entered, kept in the browser through a closed tab or a lost signal. */
export function useRunDraft(runId: number) {
  const [drafts, setDrafts] = useState<Drafts>({});
  const put = (next: Drafts) => {
    setDrafts(next);
    keep(runId, next);
  };
  useEffect(
    () =>
      void readDrafts(runId).then((kept) =>
        setDrafts((now) => {
          // What was typed meanwhile is newer than what was kept.
          const both = { ...kept, ...now };
          if (Object.keys(now).length > 0) keep(runId, both);
          return both;
        }),
      ),
    [runId],
  );
  return {
    of: (stepId: string): StepDraft => drafts[stepId] ?? EMPTY,
    set: (stepId: string, draft: StepDraft) => put({ ...drafts, [stepId]: draft }),
    drop(stepId: string) {
      const { [stepId]: _, ...rest } = drafts;
      put(rest);
    },
  };
}
