import type { Metadata } from 'next';
import { headers } from 'next/headers';
import type { ReactNode } from 'react';
import { whenOf } from '@/core/book';
import { database } from '@/server/db';
import { dueAt } from '@/server/due';
import { now } from '@/server/edge';
import { headsNow } from '@/server/figures';
import { headsOf, neighboursAmong, neighboursOf } from '@/server/heads';
import { personFrom } from '@/server/people/who';
import { restOf } from '@/server/rest';
import type { Saved } from '@/server/stations';
import { StationProvider } from '@/ui/editor/StationProvider';
import { StationFrame } from '@/ui/frame/StationFrame';
import { UnreadableView } from '@/ui/frame/UnreadableView';
import { dueIn } from '@/ui/parts/when';
import { foundAt } from './station';

interface Props {
  children: ReactNode;
  params: Promise<{ id: string }>;
}

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  const found = foundAt((await params).id);
  return { title: found.ok ? found.saved.station.identity.name : `station ${found.unreadable.id}` };
}

/** What is due next, in a line; null where nothing can be told. */
function nextDue(saved: Saved): string | null {
  const at = Date.parse(now());
  const [next] = dueAt(database(), saved, at);
  return next && Number.isFinite(whenOf(next)) ? `${next.what}, ${dueIn(whenOf(next), at)}` : null;
}

export default async function StationLayout({ children, params }: Props) {
  const found = foundAt((await params).id);
  const db = database();
  if (!found.ok) {
    const [head] = headsOf(db, [found.unreadable.id]);
    return <UnreadableView name={head?.name ?? ''} {...found.unreadable} />;
  }
  const { id, revision, savedAt, station } = found.saved;
  const [head] = headsNow(db, [id]);
  const sees = personFrom(await headers())?.sees ?? null;
  const known = head?.figures && 'rules' in head.figures ? head.figures : null;
  return (
    <StationProvider key={id} id={id} saved={{ revision, savedAt, station }} rules={known?.rules ?? null}>
      <StationFrame
        resting={restOf(db, id)}
        neighbours={sees ? neighboursAmong(db, id, sees) : neighboursOf(db, id)}
        first={known?.scene ?? null}
        nextDue={nextDue(found.saved)}
      >
        {children}
      </StationFrame>
    </StationProvider>
  );
}
