import { redirect } from 'next/navigation';
import { FIRST_VIEW } from '@/ui/frame/views';
import { stationAt } from './station';

export default async function StationPage({ params }: { params: Promise<{ id: string }> }) {
  redirect(`/stations/${stationAt((await params).id).id}/${FIRST_VIEW}`);
}
