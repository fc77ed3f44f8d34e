'use client';
import { useCallback, useEffect, useMemo, useState } from 'react';
import { proposeVerdict, type ProofEntry, type Step, type Verdict } from '@/core/proving';
import { useStationSystem } from '../editor/StationProvider';
import { useActs } from '../outbox/useActs';
import { newKey } from '../parts/browserKeep';
import { foundFrom } from './foundFrom';
import { useRunDraft } from './runDraft';
import type { RunId, RunProps } from './run';
import type { StepState } from './StepList';
import { whyNot } from './whyNot';

/** How often it is looked whether somebody else has entered something, ms. */
const LOOK = 15_000;

/** Findings that others enter meanwhile, fetched now and then. */
function useOthers(runId: RunId, knows: number, sealed: boolean, take: (entries: readonly ProofEntry[]) => void) {
  useEffect(() => {
    if (sealed) return;
    const timer = setInterval(() => {
      if (document.visibilityState !== 'visible') return;
      void import('./sendRun').then(({ entriesAfter }) =>
        entriesAfter(runId, knows).then((more) => more.length > 0 && take(more)),
      );
    }, LOOK);
    return () => clearInterval(timer);
  }, [runId, knows, sealed, take]);
}

const NONE: readonly ProofEntry[] = [];

/** Findings of a run that are in the outbox: those that are on this device only, and those that were sent since the page was made. */
function useHere(runId: RunId): readonly ProofEntry[] {
  const { acts } = useActs();
  const [here, setHere] = useState(NONE);
  useEffect(() => {
    let left = false;
    if (acts.length > 0)
      void import('./sendRun').then(({ findingsHere }) => {
        const now = findingsHere(acts, runId);
        if (!left) setHere((was) => (now.length === 0 && was.length === 0 ? was : now));
      });
    return () => void (left = true);
  }, [acts, runId]);
  return here;
}

/** The findings of a run, others’ among them as they come, and those that are on this device only. */
function useEntries(run: RunProps, sealed: boolean) {
  const [known, setEntries] = useState(run.entries);
  const here = useHere(run.id);
  // What enters a finding is there before signal is lost.
  useEffect(() => void import('./sendRun'), []);
  const entries = useMemo(
    () => [...known, ...here.filter((h) => !known.some((e) => e.id === h.id))].sort((a, b) => a.id - b.id),
    [known, here],
  );
  const knows = known.reduce((m, e) => Math.max(m, e.id), 0);
  const takeOthers = useCallback(
    (more: readonly ProofEntry[]) =>
      setEntries((now) => {
        const fresh = more.filter((m) => !now.some((e) => e.id === m.id));
        return fresh.length === 0 ? now : [...now, ...fresh].sort((a, b) => a.id - b.id);
      }),
    [],
  );
  useOthers(run.id, knows, sealed, takeOthers);
  return { entries, here, knows, takeOthers };
}

/** A run as it is worked through: which step is open, what is found so far, and entering it. */
export function useRunEntries(run: RunProps, who: string, sealed: boolean) {
  const system = useStationSystem();
  const drafts = useRunDraft(run.id);
  const { entries, here, knows, takeOthers } = useEntries(run, sealed);
  // The first step that is open, also by what is on this device only, until somebody goes to one or works on it.
  const [picked, setPicked] = useState<number | null>(null);
  const begins = run.plan.findIndex((s) => ![...run.entries, ...here].some((e) => e.stepId === s.id));
  const current = picked ?? Math.max(begins, 0);
  const [busy, setBusy] = useState(false);
  const [failed, setFailed] = useState<string | null>(null);
  const [meanwhile, setMeanwhile] = useState<string | null>(null);
  const step = run.plan[current]!;
  const draft = drafts.of(step.id);
  const found = foundFrom(step, draft, system);
  const proposal = found ? proposeVerdict(step, found) : null;
  const entered = (s: Step) => entries.filter((e) => e.stepId === s.id);
  const enter = async (verdict: Verdict) => {
    const against = whyNot(verdict, { step, draft, found, proposal, who });
    if (against !== null || !found) return setFailed(against);
    setPicked(current);
    setBusy(true);
    const { sendEntry } = await import('./sendRun');
    const finding = {
      stepId: step.id,
      verdict,
      found,
      decided: draft.decided,
      note: draft.note.trim(),
      by: who.trim(),
    };
    // As long as nothing of it is changed it is the same finding, also after a reload.
    const key = draft.key?.of === verdict ? draft.key.word : newKey();
    drafts.set(step.id, { ...draft, key: { of: verdict, word: key } });
    const sent = await sendEntry(run, step.title, finding, knows, key);
    setBusy(false);
    if (!sent.ok) return setFailed(`not entered: ${sent.reason}`);
    if (sent.ok === true) takeOthers([...sent.meanwhile, sent.entry]);
    const theirs = sent.ok === true ? sent.meanwhile.find((e) => e.stepId === step.id) : undefined;
    setMeanwhile(
      theirs ? `${theirs.by || 'Somebody'} entered “${step.title}” meanwhile: ${theirs.verdict}. Both are kept.` : null,
    );
    drafts.drop(step.id);
    setFailed(null);
    // Who has gone to another step meanwhile stays there.
    const on = verdict !== 'fail' && current + 1 < run.plan.length ? current + 1 : current;
    setPicked((now) => ((now ?? current) === current ? on : now));
  };
  return {
    current,
    step,
    draft,
    proposal,
    entries,
    entered,
    busy,
    failed,
    meanwhile,
    enter,
    pick(index: number) {
      setFailed(null);
      setPicked(index);
    },
    keeping: drafts.keeping,
    aside: drafts.aside,
    throwAway: drafts.throwAway,
    change(more: Partial<typeof draft>) {
      setPicked(current);
      drafts.set(step.id, { ...draft, ...more, key: undefined });
    },
    stateOf: (s: Step): StepState => entered(s).at(-1)?.verdict ?? 'open',
  };
}
