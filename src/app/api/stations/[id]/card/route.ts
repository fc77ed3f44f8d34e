import { systemOf } from '@/core/units';
import { database } from '@/server/db';
import { idFrom, notFound, now, refuse } from '@/server/edge';
import { Busy, work } from '@/server/pool';
import { findStation } from '@/server/stations';
import { day } from '@/ui/parts/when';

/** The door card of the newest revision as PDF, in the units asked for or the station's own. */
export async function GET(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const id = idFrom((await params).id);
  const saved = id === null ? null : findStation(database(), id);
  if (!saved) return notFound('station');
  const { station, revision } = saved;
  const units = new URL(request.url).searchParams.get('units');
  const system = units === 'metric' || units === 'us' ? units : systemOf(station.profile);
  try {
    const pdf = await work('card', { station, revision, printed: day(now()), system });
    return new Response(new Uint8Array(pdf), {
      headers: { 'content-type': 'application/pdf', 'content-disposition': 'inline; filename="door-card.pdf"' },
    });
  } catch (error) {
    if (!(error instanceof Busy)) throw error;
    return refuse(503, [{ path: 'server', message: 'is busy with other papers: ask again in a moment' }]);
  }
}
