'use client';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useEffect, useMemo, useRef, useState, type ReactNode } from 'react';
import { LATELY, type Card, type Lately, type Looks, type Past, type Thought, type Told } from '@/core/trace';
import type { Station } from '@/core/station';
import { surveyFigures, unconfirmed } from '@/core/surveyed';
import { isDirty } from '../editor/editorStore';
import { useEditor } from '../editor/StationProvider';
import { KEEPING, type Keeping } from '../parts/browserKeep';
import { Caution } from '../parts/Caution';
import { Segments, WRAPPED } from '../parts/Segments';
import { StationShaft } from '../shaft/StationShaft';
import { EndBox } from './EndBox';
import { FloodLine } from './FloodLine';
import { NextCard } from './NextCard';
import { OftenList } from './OftenList';
import { Seen } from './Seen';
import { Suspects } from './Suspects';
import { ToldList } from './ToldList';
import { useTold } from './useTold';
import { useTracing } from './useTracing';

type Page = 'seen' | 'next' | 'told' | 'often' | 'end';
const PAGES: readonly (readonly [Page, string])[] = [
  ['seen', 'what is seen'],
  ['next', 'next test'],
  ['told', 'what was told'],
  ['often', 'how often'],
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
    take: (id: string) => void (told && ask(told, id).then((card) => void (card && setChosen({ of: told, card })))),
    forget: () => setChosen(null),
  };
}

/** What can catch somebody now, before anything else is read. */
function Traps({ thought }: { thought: Thought | null }) {
  if (!thought || thought.traps.length === 0) return null;
  return (
    <Box
      aria-label="traps"
      component="section"
      sx={{ p: { xs: 2, md: 2.5 }, pb: 0, display: 'flex', flexDirection: 'column', gap: 1 }}
    >
      {thought.traps.map((t) => (
        <Caution key={t.id}>{t.says}</Caution>
      ))}
    </Box>
  );
}

/** What is to be known of what was told: not kept, set aside, of another revision. */
function AboutTold({
  assumed,
  told,
  revision,
  keeping,
  aside,
}: {
  assumed: readonly [unconfirmed: number, figures: number];
  told: Told;
  revision: number;
  keeping: Keeping;
  aside: boolean;
}) {
  return (
    <>
      {aside && (
        <Said>
          What this browser kept of an earlier trace cannot be read; it is set aside here, and a new one begins.
        </Said>
      )}
      {assumed[0] > 0 && (
        <Said>
          {assumed[0] === assumed[1] ? 'Every' : `${assumed[0]} of the ${assumed[1]}`} figure
          {assumed[0] === assumed[1] ? '' : 's'} taken on site {assumed[0] === assumed[1] ? 'is' : 'are'} assumed, not
          measured: what suspects would show rests on them.
        </Said>
      )}
      {keeping !== 'kept' && <Said>What you tell is {KEEPING[keeping]}</Said>}
      {told.station.revision !== revision && told.evidence.length > 0 && (
        <Said>
          Told at revision {told.station.revision ?? 'unknown'} of “{told.station.name}”; it is thought over by revision{' '}
          {revision}, as it is saved now.
        </Said>
      )}
    </>
  );
}

/** Shows where the drawing answers, and brings the head of a new card into view. */
function useShown(card: Card | null, page: Page | null) {
  const point = useEditor((s) => s.point);
  const pane = useRef<HTMLElement>(null);
  const about = card?.about;
  const id = card?.id;
  useEffect(() => {
    point(about ?? []);
    return () => point([]);
  }, [about, point]);
  useEffect(() => {
    pane.current?.scrollTo({ top: 0 });
    if (page === 'next') pane.current?.scrollIntoView({ block: 'start' });
  }, [id, page]);
  return pane;
}

