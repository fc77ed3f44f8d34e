import { database } from '@/server/db';
import { now as at } from '@/server/edge';
import { dueEverywhere } from '@/server/due';
import { DueView } from '@/ui/due/DueView';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'what is due' };

export default function DuePage() {
  const now = Date.parse(at());
  return <DueView due={dueEverywhere(database(), now)} now={now} />;
}
