import * as z from 'zod';
import { database } from '@/server/db';
import { idFrom, notFound, now, readAs, refusedRun, writing } from '@/server/edge';
import { sealRun } from '@/server/seals';
import { signedBy } from '@/server/people/who';

const bodySchema = z.object({ by: z.string().trim().min(1, 'needs the name of whoever seals it').max(60) });

/** Seals a finished run: after that nothing of it changes. */
export async function POST(request: Request, { params }: { params: Promise<{ run: string }> }): Promise<Response> {
  const id = idFrom((await params).run);
  if (id === null) return notFound('run');
  const body = await readAs(request, bodySchema);
  if (!body.ok) return body.response;
  return writing(() => {
    const done = sealRun(database(), id, signedBy(request, body.value.by), now());
    return done.ok ? Response.json({ seal: done.seal }, { status: 201 }) : refusedRun(done);
  });
}
