import { jobTitle } from '@/core/jobs';
import { checkStation } from '@/core/station';
import { systemOf } from '@/core/units';
import { database } from '@/server/db';
import { idFrom, notFound } from '@/server/edge';
import { addressOf, paper, unitsOf } from '@/server/paper';
import { listPhotos, readPhoto } from '@/server/photos';
import { work } from '@/server/pool';
import { findRun } from '@/server/proofs';
import { sealOf, wordsOf } from '@/server/seals';
import { documentAt } from '@/server/stations';

/** A run as a report, as PDF: of the revision that it is of. */
export async function GET(request: Request, { params }: { params: Promise<{ run: string }> }): Promise<Response> {
  const id = idFrom((await params).run);
  const db = database();
  const run = id === null ? null : findRun(db, id);
  const document = run && documentAt(db, run.stationId, run.revision);
  if (!run || document === null) return notFound('run');
  const checked = checkStation(JSON.parse(document));
  const system = unitsOf(request, checked.ok ? systemOf(checked.station.profile) : 'metric');
  const { revision, startedAt, tester, plan, entries } = run;
  return paper(`run-${run.id}`, () =>
    work('report', {
      document,
      run: {
        title: jobTitle(run.job),
        revision,
        startedAt,
        tester,
        plan,
        entries,
        seal: sealOf(db, run.id),
        words: wordsOf(db, run.id),
      },
      photos: listPhotos(db, run.id).flatMap((p) => {
        const bytes = readPhoto(db, p.id, 'full');
        return bytes ? [{ stepId: p.stepId, bytes: new Uint8Array(bytes) }] : [];
      }),
      system,
      address: addressOf(request, run.stationId),
    }),
  );
}
