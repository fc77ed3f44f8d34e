import { bookFile, pagesCsv } from '@/server/bookFile';
import { database } from '@/server/db';
import { idFrom, notFound, now } from '@/server/edge';
import { findStation } from '@/server/stations';

/** The whole book of a station as JSON: every page, those that no longer stand among them, and every reading; or its pages as CSV (`?form=csv`). */
export async function GET(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const id = idFrom((await params).id);
  const saved = id === null ? null : findStation(database(), id);
  if (!saved) return notFound('station');
  if (new URL(request.url).searchParams.get('form') === 'csv')
    return new Response(pagesCsv(database(), saved.id), {
      headers: { 'content-type': 'text/csv; charset=utf-8', 'content-disposition': 'attachment; filename="book.csv"' },
    });
  return new Response(JSON.stringify(bookFile(database(), saved, now())), {
    headers: {
      'content-type': 'application/json',
      'content-disposition': 'attachment; filename="book.json"',
    },
  });
}
