import * as z from 'zod';
import { database } from '@/server/db';
import { idFrom, notFound, readAs } from '@/server/edge';
import { heldAt, holdAt } from '@/server/meterFeed';
import { findRun } from '@/server/proofs';

const bodySchema = z.object({ stepId: z.string().min(1).max(80), expectation: z.string().min(1).max(80) });

/** Says where the probes are held: a logging meter that is asked for its reading looks here. */
export async function POST(request: Request, { params }: { params: Promise<{ run: string }> }): Promise<Response> {
  const id = idFrom((await params).run);
  if (id === null || !findRun(database(), id)) return notFound('run');
  const body = await readAs(request, bodySchema);
  if (!body.ok) return body.response;
  return Response.json({ held: holdAt(id, body.value) }, { status: 201 });
}

/** Where the probes are held now, and of which station; null: nowhere. */
export async function GET(_: Request, { params }: { params: Promise<{ run: string }> }): Promise<Response> {
  const id = idFrom((await params).run);
  const run = id === null ? null : findRun(database(), id);
  if (id === null || !run) return notFound('run');
  return Response.json({ held: heldAt(id), station: run.stationId, revision: run.revision, job: run.job });
}
