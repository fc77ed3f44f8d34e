import type { RunId } from './run';
import type { Drafts, StepDraft } from './runDraftForm';
import { useEffect, useState } from 'react';
import { drop, keep, kept, keysUnder, type Keeping, type Kept } from '../parts/browserKeep';

export const EMPTY: StepDraft = { readings: {}, seen: {}, note: '', decided: {} };

const key = (runId: RunId) => `pitbell.run.${runId}`;

const keepDrafts = (runId: RunId, drafts: Drafts): Keeping => keep(key(runId), JSON.stringify(drafts));

/** What was kept of a run; what cannot be read is set aside under a name of its own, and told. What reads it is fetched only where something is kept. */
export async function readDrafts(runId: RunId): Promise<{ drafts: Drafts; aside: Kept[] }> {
  const left = keysUnder(`${key(runId)}.`).map((k) => ({ key: k, text: kept(k) ?? '' }));
  const text = kept(key(runId));
  if (text === null) return { drafts: {}, aside: left };
  const drafts = (await import('./runDraftForm')).draftsFrom(text);
  if (drafts) return { drafts, aside: left };
  const to = `${key(runId)}.aside-${Date.now()}`;
  if (keep(to, text) === 'kept') drop(key(runId));
  return { drafts: {}, aside: [...left, { key: to, text }] };
}

/** What is typed of a run that has got its number goes with it. */
export function moveDrafts(from: RunId, to: RunId): void {
  const text = kept(key(from));
  if (text === null || kept(key(to)) !== null) return;
  if (keep(key(to), text) === 'kept') drop(key(from));
}

/** Findings typed but not yet entered, kept in the browser through a closed tab or a lost signal. */
export function useRunDraft(runId: RunId) {
  const [drafts, setDrafts] = useState<Drafts>({});
  const [keeping, setKeeping] = useState<Keeping>('kept');
  const [aside, setAside] = useState<readonly Kept[]>([]);
  const put = (next: Drafts) => {
    setDrafts(next);
    setKeeping(keepDrafts(runId, next));
  };
  useEffect(
    () =>
      void readDrafts(runId).then((before) => {
        setAside(before.aside);
        setDrafts((now) => {
          // What was typed meanwhile is newer than what was kept.
          const both = { ...before.drafts, ...now };
          if (Object.keys(now).length > 0) keepDrafts(runId, both);
          return both;
        });
      }),
    [runId],
  );
  return {
    /** Whether the browser keeps what is typed. */
    keeping,
    /** What is kept of this run and cannot be read. */
    aside,
    throwAway({ key }: Kept) {
      drop(key);
      setAside(aside.filter((a) => a.key !== key));
    },
    of: (stepId: string): StepDraft => drafts[stepId] ?? EMPTY,
    set: (stepId: string, draft: StepDraft) => put({ ...drafts, [stepId]: draft }),
    drop(stepId: string) {
      const { [stepId]: _, ...rest } = drafts;
      put(rest);
    },
  };
}
