import * as z from 'zod';
import { checkStation } from '@/core/station';
import { database } from '@/server/db';
import { idFrom, keyOf, notFound, now, readAs, refuse, writing } from '@/server/edge';
import { headsNow } from '@/server/figures';
import { personFrom } from '@/server/people/who';
import { savedBy, saveStation } from '@/server/stations';

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
    const by = personFrom(request.headers)?.name;
    const result = saveStation(database(), id, body.value.base, checked.station, now(), keyOf(request), by);
    if (result.ok) {
      headsNow(database(), [id]);
      return Response.json({ saved: result.saved });
    }
    if (result.reason === 'not-found') return notFound('station');
    const { revision } = result.theirs;
    const saver = savedBy(database(), id, revision);
    const message = `revision ${revision} was saved in between${saver === null ? '' : ` by ${saver}`}`;
    return refuse(409, [{ path: 'revision', message }], {
      theirs: result.theirs,
    });
  });
}
