import { ofOneAge } from '@/core/book';
import { allStanding, happenedAt, listPages, standingPages } from '@/server/book';
import { lastOf } from '@/server/standing';
import { analysisOf, dueAt } from '@/server/due';
import { now as at } from '@/server/edge';
import { feedOf, shownOf, wordOf } from '@/server/feeds/feeds';
import { database } from '@/server/db';
import { BookView } from '@/ui/book/BookView';
import { stationAt } from '../station';

export default async function BookPage({ params }: { params: Promise<{ id: string }> }) {
  const saved = stationAt((await params).id);
  if (!saved) return null;
  const db = database();
  const analysis = analysisOf(db, saved);
  const now = Date.parse(at());
  const kept = feedOf(db, saved.id);
  const feed = kept && { kept, shown: shownOf(db, kept, now), word: wordOf(db, saved.id) };
  return (
    <BookView
      feed={feed}
      happened={happenedAt(db, saved.id)}
      together={ofOneAge(allStanding(db, saved.id)).map((g) => g.map((p) => p.id))}
      pages={listPages(db, saved.id)}
      parts={standingPages(db, saved.id, 'part')}
      site={standingPages(db, saved.id, 'site').at(-1) ?? null}
      analysis={analysis}
      due={dueAt(db, saved, now)}
      now={now}
      last={lastOf(db, saved.id)}
    />
  );
}
