import { jobKinds, jobTitle } from '@/core/jobs';
import { progressOf } from '@/core/proving';
import { database } from '@/server/db';
import { listRuns, type ProofRun } from '@/server/proofs';
import { runsFromFiles, sealOf } from '@/server/seals';
import { ProveView, type RunSummary } from '@/ui/prove/ProveView';
import { stationAt } from '../station';

/** What a run came to: the last entry of each step counts. */
function summary({ id, revision, startedAt, tester, job, plan, unreadable, entries }: ProofRun): RunSummary {
  const { last, counts } = progressOf(plan, entries);
  return {
    id,
    revision,
    startedAt,
    tester,
    unreadable,
    title: jobTitle(job),
    sealed: sealOf(database(), id) !== null,
    steps: plan.length,
    done: last.size,
    failed: counts.fail,
  };
}

interface Props {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ job?: string | string[] }>;
}

export default async function ProvePage({ params, searchParams }: Props) {
  const saved = stationAt((await params).id);
  const { job } = await searchParams;
  const asked = jobKinds().find((j) => j.id === job)?.id ?? null;
  const files = saved ? runsFromFiles(database(), saved.id) : [];
  return (
    saved && (
      <ProveView
        runs={listRuns(database(), saved.id).map(summary)}
        fromFiles={files.map(({ id, receivedAt, file: { sealedAt, sealedBy, hash } }) => ({
          id,
          receivedAt,
          sealedAt,
          sealedBy,
          hash,
        }))}
        asked={asked}
      />
    )
  );
}
