import { database } from '@/server/db';
import { doneAt, idFrom, keyOf, notFound, refuse, writing } from '@/server/edge';
import { addPagePhoto } from '@/server/photos';
import { pictureOf } from '@/server/picture';
import { signedBy } from '@/server/people/who';

interface Context {
  params: Promise<{ id: string; page: string }>;
}

/** Adds a photograph to a page of the book: the picture itself as the body, the person in the address. */
export async function POST(request: Request, { params }: Context): Promise<Response> {
  const { id, page } = await params;
  const [stationId, pageId] = [idFrom(id), idFrom(page)];
  if (stationId === null || pageId === null) return notFound('page');
  const by = signedBy(request, (new URL(request.url).searchParams.get('by') ?? '').slice(0, 60));
  const picture = await pictureOf(request);
  if (!picture.ok) return picture.response;
  return writing(async () => {
    const added = await addPagePhoto(
      database(),
      { stationId, pageId, by, bytes: picture.bytes },
      doneAt(request),
      keyOf(request),
    );
    picture.done();
    if (!added) return notFound('page');
    return added.ok
      ? Response.json({ id: added.id }, { status: 201 })
      : refuse(415, [{ path: 'photo', message: added.detail }]);
  });
}
