'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import { notFinished } from '@/core/proving';
import type { Phrase } from '@/core/units';
import { useEditor, useStationSystem } from '../editor/StationProvider';
import { useWho } from '../people/useWho';
import { useWorks } from '../people/Works';
import { Earlier } from './Earlier';
import { Photos, type PhotoShown } from './Photos';
import { ProveLayout } from './ProveLayout';
import type { RunProps } from './run';
import { RunHead } from './RunHead';
import { SealBox, type SealShown, type WordsShown } from './SealBox';
import { StepCard } from './StepCard';
import { StepFields, useFields, type Filling } from './StepFields';
import { StepList } from './StepList';
import { Troubles } from './Troubles';
import { useRunEntries } from './useRunEntries';
import { VerdictBar } from './VerdictBar';

const AsLeftBox = dynamic(() => import('./AsLeftBox').then((m) => m.AsLeftBox), { ssr: false, loading: () => null });
const Meaning = dynamic(() => import('./Meaning').then((m) => m.Meaning), { ssr: false, loading: () => null });

interface Props {
  readonly run: RunProps;
  /** Of its job. */
  readonly title: string;
  /** In what the station is otherwise than when it was begun; null where nobody can tell. */
  readonly changed: readonly Phrase[] | null;
  readonly photos: readonly PhotoShown[];
  readonly seal: SealShown | null;
  readonly words: readonly WordsShown[];
}

/** A step back, a step on. */
function Paging({ current, count, onPick }: { current: number; count: number; onPick(i: number): void }) {
  return (
    <Box sx={{ display: 'flex', justifyContent: 'space-between', '& button': { minHeight: 44 } }}>
      <Button disabled={current === 0} onClick={() => onPick(current - 1)}>
        ◂ step before
      </Button>
      <Button disabled={current + 1 === count} onClick={() => onPick(current + 1)}>
        next step ▸
      </Button>
    </Box>
  );
}

/** A run of a job: one step a screen, expected beside found, what it came to, and at its end the seal. */
export function RunView({ run, title, changed, photos: before, seal: sealedBefore, words }: Props) {
  const system = useStationSystem();
  const { station } = useEditor((s) => s.judged.context);
  const { name: who, signedIn, say } = useWho(run.tester);
  const [seal, setSeal] = useState(sealedBefore);
  const [photos, setPhotos] = useState(before);
  const [listed, setListed] = useState(false);
  const sealed = seal !== null;
  const works = useWorks();
  const closed = sealed || !works;
  const state = useRunEntries(run, who, sealed);
  const { current, step, draft, entries, entered, pick, change, stateOf } = state;
  const filling: Filling = { runId: run.id, station, system, step, draft, sealed: closed, change };
  const { beside, told, read } = useFields(filling);
  const list = (
    <StepList steps={run.plan} current={current} stateOf={stateOf} onPick={(i) => (pick(i), setListed(false))} />
  );
  const latest = entered(step).at(-1);
  const looks = Object.fromEntries(step.expects.flatMap((e) => (e.reading ? [] : [[e.id, true] as const])));
  return (
    <ProveLayout step={step} list={list}>
      <RunHead
        run={run}
        changed={changed}
        title={title}
        states={run.plan.map(stateOf)}
        current={current}
        who={who}
        sealed={sealed}
        onWho={signedIn ? null : say}
        onPick={pick}
        onList={() => setListed(!listed)}
      />
      {listed && <Box sx={{ display: { md: 'none' }, borderBottom: 1, borderColor: 'divider' }}>{list}</Box>}
      <StepCard step={step} system={system} place={`${current + 1} of ${run.plan.length}`} beside={beside}>
        <StepFields filling={filling} latest={latest} told={told} onTime={read} />
        <Photos
          runId={run.id}
          stationId={run.stationId}
          stepId={step.id}
          by={who}
          photos={photos.filter((p) => p.stepId === step.id)}
          sealed={closed}
          onAdded={(p) => setPhotos([...photos, p])}
        />
        <Troubles runId={run.id} state={state} />
        {!closed && (
          <VerdictBar
            step={step}
            proposal={state.proposal}
            busy={state.busy}
            blank={Object.keys(draft.seen).length === 0}
            onEnter={(verdict) => void state.enter(verdict)}
            onAllAsExpected={() => change({ seen: looks })}
          />
        )}
        <Paging current={current} count={run.plan.length} onPick={pick} />
        <Earlier step={step} entries={entered(step)} system={system} />
        {latest?.verdict === 'fail' && <Meaning station={station} job={run.job} step={step} entry={latest} />}
        {(current + 1 === run.plan.length || sealed) && (
          <>
            <AsLeftBox plan={run.plan} entries={entries} system={system} />
            <SealBox
              run={run}
              who={who}
              against={works ? notFinished(run.plan, entries) : 'You look here: an installer enters and seals.'}
              seal={seal}
              words={words}
              onSealed={setSeal}
            />
          </>
        )}
      </StepCard>
    </ProveLayout>
  );
}
