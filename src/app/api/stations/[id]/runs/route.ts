import * as z from 'zod';
import { readPlan, WHOLE } from '@/core/proving';
import type { Station } from '@/core/station';
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
  /** The card as it was on the screen: what was found was judged by it, whatever the station is by now. */
  card: z.string().max(1_500_000).optional(),
});

/** The card of a job, made here; null where the threads are busy. */
const planned = (station: Station, job: string) =>
  work('plan', { station, job }).catch((error: unknown) => {
    if (error instanceof Busy) return null;
    throw error;
  });

/** Begins a run of a job, by the card that was on the screen, or by one of the newest saved revision. */
export async function POST(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const id = idFrom((await params).id);
  const body = await readAs(request, bodySchema);
  if (!body.ok) return body.response;
  const { tester, job, revision, card } = body.value;
  const read = card === undefined ? null : readPlan(card);
  if (read && (!read.ok || read.job !== job))
    return refuse(422, [{ path: 'card', message: read.ok ? 'is the card of another job' : read.reason }]);
  return writing(async () => {
    const newest = id === null ? null : findStation(database(), id);
    if (!newest) return notFound('station');
    const saved = revision === undefined ? newest : revisionOf(database(), newest, revision);
    if (!saved)
      return refuse(422, [{ path: 'revision', message: `revision ${revision} of this station cannot be read here` }]);
    const plan = card === undefined ? await planned(saved.station, job) : { ok: true as const, plan: card };
    if (!plan) return refuse(503, [{ path: 'server', message: 'is busy with other work: begin again in a moment' }]);
    if (!plan.ok) return refuse(422, [{ path: 'job', message: plan.reason }]);
    const begun = { plan: plan.plan, revision: saved.revision };
    const run = startRun(database(), saved.id, signedBy(request, tester), doneAt(request), keyOf(request), begun);
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
