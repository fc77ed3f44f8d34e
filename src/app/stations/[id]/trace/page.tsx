import { database } from '@/server/db';
import { now } from '@/server/edge';
import { pastOf } from '@/server/traced';
import { TraceView } from '@/ui/trace/TraceView';
import { stationAt } from '../station';

export default async function TracePage({ params }: { params: Promise<{ id: string }> }) {
  const saved = stationAt((await params).id);
  if (!saved) return null;
  const past = pastOf(database(), saved, Date.parse(now()));
  return <TraceView past={past} station={saved.station} revision={saved.revision} />;
}
