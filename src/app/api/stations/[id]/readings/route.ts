import { systemOf } from '@/core/units';
import { database } from '@/server/db';
import { idFrom, notFound, now } from '@/server/edge';
import { addressOf, paper, unitsOf } from '@/server/paper';
import { work } from '@/server/pool';
import { findStation } from '@/server/stations';
import { day } from '@/ui/parts/when';

/** The card of expected readings for the panel door, of the newest revision, as PDF. */
export async function GET(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const id = idFrom((await params).id);
  const saved = id === null ? null : findStation(database(), id);
  if (!saved) return notFound('station');
  const { station, revision } = saved;
  const system = unitsOf(request, systemOf(station.profile));
  return paper('expected-readings', () =>
    work('readings', { station, revision, printed: day(now()), system, address: addressOf(request, saved.id) }),
  );
}
