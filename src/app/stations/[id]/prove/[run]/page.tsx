import { notFound } from 'next/navigation';
import { jobTitle } from '@/core/jobs';
import { database } from '@/server/db';
import { idFrom } from '@/server/edge';
import { listPhotos } from '@/server/photos';
import { findRun } from '@/server/proofs';
import { sealOf, wordsOf } from '@/server/seals';
import { RunView } from '@/ui/prove/RunView';
import { stationAt } from '../../station';

export default async function RunPage({ params }: { params: Promise<{ id: string; run: string }> }) {
  const { id, run: runText } = await params;
  const station = stationAt(id);
  if (!station) return null;
  const runId = idFrom(runText);
  const db = database();
  const run = runId === null ? null : findRun(db, runId);
  if (run?.stationId !== station.id || run.unreadable !== null) notFound();
  return (
    <RunView
      key={run.id}
      run={run}
      title={jobTitle(run.job)}
      photos={listPhotos(db, run.id)}
      seal={sealOf(db, run.id)}
      words={wordsOf(db, run.id)}
    />
  );
}
