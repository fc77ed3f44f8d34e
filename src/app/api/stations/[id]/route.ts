import * as z from 'zod';
import { checkStation } from '@/core/station';
import { database } from '@/server/db';
import { idFrom, keyOf, notFound, now, readAs, refuse, writing } from '@/server/edge';
import { headsNow } from '@/server/figures';
import { saveStation } from '@/server/stations';

const bodySchema = z.object({ base: z.number().int().positive(), document: z.unknown() });

/** Saves a new revision; refuses one that was made from a revision that is no longer the newest, and answers with that one. */
export async function PUT(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const id = idFrom((await params).id);
  if (id === null) return notFound('station');
  const body = await readAs(request, bodySchema);
  if (!body.ok) return body.response;
  const checked = checkStation(body.value.document);
  if (!checked.ok) return refuse(422, checked.problems);
  return writing(() => {
    const result = saveStation(database(), id, body.value.base, checked.station, now(), keyOf(request));
    if (result.ok) {
      headsNow(database(), [id]);
      return Response.json({ saved: result.saved });
    }
    if (result.reason === 'not-found') return notFound('station');
    return refuse(409, [{ path: 'revision', message: `revision ${result.theirs.revision} was saved in between` }], {
      theirs: result.theirs,
    });
  });
}
