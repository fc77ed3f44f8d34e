'use client';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useEffect, useMemo, useState, type ReactNode } from 'react';
import type { Card, Past, Told } from '@/core/trace';
import type { Station } from '@/core/station';
import { useEditor } from '../editor/StationProvider';
import { KEEPING } from '../parts/browserKeep';
import { Caution } from '../parts/Caution';
import { Segments } from '../parts/Segments';
import { StationShaft } from '../shaft/StationShaft';
import { EndBox } from './EndBox';
import { FloodLine } from './FloodLine';
import { NextCard } from './NextCard';
import { Seen } from './Seen';
import { Suspects } from './Suspects';
import { ToldList } from './ToldList';
import { useTold } from './useTold';
import { useTracing } from './useTracing';

type Page = 'seen' | 'next' | 'told' | 'end';
const PAGES: readonly (readonly [Page, string])[] = [
  ['seen', 'what is seen'],
  ['next', 'next test'],
  ['told', 'what was told'],
  ['end', 'the end'],
];

const Said = ({ children }: { children: ReactNode }) => (
  <Typography role="status" variant="body2" component="p" sx={{ m: 0, px: { xs: 2, md: 2.5 }, pt: 1.5 }}>
    {children}
  </Typography>
);

/** The card that is shown: what is proposed, or another that was chosen while what was told stays as it is. */
function useChosen(told: Told | null, ask: (told: Told, id: string) => Promise<Card | null>) {
  const [chosen, setChosen] = useState<{ of: Told; card: Card } | null>(null);
  return {
    card: chosen && chosen.of === told ? chosen.card : null,
    take: (id: string) =>
      void (told && ask(told, id).then((card) => void (card && setChosen({ of: told, card })))),
    forget: () => setChosen(null),
  };
}

/** Fault finding at one station: what is seen, who is suspected, the next test, and the end. */
export function TraceView({ station, revision, past }: { station: Station; revision: number; past: Past }) {
  const id = useEditor((s) => s.id);
  const point = useEditor((s) => s.point);
  const of = useMemo(
    () => ({ name: station.identity.name, site: station.identity.site, revision }),
    [station.identity.name, station.identity.site, revision],
  );
  const { told, tell, keeping, aside, begin } = useTold(id, of);
  const [page, setPage] = useState<Page | null>(null);
  const lately = told?.lately;
  const whole = useMemo((): Past => ({ ...past, lately: lately ?? [] }), [past, lately]);
  const { stage, thought, current, card, mend } = useTracing(station, whole, told);
  const chosen = useChosen(told, card);
  const shown = chosen.card ?? thought?.next ?? null;
  const about = shown?.about;
  useEffect(() => {
    point(about ?? []);
    return () => point([]);
  }, [about, point]);
  if (!told) return null;
  const at = page ?? (told.evidence.length === 0 ? 'seen' : 'next');
  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', md: '300px 330px minmax(0, 1fr)' }, height: { md: '100%' } }}>
      <Box sx={{ display: { xs: 'none', md: 'block' }, minHeight: 0, borderRight: 1, borderColor: 'divider' }}>
        <StationShaft beside guess={{ width: 300, height: 660 }} />
      </Box>
      <Box sx={{ minHeight: 0, overflow: 'auto', borderRight: { md: 1 }, borderColor: { md: 'divider' }, order: { xs: 2, md: 1 }, pb: 2 }}>
        <Suspects thought={thought} stage={stage} current={current} onEnd={() => setPage('end')} />
      </Box>
      <Box component="section" aria-label="trace" sx={{ minHeight: 0, overflow: 'auto', order: { xs: 1, md: 2 }, pb: 3 }}>
        {thought?.traps.length ? (
          <Box aria-label="traps" component="section" sx={{ p: { xs: 2, md: 2.5 }, pb: 0, display: 'flex', flexDirection: 'column', gap: 1 }}>
            {thought.traps.map((t) => (
              <Caution key={t.id}>{t.says}</Caution>
            ))}
          </Box>
        ) : null}
        {thought?.flood && <FloodLine flood={thought.flood} />}
        <Box sx={{ px: { xs: 2, md: 2.5 }, pt: 2 }}>
          <Segments label="part of the trace" value={at} choices={PAGES} onPick={setPage} sx={{ flexWrap: 'wrap', '& button': { minHeight: 40 } }} />
        </Box>
        {aside && <Said>What this browser kept of an earlier trace cannot be read; it is set aside here, and a new one begins.</Said>}
        {keeping !== 'kept' && <Said>What you tell is {KEEPING[keeping]}</Said>}
        {told.station.revision !== revision && told.evidence.length > 0 && (
          <Said>
            Told at revision {told.station.revision ?? 'unknown'} of “{told.station.name}”; it is thought over by revision {revision}, as it is saved now.
          </Said>
        )}
        {at === 'seen' && <Seen told={told} tell={tell} thought={thought} station={station} onGo={() => setPage('next')} />}
        {at === 'next' && (
          <NextCard
            key={`${shown?.id} ${told.evidence.length}`}
            card={shown}
            stage={stage}
            thought={thought}
            station={station}
            told={told}
            tell={(next) => {
              chosen.forget();
              tell(next);
            }}
            onTake={chosen.take}
          />
        )}
        {at === 'told' && <ToldList told={told} tell={tell} thought={thought} current={current} begin={begin} />}
        {at === 'end' && <EndBox thought={thought} told={told} tell={tell} mend={mend} />}
      </Box>
    </Box>
  );
}
