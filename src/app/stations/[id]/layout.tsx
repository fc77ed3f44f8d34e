import type { Metadata } from 'next';
import type { ReactNode } from 'react';
import { database } from '@/server/db';
import { headsNow } from '@/server/figures';
import { headsOf, neighboursOf } from '@/server/heads';
import { StationProvider } from '@/ui/editor/StationProvider';
import { StationFrame } from '@/ui/frame/StationFrame';
import { UnreadableView } from '@/ui/frame/UnreadableView';
import { foundAt } from './station';

interface Props {
  children: ReactNode;
  params: Promise<{ id: string }>;
}

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  const found = foundAt((await params).id);
  return { title: found.ok ? found.saved.station.identity.name : `station ${found.unreadable.id}` };
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
  const known = head?.figures && 'rules' in head.figures ? head.figures : null;
  return (
    <StationProvider key={id} id={id} saved={{ revision, savedAt, station }} rules={known?.rules ?? null}>
      <StationFrame neighbours={neighboursOf(db, id)} first={known?.scene ?? null}>
        {children}
      </StationFrame>
    </StationProvider>
  );
}
