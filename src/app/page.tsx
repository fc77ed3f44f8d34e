import { headers } from 'next/headers';
import { database } from '@/server/db';
import { headsNow } from '@/server/figures';
import { namesSeen } from '@/server/heads';
import { personFrom } from '@/server/people/who';
import { RoundView } from '@/ui/round/RoundView';
import { SCREENFUL } from '@/ui/round/screenful';

export const dynamic = 'force-dynamic';

export default async function RoundPage() {
  const db = database();
  const sees = personFrom(await headers())?.sees ?? null;
  const stations = namesSeen(db, sees);
  const first = headsNow(
    db,
    stations.slice(0, SCREENFUL).map((s) => s.id),
  );
  return (
    <RoundView
      stations={stations}
      known={Object.fromEntries(first.flatMap((h) => (h.figures ? [[h.id, h.figures]] : [])))}
    />
  );
}
