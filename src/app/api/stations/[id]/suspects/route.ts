import { askedRows } from '@/server/asked';
import { database } from '@/server/db';
import { idFrom, notFound } from '@/server/edge';

/** What the suspects of a station would show, as it was last saved; nothing where it was not asked yet. By which program, is said beside it. */
export async function GET(_: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const id = idFrom((await params).id);
  if (id === null) return notFound('station');
  const rows = askedRows(database(), id);
  if (!rows) return new Response(null, { status: 204 });
  return new Response(new Uint8Array(rows), {
    headers: {
      'content-type': 'application/gzip',
      'cache-control': 'no-store',
      'pitbell-core': process.env.PITBELL_CORE ?? '',
    },
  });
}
