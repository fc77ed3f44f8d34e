import { listPages, happenedAt } from '@/server/book';
import { analysisOf, dueAt } from '@/server/due';
import { database } from '@/server/db';
import { now as at } from '@/server/edge';
import { WholeBook } from '@/ui/book/WholeBook';
import { stationAt } from '../../station';

/** Most pages that are printed: what is older stands in the file. */
const MOST = 3000;

export default async function WholePage({ params }: { params: Promise<{ id: string }> }) {
  const saved = stationAt((await params).id);
  if (!saved) return null;
  const db = database();
  const now = Date.parse(at());
  return (
    <WholeBook
      pages={listPages(db, saved.id, { most: MOST })}
      happened={happenedAt(db, saved.id)}
      analysis={analysisOf(db, saved)}
      due={dueAt(db, saved, now)}
      now={now}
    />
  );
}
