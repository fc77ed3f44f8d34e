import { redirect } from 'next/navigation';
import { stationAt } from './station';

export default async function StationPage({ params }: { params: Promise<{ id: string }> }) {
  redirect(`/stations/${stationAt((await params).id).id}/levels`);
}
