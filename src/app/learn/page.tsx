import { database } from '@/server/db';
import { drillResults, drillSets } from '@/server/drills';
import { now as at } from '@/server/edge';
import { LearnView } from '@/ui/learn/LearnView';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Learn' };

export default function LearnPage() {
  const db = database();
  return <LearnView sets={drillSets(db)} results={drillResults(db)} now={Date.parse(at())} />;
}
