import type { Metadata } from 'next';
import type { ReactNode } from 'react';
import { judge, summaryOf } from '@/core/levels';
import { askedOf } from '@/core/wiring';
import { database } from '@/server/db';
import { listStations } from '@/server/stations';
import { StationProvider } from '@/ui/editor/StationProvider';
import { StationFrame } from '@/ui/frame/StationFrame';
import { stationAt } from './station';

interface Props {
  children: ReactNode;
  params: Promise<{ id: string }>;
}

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  return { title: stationAt((await params).id).station.identity.name };
}

export default async function StationLayout({ children, params }: Props) {
  const { id, revision, savedAt, station } = stationAt((await params).id);
  const names = listStations(database()).map((s) => ({
    id: s.id,
    name: s.station.identity.name,
    site: s.station.identity.site,
  }));
  return (
    <StationProvider
      key={id}
      id={id}
      saved={{ revision, savedAt, station }}
      rules={summaryOf(judge(station, undefined, askedOf(station)).rules)}
    >
      <StationFrame stations={names}>{children}</StationFrame>
    </StationProvider>
  );
}
