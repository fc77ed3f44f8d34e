import { database } from '@/server/db';
import { idFrom } from '@/server/edge';
import { revisionsOf } from '@/server/revisions';
import { RevisionsView } from '@/ui/book/RevisionsView';
import { stationAt } from '../../station';

/** Revisions on one page; one more is read, to say what the last of them changed. */
const SHOWN = 20;

interface Props {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ before?: string }>;
}

export default async function RevisionsPage({ params, searchParams }: Props) {
  const saved = stationAt((await params).id);
  if (!saved) return null;
  const before = idFrom((await searchParams).before ?? '');
  const kept = revisionsOf(database(), saved.id, before, SHOWN + 1);
  return <RevisionsView kept={kept.slice(0, SHOWN)} older={kept[SHOWN] ?? null} />;
}
