import * as z from 'zod';
import { database } from '@/server/db';
import { idFrom, keyOf, notFound, now, readAs, refuse, writing } from '@/server/edge';
import { addEntry } from '@/server/proofs';

const bodySchema = z.object({
  stepId: z.string().min(1).max(80),
  verdict: z.enum(['pass', 'fail']),
  found: z.record(z.string().max(80), z.union([z.number(), z.boolean()])),
  note: z.string().max(2000, 'is longer than 2000 characters'),
});

/** Adds a finding to a run; there is no way to change one. */
export async function POST(request: Request, { params }: { params: Promise<{ run: string }> }): Promise<Response> {
  const id = idFrom((await params).run);
  if (id === null) return notFound('test run');
  const body = await readAs(request, bodySchema);
  if (!body.ok) return body.response;
  return writing(() => {
    const added = addEntry(database(), id, body.value, now(), keyOf(request));
    return added.ok
      ? Response.json({ entry: added.entry }, { status: 201 })
      : refuse(added.reason === 'no-run' ? 404 : 422, [{ path: 'stepId', message: added.detail }]);
  });
}
