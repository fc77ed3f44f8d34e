import * as z from 'zod';
import { VERDICTS } from '@/core/proving';
import { database } from '@/server/db';
import { doneAt, idFrom, keyOf, notFound, readAs, refusedRun, writing } from '@/server/edge';
import { addEntry, entriesOf } from '@/server/proofs';
import { signedBy } from '@/server/people/who';

const bodySchema = z.object({
  stepId: z.string().min(1).max(80),
  verdict: z.enum(VERDICTS),
  found: z.record(z.string().max(80), z.union([z.number(), z.boolean()])),
  decided: z.record(z.string().max(80), z.string().max(80)).default({}),
  note: z.string().max(2000, 'is longer than 2000 characters'),
  by: z.string().trim().max(60).optional(),
  /** The newest finding that whoever enters this knows: what came since is answered with it. */
  knows: z.number().int().min(0).optional(),
});

/** Adds a finding to a run; there is no way to change one. What others entered meanwhile comes back with it. */
export async function POST(request: Request, { params }: { params: Promise<{ run: string }> }): Promise<Response> {
  const id = idFrom((await params).run);
  if (id === null) return notFound('run');
  const body = await readAs(request, bodySchema);
  if (!body.ok) return body.response;
  const { knows, by: said, ...finding } = body.value;
  const by = signedBy(request, said);
  return writing(() => {
    const added = addEntry(database(), id, { ...finding, ...(by && { by }) }, doneAt(request), keyOf(request));
    if (!added.ok) return refusedRun(added);
    const meanwhile =
      knows === undefined ? [] : entriesOf(database(), id).filter((e) => e.id > knows && e.id !== added.entry.id);
    return Response.json({ entry: added.entry, meanwhile }, { status: 201 });
  });
}

/** What was entered after a finding that is known. */
export async function GET(request: Request, { params }: { params: Promise<{ run: string }> }): Promise<Response> {
  const id = idFrom((await params).run);
  if (id === null) return notFound('run');
  const after = Number(new URL(request.url).searchParams.get('after') ?? 0);
  return Response.json({ entries: entriesOf(database(), id).filter((e) => !(e.id <= after)) });
}
