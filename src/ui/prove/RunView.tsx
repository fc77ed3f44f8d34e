'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import Link from 'next/link';
import { useState } from 'react';
import { proposeVerdict, type ProofEntry, type Step } from '@/core/proving';
import { quantity, say, type UnitSystem } from '@/core/units';
import { useEditor, useStationSystem } from '../editor/StationProvider';
import { newKey } from '../parts/browserKeep';
import { downloadText } from '../parts/download';
import { TextBox } from '../parts/TextBox';
import { clock } from '../parts/when';
import { FoundField } from './FoundField';
import { foundFrom } from './foundFrom';
import { ProveLayout } from './ProveLayout';
import { useRunDraft } from './runDraft';
import { StepCard } from './StepCard';
import { StepList, type StepState } from './StepList';
import { Notice } from '../parts/Notice';

export interface RunProps {
  readonly id: number;
  readonly revision: number;
  readonly startedAt: string;
  readonly tester: string;
  readonly plan: readonly Step[];
  readonly entries: readonly ProofEntry[];
}

const RUN_KEEPING = {
  full: 'not kept in this browser, whose storage is full: enter each step before you leave',
  forbidden: 'not kept in this browser, which forbids it: enter each step before you leave',
} as const;

/** What was entered for a step, oldest first; nothing of it is ever changed. */
function Earlier({ step, entries, system }: { step: Step; entries: readonly ProofEntry[]; system: UnitSystem }) {
  if (entries.length === 0) return null;
  return (
    <Box component="section" aria-label="entered" sx={{ borderTop: 1, borderColor: 'text.primary', pt: 1 }}>
      <Typography variant="h3">Entered</Typography>
      {entries.map((e) => (
        <Typography key={e.id} variant="body2" sx={{ py: 0.25 }}>
          {clock(e.enteredAt)} <b>{e.verdict}</b>
          {step.expects
            .filter((x) => e.found[x.id] !== undefined)
            .map((x) => {
              const value = e.found[x.id]!;
              return ` · ${x.label}: ${typeof value === 'boolean' ? (value ? 'as it should' : 'not so') : say(quantity(x.reading?.format ?? 'count', value), system)}`;
            })
            .join('')}
          {e.note && ` · “${e.note}”`}
        </Typography>
      ))}
      <Typography variant="label">
        What is entered stays. A new finding for this step is added beneath and stands over it.
      </Typography>
    </Box>
  );
}

/** A run as it is worked through: which step is open, what is found so far, and entering it. */
function useRunEntries(run: RunProps) {
  const system = useStationSystem();
  const drafts = useRunDraft(run.id);
  const [entries, setEntries] = useState(run.entries);
  const [current, setCurrent] = useState(() =>
    Math.max(
      run.plan.findIndex((s) => !run.entries.some((e) => e.stepId === s.id)),
      0,
    ),
  );
  const [busy, setBusy] = useState(false);
  const [failed, setFailed] = useState<string | null>(null);
  const step = run.plan[current]!;
  const draft = drafts.of(step.id);
  const found = foundFrom(step, draft, system);
  const proposal = found ? proposeVerdict(step, found) : null;
  const entered = (s: Step) => entries.filter((e) => e.stepId === s.id);

  const whyNot = (verdict: 'pass' | 'fail'): string | null => {
    if (!found) return 'one figure cannot be read';
    if (draft.note.trim() !== '') return null;
    if (verdict === 'fail') return 'say in the note what was wrong';
    if (proposal === 'fail') return 'a finding differs from what is expected: to pass it, say why in the note';
    return proposal === 'pass' ? null : 'not everything is entered: to pass it so, say why in the note';
  };
  const enter = async (verdict: 'pass' | 'fail') => {
    const against = whyNot(verdict);
    if (against !== null || !found) return setFailed(against);
    setBusy(true);
    const { sendEntry } = await import('./sendRun');
    const finding = { stepId: step.id, verdict, found, note: draft.note.trim() };
    // As long as nothing of it is changed it is the same finding, also after a reload.
    const key = draft.key?.of === verdict ? draft.key.word : newKey();
    drafts.set(step.id, { ...draft, key: { of: verdict, word: key } });
    const sent = await sendEntry(run.id, finding, key);
    setBusy(false);
    if (!sent.ok) return setFailed(`not entered: ${sent.reason}`);
    setEntries([...entries, sent.entry]);
    drafts.drop(step.id);
    setFailed(null);
    if (verdict === 'pass' && current + 1 < run.plan.length) setCurrent(current + 1);
  };
  return {
    current,
    step,
    draft,
    proposal,
    entered,
    busy,
    failed,
    enter,
    pick(index: number) {
      setFailed(null);
      setCurrent(index);
    },
    keeping: drafts.keeping,
    aside: drafts.aside,
    throwAway: drafts.throwAway,
    change: (more: Partial<typeof draft>) => drafts.set(step.id, { ...draft, ...more, key: undefined }),
    stateOf: (s: Step): StepState => entered(s).at(-1)?.verdict ?? 'open',
  };
}

