import { database } from '@/server/db';
import { idFrom, notFound } from '@/server/edge';
import { findStation } from '@/server/stations';

/** The saved document as a file, to be carried to another machine. */
export async function GET(_: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const id = idFrom((await params).id);
  const saved = id === null ? null : findStation(database(), id);
  if (!saved) return notFound('station');
  const name = saved.station.identity.name.toLowerCase().replace(/[^a-z0-9]+/g, '-') || 'station';
  return new Response(JSON.stringify(saved.station, null, 2), {
    headers: { 'content-type': 'application/json', 'content-disposition': `attachment; filename="${name}.json"` },
  });
}
