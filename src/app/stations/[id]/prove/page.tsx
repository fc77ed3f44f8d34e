import { database } from '@/server/db';
import { listRuns, type ProofRun } from '@/server/proofs';
import { ProveView, type RunSummary } from '@/ui/prove/ProveView';
import { stationAt } from '../station';

/** What a run came to: the last entry of each step counts. */
function summary({ id, revision, startedAt, tester, plan, unreadable, entries }: ProofRun): RunSummary {
  const last = new Map(entries.map((e) => [e.stepId, e.verdict]));
  return {
    id,
    revision,
    startedAt,
    tester,
    unreadable,
    steps: plan.length,
    done: last.size,
    failed: [...last.values()].filter((v) => v === 'fail').length,
  };
}

export default async function ProvePage({ params }: { params: Promise<{ id: string }> }) {
  const saved = stationAt((await params).id);
  return saved && <ProveView runs={listRuns(database(), saved.id).map(summary)} />;
}
