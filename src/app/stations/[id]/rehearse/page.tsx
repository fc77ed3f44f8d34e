import { rehearsable } from '@/core/rehearsal';
import { RehearseView } from '@/ui/rehearse/RehearseView';
import { stationAt } from '../station';

export default async function RehearsePage({ params }: { params: Promise<{ id: string }> }) {
  const { revision, station } = stationAt((await params).id);
  return <RehearseView revision={revision} stored={rehearsable(station)} />;
}