/** The water of the drawing stands where it is told to stand. */
function useWaterTold({ settings }: Looks, told: Told | null) {
  const setLevel = useEditor((s) => s.setLevel);
  const level = settings.find((s) => s.setting === told?.setting)?.level ?? null;
  useEffect(() => {
    if (level !== null) setLevel(level);
  }, [level, setLevel]);
}

/** Fault finding at one station: what is seen, who is suspected, the next test, and the end. */
export function TraceView({ station, revision, past }: { station: Station; revision: number; past: Past }) {
  const id = useEditor((s) => s.id);
  const { name, site } = station.identity;
  const of = useMemo(() => ({ name, site, revision }), [name, site, revision]);
  const { told, tell, keeping, aside, resumed, begin } = useTold(id, of);
  const [page, setPage] = useState<Page | null>(null);
  const lately = told?.lately.join(' ') ?? null;
  const [rates, setRates] = useState(past.rates);
  const whole = useMemo(
    (): Past | null =>
      lately === null ? null : { ...past, rates, lately: lately.split(' ').filter((l): l is Lately => l in LATELY) },
    [past, lately, rates],
  );
  const { stage, looks, thought, current, card, mend, often } = useTracing(id, station, whole, told);
  useWaterTold(looks, told);
  const chosen = useChosen(told, card);
  const shown = chosen.card ?? thought?.next ?? null;
  const assumed = useMemo(() => [unconfirmed(station).length, surveyFigures(station).length] as const, [station]);
  const dirty = useEditor(isDirty);
  const pane = useShown(shown, page);
  if (!told) return null;
  const at = page ?? (resumed ? 'next' : 'seen');
  const parts: Readonly<Record<Page, () => ReactNode>> = {
    seen: () => <Seen told={told} tell={tell} looks={looks} station={station} onGo={() => setPage('next')} />,
    next: () => (
      <NextCard
        key={`${shown?.id} ${told.evidence.length}`}
        card={shown}
        stage={stage}
        thought={thought}
        station={station}
        told={told}
        tell={(next) => (chosen.forget(), tell(next))}
        onTake={chosen.take}
      />
    ),
    told: () => <ToldList told={told} tell={tell} thought={thought} current={current} begin={begin} />,
    often: () => <OftenList ask={often} onKept={setRates} />,
    end: () => <EndBox thought={thought} told={told} tell={tell} mend={mend} />,
  };
  return (
    <Box sx={COLUMNS}>
      <Box sx={{ display: { xs: 'none', md: 'block' }, minHeight: 0, borderRight: 1, borderColor: 'divider' }}>
        <StationShaft beside guess={{ width: 300, height: 660 }} />
      </Box>
      <Box sx={SIDE}>
        <Suspects thought={thought} stage={stage} current={current} onEnd={() => setPage('end')} />
      </Box>
      <Box component="section" ref={pane} aria-label="trace" sx={MAIN}>
        <Traps thought={thought} />
        {thought?.flood && <FloodLine flood={thought.flood} />}
        <Box sx={{ px: { xs: 2, md: 2.5 }, pt: 2 }}>
          <Segments label="part of the trace" value={at} choices={PAGES} onPick={setPage} sx={WRAPPED} />
        </Box>
        {dirty && <Said>What is not saved yet is not thought of: revision {revision} is traced, as it was saved.</Said>}
        <AboutTold assumed={assumed} told={told} revision={revision} keeping={keeping} aside={aside !== null} />
        {parts[at]()}
      </Box>
    </Box>
  );
}

const COLUMNS = {
  display: 'grid',
  gridTemplateColumns: { xs: '1fr', md: '300px 330px minmax(0, 1fr)' },
  height: { md: '100%' },
} as const;
const SIDE = {
  minHeight: 0,
  overflow: 'auto',
  borderRight: { md: 1 },
  borderColor: { md: 'divider' },
  order: { xs: 2, md: 1 },
  pb: 2,
} as const;
const MAIN = { minHeight: 0, overflow: 'auto', order: { xs: 1, md: 2 }, pb: 3, scrollMarginTop: 110 } as const;
