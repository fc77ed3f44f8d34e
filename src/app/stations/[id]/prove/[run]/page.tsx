import { notFound } from 'next/navigation';
import { database } from '@/server/db';
import { idFrom } from '@/server/edge';
import { findRun } from '@/server/proofs';
import { RunView } from '@/ui/prove/RunView';
import { stationAt } from '../../station';

export default async function RunPage({ params }: { params: Promise<{ id: string; run: string }> }) {
  const { id, run: runText } = await params;
  const station = stationAt(id);
  if (!station) return null;
  const runId = idFrom(runText);
  const run = runId === null ? null : findRun(database(), runId);
  if (run?.stationId !== station.id || run.unreadable !== null) notFound();
  return <RunView key={run.id} run={run} />;
}
