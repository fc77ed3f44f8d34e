import { database } from '@/server/db';
import { idFrom, notFound } from '@/server/edge';
import { sealedFile } from '@/server/seals';

/** A sealed run as a file, to be carried and checked elsewhere. */
export async function GET(_: Request, { params }: { params: Promise<{ run: string }> }): Promise<Response> {
  const id = idFrom((await params).run);
  const file = id === null ? null : sealedFile(database(), id);
  if (file === null) return notFound('sealed run');
  return new Response(file, {
    headers: { 'content-type': 'application/json', 'content-disposition': `attachment; filename="run-${id}.json"` },
  });
}
