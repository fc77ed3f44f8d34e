import { database } from '@/server/db';
import { idFrom, notFound } from '@/server/edge';
import { readPhoto } from '@/server/photos';

/** A photograph of the book: small unless the whole is asked for. It never changes, and is kept by whoever has it. */
export async function GET(request: Request, { params }: { params: Promise<{ photo: string }> }): Promise<Response> {
  const id = idFrom((await params).photo);
  const size = new URL(request.url).searchParams.get('size') === 'full' ? 'full' : 'thumb';
  const picture = id === null ? null : readPhoto(database(), id, size, 'book_photos');
  if (!picture) return notFound('photograph');
  return new Response(new Uint8Array(picture), {
    headers: { 'content-type': 'image/jpeg', 'cache-control': 'private, max-age=31536000, immutable' },
  });
}
