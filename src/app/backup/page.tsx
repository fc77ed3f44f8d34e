import { copiesIn } from '@/server/nightly';
import { database } from '@/server/db';
import { heldIn, photosIn } from '@/server/backup';
import { lastIn, waitingIn } from '@/server/restore';
import { BackupView } from '@/ui/backup/BackupView';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'backup' };

export default function BackupPage() {
  const db = database();
  return (
    <BackupView
      here={{ ...heldIn(db), photos: photosIn(), last: lastIn(db) }}
      copies={copiesIn().map((c) => c.day)}
      waiting={waitingIn()}
    />
  );
}
