import { database } from '@/server/db';
import { listStations } from '@/server/stations';
import { RoundView } from '@/ui/round/RoundView';

export const dynamic = 'force-dynamic';

export default function RoundPage() {
  return <RoundView stations={listStations(database()).map(({ id, revision, station }) => ({ id, revision, station }))} />;
}
