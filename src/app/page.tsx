import { database } from '@/server/db';
import { headsNow } from '@/server/figures';
import { listNames } from '@/server/heads';
import { RoundView } from '@/ui/round/RoundView';
import { SCREENFUL } from '@/ui/round/screenful';

export const dynamic = 'force-dynamic';

export default function RoundPage() {
  const db = database();
  const stations = listNames(db);
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
