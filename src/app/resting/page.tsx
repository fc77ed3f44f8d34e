import { database } from '@/server/db';
import { restingStations } from '@/server/rest';
import { RestingView } from '@/ui/rest/RestingView';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'archive and bin' };

export default function RestingPage() {
  return <RestingView stations={restingStations(database())} />;
}
