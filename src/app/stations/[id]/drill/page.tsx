import { DrillView } from '@/ui/drill/DrillView';
import { stationAt } from '../station';

export default async function DrillPage({ params }: { params: Promise<{ id: string }> }) {
  const saved = stationAt((await params).id);
  return saved && <DrillView station={saved.station} />;
}
