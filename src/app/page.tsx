import { cookies } from 'next/headers';
import { gaugeOf } from '@/core/papers';
import { systemOf } from '@/core/units';
import { database } from '@/server/db';
import { listStations, listUnreadable } from '@/server/stations';
import { RoundView } from '@/ui/round/RoundView';
import { prefsFrom } from '@/ui/theme/prefs';

/** One station that cannot be worked out says so in its place, and hides no other. */
function guarded<T>(make: () => T): T | { readonly failed: string } {
  try {
    return make();
  } catch (e) {
    return { failed: (e as Error).message };
  }
}

export const dynamic = 'force-dynamic';

export default async function RoundPage() {
  const db = database();
  const jar = await cookies();
  const { units } = prefsFrom((name) => jar.get(name)?.value);
  const stations = listStations(db).map(({ id, station }) => ({
    id,
    name: station.identity.name,
    site: station.identity.site,
    gauge: guarded(() => gaugeOf(station, units ?? systemOf(station.profile))),
  }));
  return <RoundView stations={stations} unreadable={listUnreadable(db)} />;
}
