import { jobCard } from '@/core/jobs';
import { sayPhrase, systemOf } from '@/core/units';
import { database } from '@/server/db';
import { idFrom, refuse } from '@/server/edge';
import { findStation } from '@/server/stations';

/** Stations of one route; nobody goes to more in a day. */
const MOST = 12;

/** What to bring for jobs at stations: `?of=5:J21,7:commission`; each thing once, with the stations it is for. */
export function GET(request: Request): Response {
  const asked = (new URL(request.url).searchParams.get('of') ?? '').split(',').filter((x) => x !== '');
  if (asked.length > MOST) return refuse(422, [{ path: 'route', message: `has more than ${MOST} stops` }]);
  const bring = new Map<string, string[]>();
  for (const item of asked) {
    const [id, job = ''] = item.split(':');
    const saved = findStation(database(), idFrom(id ?? '') ?? 0);
    if (!saved) continue;
    const made = jobCard(saved.station, job);
    const card = made.ok ? made : jobCard(saved.station, 'commission');
    for (const thing of card.ok ? card.card.bring : []) {
      const words = typeof thing === 'string' ? thing : sayPhrase(thing, systemOf(saved.station.profile));
      bring.set(words, [...new Set([...(bring.get(words) ?? []), saved.station.identity.name])]);
    }
  }
  return Response.json({ bring: [...bring].map(([what, where]) => ({ what, where })) });
}
