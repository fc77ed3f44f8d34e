import { database } from '@/server/db';
import { listStations, listUnreadable } from '@/server/stations';
import { RoundView } from '@/ui/round/RoundView';

export const dynamic = 'force-dynamic';

export default function RoundPage() {
  const db = database();
  return (
    <RoundView
      stations={listStations(db).map(({ id, revision, station }) => ({ id, revision, station }))}
      unreadable={listUnreadable(db)}
    />
  );
}
