import * as z from 'zod';
import { database } from '@/server/db';
import { idFrom, keyOf, notFound, now, readAs, writing } from '@/server/edge';
import { startRun } from '@/server/proofs';

const bodySchema = z.object({
  tester: z.string().trim().min(1, 'needs the name or initials of whoever tests').max(60),
});

/** Begins a test run on the newest saved revision. */
export async function POST(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const id = idFrom((await params).id);
  const body = await readAs(request, bodySchema);
  if (!body.ok) return body.response;
  return writing(() => {
    const run = id === null ? null : startRun(database(), id, body.value.tester, now(), keyOf(request));
    return run ? Response.json({ run }, { status: 201 }) : notFound('station');
  });
}
