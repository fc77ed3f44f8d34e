import { whenOf } from '@/core/book';
import { database } from '@/server/db';
import { dueEverywhere } from '@/server/due';
import { now as at } from '@/server/edge';
import { listNames } from '@/server/heads';
import { AlongView } from '@/ui/along/AlongView';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'take along' };

/** A round looks so far ahead, ms. */
const WEEK = 7 * 86_400_000;

export default function AlongPage() {
  const db = database();
  const now = Date.parse(at());
  const due = new Set(
    dueEverywhere(db, now)
      .filter((d) => whenOf(d) <= now + WEEK)
      .map((d) => d.stationId),
  );
  return <AlongView stations={listNames(db).map((s) => ({ ...s, due: due.has(s.id) }))} />;
}
