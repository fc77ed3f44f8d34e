import * as z from 'zod';
import { WHOLE } from '@/core/proving';
import { database } from '@/server/db';
import { doneAt, idFrom, keyOf, notFound, now, readAs, refuse, writing } from '@/server/edge';
import { Busy, work } from '@/server/pool';
import { startRun } from '@/server/proofs';
import { receiveRun } from '@/server/seals';
import { findStation, revisionOf } from '@/server/stations';
import { signedBy } from '@/server/people/who';

const bodySchema = z.object({
  tester: z.string().trim().min(1, 'needs the name or initials of whoever tests').max(60),
  job: z.string().max(20).default(WHOLE),
  /** The revision whose card was on the screen; else the newest. A run that was begun without signal is true of what was known then. */
  revision: z.number().int().positive().optional(),
});

/** Begins a run of a job on the newest saved revision. */
export async function POST(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const id = idFrom((await params).id);
  const body = await readAs(request, bodySchema);
  if (!body.ok) return body.response;
  const { tester, job, revision } = body.value;
  return writing(async () => {
    const newest = id === null ? null : findStation(database(), id);
    if (!newest) return notFound('station');
    const saved = revision === undefined ? newest : revisionOf(database(), newest, revision);
    if (!saved)
      return refuse(422, [{ path: 'revision', message: `revision ${revision} of this station cannot be read here` }]);
    const plan = await work('plan', { station: saved.station, job }).catch((error: unknown) => {
      if (error instanceof Busy) return null;
      throw error;
    });
    if (!plan) return refuse(503, [{ path: 'server', message: 'is busy with other work: begin again in a moment' }]);
    if (!plan.ok) return refuse(422, [{ path: 'job', message: plan.reason }]);
    const card = { plan: plan.plan, revision: saved.revision };
    const run = startRun(database(), saved.id, signedBy(request, tester), doneAt(request), keyOf(request), card);
    return run ? Response.json({ run }, { status: 201 }) : notFound('station');
  });
}

/** Takes a sealed run that comes as a file from elsewhere. */
export async function PUT(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const id = idFrom((await params).id);
  const body = await readAs(request, z.unknown());
  if (!body.ok) return body.response;
  return writing(() => {
    if (id === null || !findStation(database(), id)) return notFound('station');
    const received = receiveRun(database(), id, body.value, now());
    return received.ok
      ? Response.json({ received: { id: received.received.id, hash: received.received.file.hash } }, { status: 201 })
      : refuse(
          422,
          received.problems.map((message) => ({ path: 'file', message })),
        );
  });
}
