import { database } from '@/server/db';
import { doneAt, idFrom, keyOf, notFound, refuse, refusedRun, writing } from '@/server/edge';
import { addPhoto } from '@/server/photos';
import { pictureOf } from '@/server/picture';
import { signedBy } from '@/server/people/who';

/** Adds a photograph to a step: the picture itself as the body, step and person in the address. */
export async function POST(request: Request, { params }: { params: Promise<{ run: string }> }): Promise<Response> {
  const id = idFrom((await params).run);
  if (id === null) return notFound('run');
  const asked = new URL(request.url).searchParams;
  const stepId = asked.get('step') ?? '';
  const by = signedBy(request, (asked.get('by') ?? '').slice(0, 60));
  const picture = await pictureOf(request);
  if (!picture.ok) return picture.response;
  return writing(async () => {
    const { bytes } = picture;
    const added = await addPhoto(database(), id, { stepId, by, bytes }, doneAt(request), keyOf(request));
    picture.done();
    if (added.ok) return Response.json({ photo: added.photo }, { status: 201 });
    return added.reason === 'no-picture' ? refuse(415, [{ path: 'photo', message: added.detail }]) : refusedRun(added);
  });
}
