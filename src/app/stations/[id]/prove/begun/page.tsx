import { BegunView } from '@/ui/prove/BegunView';
import { stationAt } from '../../station';

/** A run that is on a device only: the page is the same for every one, so that it opens without signal. */
export default async function BegunPage({ params }: { params: Promise<{ id: string }> }) {
  return stationAt((await params).id) && <BegunView />;
}
