import { searchBook } from '@/server/book';
import { database } from '@/server/db';
import { idFrom } from '@/server/edge';

/** Pages that have all of the words: `?words=…`, in one book `&station=…`. */
export function GET(request: Request): Response {
  const query = new URL(request.url).searchParams;
  return Response.json({
    hits: searchBook(database(), (query.get('words') ?? '').slice(0, 200), idFrom(query.get('station') ?? '')),
  });
}
