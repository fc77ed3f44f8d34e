import { rehearsable } from '@/core/rehearsal';
import { RehearseView } from '@/ui/rehearse/RehearseView';
import { stationAt } from '../station';

export default async function RehearsePage({ params }: { params: Promise<{ id: string }> }) {
  const saved = stationAt((await params).id);
  return saved && <RehearseView revision={saved.revision} stored={rehearsable(saved.station)} />;
}
