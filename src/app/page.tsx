import { cookies } from 'next/headers';
import { gaugeOf } from '@/core/papers';
import { systemOf } from '@/core/units';
import { database } from '@/server/db';
import { listStations, listUnreadable } from '@/server/stations';
import { RoundView } from '@/ui/round/RoundView';
import { prefsFrom } from '@/ui/theme/prefs';

export const dynamic = 'force-dynamic';

export default async function RoundPage() {
  const db = database();
  const jar = await cookies();
  const { units } = prefsFrom((name) => jar.get(name)?.value);
  const stations = listStations(db).map(({ id, station }) => ({
    id,
    name: station.identity.name,
    site: station.identity.site,
    gauge: gaugeOf(station, units ?? systemOf(station.profile)),
  }));
  return <RoundView stations={stations} unreadable={listUnreadable(db)} />;
}
