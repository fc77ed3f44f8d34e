import { whenOf } from '@/core/book';
import { judge } from '@/core/levels';
import { ownerPage } from '@/core/papers';
import { alarmsOf, standingPages } from '@/server/book';
import { database } from '@/server/db';
import { analysisOf, dueAt } from '@/server/due';
import { now } from '@/server/edge';
import { OwnerView } from '@/ui/book/OwnerView';
import { day, dueIn } from '@/ui/parts/when';
import { stationAt } from '../../station';

const YEAR = 365 * 86_400_000;

export default async function OwnerPage({ params }: { params: Promise<{ id: string }> }) {
  const saved = stationAt((await params).id);
  if (!saved) return null;
  const db = database();
  const at = Date.parse(now());
  const { findings, asked } = analysisOf(db, saved);
  const visit = standingPages(db, saved.id, 'visit').findLast((p) => p.page?.kind === 'visit' && p.page.why !== 'look');
  const page = ownerPage(judge(saved.station), {
    lastVisit: visit ? `${day(visit.at)}, by ${visit.by}` : null,
    due: dueAt(db, saved, at)
      .filter((d) => Number.isFinite(whenOf(d)))
      .slice(0, 3)
      .map((d) => `${d.what}: ${dueIn(whenOf(d), at)}.`),
    findings,
    asked: asked.length,
    alarms: alarmsOf(db, saved.id).filter((a) => a > at - YEAR).length,
  });
  return <OwnerView page={page} />;
}
