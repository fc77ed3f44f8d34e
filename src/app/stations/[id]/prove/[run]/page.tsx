import { notFound } from 'next/navigation';
import { jobTitle } from '@/core/jobs';
import { checkStation } from '@/core/station';
import { changesBetween } from '@/core/surveyed';
import { database } from '@/server/db';
import { idFrom } from '@/server/edge';
import { listPhotos } from '@/server/photos';
import { findRun } from '@/server/proofs';
import { sealOf, wordsOf } from '@/server/seals';
import { documentAt, type Saved } from '@/server/stations';
import { RunView } from '@/ui/prove/RunView';
import { stationAt } from '../../station';

/** In what the station is otherwise than it was when the run was begun; null where that revision cannot be read. */
function changedSince({ id, revision, station }: Saved, begun: number) {
  if (begun === revision) return [];
  const stored = documentAt(database(), id, begun);
  const then = stored === null ? null : checkStation(JSON.parse(stored));
  return then?.ok ? changesBetween(then.station, station).map((c) => c.sentence) : null;
}

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
      changed={changedSince(station, run.revision)}
      title={jobTitle(run.job)}
      photos={listPhotos(db, run.id)}
      seal={sealOf(db, run.id)}
      words={wordsOf(db, run.id)}
    />
  );
}
