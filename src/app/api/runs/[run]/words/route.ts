import * as z from 'zod';
import { database } from '@/server/db';
import { doneAt, idFrom, keyOf, notFound, readAs, refusedRun, writing } from '@/server/edge';
import { addWords } from '@/server/seals';
import { signedBy } from '@/server/people/who';

const bodySchema = z.object({
  by: z.string().trim().min(1, 'needs a name').max(60),
  words: z.string().trim().min(1, 'says nothing').max(2000, 'is longer than 2000 characters'),
});

/** Words added to a run, beside its seal. */
export async function POST(request: Request, { params }: { params: Promise<{ run: string }> }): Promise<Response> {
  const id = idFrom((await params).run);
  if (id === null) return notFound('run');
  const body = await readAs(request, bodySchema);
  if (!body.ok) return body.response;
  return writing(() => {
    const added = addWords(
      database(),
      id,
      signedBy(request, body.value.by),
      body.value.words,
      doneAt(request),
      keyOf(request),
    );
    return added.ok ? Response.json({ words: added.words }, { status: 201 }) : refusedRun(added);
  });
}