/** Whose run it is, of which revision, and how much of it is open. */
function RunHead({ run, open }: { run: RunProps; open: number }) {
  const stationId = useEditor((s) => s.id);
  const revisionNow = useEditor((s) => s.saved.revision);
  return (
    <Box
      sx={{
        px: { xs: 2, md: 2.5 },
        py: 1,
        borderBottom: 1,
        borderColor: 'divider',
        display: 'flex',
        gap: 1.5,
        alignItems: 'center',
        flexWrap: 'wrap',
      }}
    >
      <Typography variant="body2" sx={{ flex: 1 }}>
        Run of {clock(run.startedAt)} by {run.tester}, of revision {run.revision}
        {revisionNow !== run.revision && <b> – the station is at revision {revisionNow} now</b>} ·{' '}
        {open === 0 ? 'every step entered' : `${open} of ${run.plan.length} steps open`}
      </Typography>
      <Link href={`/stations/${stationId}/prove`}>all runs</Link>
    </Box>
  );
}

/** A test run: one step after the other, expected beside found, pass or fail with a note. */
export function RunView({ run }: { run: RunProps }) {
  const system = useStationSystem();
  const { current, step, draft, proposal, entered, busy, failed, enter, pick, change, stateOf, ...kept } =
    useRunEntries(run);
  return (
    <ProveLayout step={step} list={<StepList steps={run.plan} current={current} stateOf={stateOf} onPick={pick} />}>
      <RunHead run={run} open={run.plan.filter((s) => stateOf(s) === 'open').length} />
      <StepCard
        step={step}
        system={system}
        place={`${current + 1} of ${run.plan.length}`}
        beside={(e) => (
          <FoundField
            key={`${step.id} ${e.id}`}
            expectation={e}
            system={system}
            text={draft.readings[e.id] ?? ''}
            seen={draft.seen[e.id]}
            onText={(text) => change({ readings: { ...draft.readings, [e.id]: text } })}
            onSeen={(seen) => {
              const { [e.id]: _, ...rest } = draft.seen;
              change({ seen: seen === undefined ? rest : { ...rest, [e.id]: seen } });
            }}
          />
        )}
      >
        <TextBox
          label="note"
          value={draft.note}
          multiline
          minRows={1}
          onChange={(e) => change({ note: e.target.value })}
          inputProps={{ maxLength: 2000 }}
        />
        {failed && <Notice severity="error">{failed}</Notice>}
        {kept.keeping !== 'kept' && <Notice severity="error">What you type is {RUN_KEEPING[kept.keeping]}.</Notice>}
        {kept.aside.map((one) => (
          <Notice key={one.key} severity="warning">
            What was typed in this run and kept in this browser cannot be read by this version; it is set aside.{' '}
            <Button onClick={() => downloadText(`test-run-${run.id}-kept.json`, 'application/json', one.text)}>
              download it
            </Button>
            <Button onClick={() => kept.throwAway(one)}>throw it away</Button>
          </Notice>
        ))}
        <Box sx={{ display: 'flex', gap: 1.5, '& button': { minHeight: 48, flex: 1 } }}>
          {(['pass', 'fail'] as const).map((verdict) => (
            <Button
              key={verdict}
              variant={proposal === verdict ? 'contained' : 'outlined'}
              color={verdict === 'fail' ? 'error' : 'primary'}
              disabled={busy}
              onClick={() => void enter(verdict)}
            >
              {verdict}
            </Button>
          ))}
        </Box>
        <Box sx={{ display: 'flex', justifyContent: 'space-between', '& button': { minHeight: 44 } }}>
          <Button disabled={current === 0} onClick={() => pick(current - 1)}>
            ◂ step before
          </Button>
          <Button disabled={current + 1 === run.plan.length} onClick={() => pick(current + 1)}>
            next step ▸
          </Button>
        </Box>
        <Earlier step={step} entries={entered(step)} system={system} />
      </StepCard>
    </ProveLayout>
  );
}
