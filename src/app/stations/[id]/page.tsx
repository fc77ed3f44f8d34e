import { redirect } from 'next/navigation';
import { FIRST_VIEW } from '@/ui/frame/views';
import { foundAt } from './station';

export default async function StationPage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  foundAt(id);
  redirect(`/stations/${id}/${FIRST_VIEW}`);
}
