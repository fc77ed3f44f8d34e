'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import type { Theme } from '@mui/material/styles';
import useMediaQuery from '@mui/material/useMediaQuery';
import dynamic from 'next/dynamic';
import { useMemo, useRef, useState } from 'react';
import { sheetsOf, type LeafShape } from '@/core/papers';
import type { Outcome } from '@/core/schemes';
import { sayPhrase } from '@/core/units';
import { cautions, DEFERENCE, happens } from '@/core/wiring';
import { useStationSystem } from '../editor/StationProvider';
import { downloadText, fileNameOf } from '../parts/download';
import { StationShaft } from '../shaft/StationShaft';
import { PanelProvider, usePanel, usePanelStore } from './PanelProvider';
import { Hands } from './Hands';
import { nextPosition } from './panelStore';
import { LadderWithWhy } from './LadderWithWhy';
import { LandedLine } from './LandedLine';
import { useLanded } from './useLanded';
import { Notice } from '../parts/Notice';
import { Sheets } from '../parts/Sheets';
import { Segments } from '../parts/Segments';

const Waiting = () => <Box sx={{ p: 1.5, fontSize: 13 }}>drawing the sheet…</Box>;

// Sheets that are not seen at once are fetched when they are opened.
const Checks = dynamic(() => import('./Checks').then((m) => m.Checks), { loading: Waiting });
const Lists = dynamic(() => import('./Lists').then((m) => m.Lists), { loading: Waiting });
const Readings = dynamic(() => import('./Readings').then((m) => m.Readings), { loading: Waiting });
const SchemeSheet = dynamic(() => import('./SchemeSheet').then((m) => m.SchemeSheet), { loading: Waiting });
const Landed = dynamic(() => import('./Landed').then((m) => m.Landed), {
  // Whoever goes there before it has come lands where it will stand.
  loading: () => <Box sx={{ minHeight: 400 }} />,
});
// Terminals are there, and the meter in hand, a moment after the drawing.
const Strip = dynamic(() => import('./Strip').then((m) => m.Strip), {
  ssr: false,
  loading: () => <Box sx={{ px: 1, fontSize: 13 }}>drawing the terminals…</Box>,
});
const PhoneMeter = dynamic(() => import('./PhoneMeter').then((m) => m.PhoneMeter), { ssr: false });
const MeterBox = dynamic(() => import('./MeterBox').then((m) => m.MeterBox), { ssr: false });

type Sheet = 'drawing' | 'scheme' | 'checks' | 'lists' | 'readings';
const SHEETS: readonly (readonly [Sheet, string])[] = [
  ['drawing', 'drawing'],
  ['scheme', 'scheme'],
  ['checks', 'checks'],
  ['lists', 'lists'],
  ['readings', 'expected readings'],
];

/** What the panel does now, in words. */
function Outcomes({ outcomes }: { outcomes: readonly Outcome[] }) {
  const settled = usePanel((s) => s.live!.settled);
  return (
    <Box
      component="ul"
      aria-label="what it does now"
      aria-live="polite"
      sx={{
        display: 'flex',
        flexWrap: 'wrap',
        columnGap: 2,
        m: 0,
        p: 0,
        listStyle: 'none',
        flex: { xs: '1 1 100%', md: 1 },
      }}
    >
      {outcomes.map((o) => {
        const is = happens(settled, o);
        return (
          <Box component="li" key={o.id} sx={{ fontWeight: is ? 700 : 400, fontSize: 13 }}>
            {is ? '● ' : '○ '}
            {is ? o.label : o.not}
          </Box>
        );
      })}
    </Box>
  );
}

const LOWER = {
  flex: { md: '1 1 35%' },
  minHeight: 0,
  overflow: 'auto',
  borderTop: 1,
  borderColor: 'divider',
} as const;

/** Ladder above, terminals below. */
function DrawingSheet() {
  // What changes with every touch is asked for further down: here only what a document changes.
  const panel = usePanel((s) => s.live!.panel);
  const station = usePanel((s) => s.live!.station);
  const store = usePanelStore();
  const sheets = useMemo(() => sheetsOf(panel), [panel]);
  const report = useLanded();
  const differs = report ? report.differences.length + report.strays.length : 0;
  const told = useRef<HTMLDivElement>(null);
  const [at, setAt] = useState<string | null>(null);
  const [asked, setAsked] = useState<string | null>(null);
  const sheet =
    sheets.find((s) => s.id === at) ??
    sheets.find((s) => s.id === 'all') ??
    sheets.find((s) => s.id === 'control') ??
    sheets[0]!;
  const hands = useMemo(
    () => ({
      act(leaf: LeafShape) {
        const { live: now, hand, turn } = store.getState();
        const d = now?.panel.devices.find((x) => x.tag === leaf.tag);
        if (!now || !d) return;
        if (d.sensor !== undefined) return hand(d.sensor);
        if (d.positions.length > 0 && !leaf.load) return turn(leaf.tag);
        // A relay’s contact asks about its coil; a load asks about itself.
        const coil = d.elements.coil && !leaf.load ? `${leaf.tag}.coil` : leaf.id;
        setAsked((was) => (was === coil ? null : coil));
      },
      press(leaf: LeafShape, down: boolean) {
        const { live: now, put } = store.getState();
        const d = now?.panel.devices.find((x) => x.tag === leaf.tag);
        if (d) put(leaf.tag, down ? nextPosition(d, d.initial) : d.initial);
      },
    }),
    [store],
  );
  const write = async () => {
    const { ladderScene, ladderSvg } = await import('./drawLadder');
    const { wired, energised } = store.getState().live!;
    downloadText(
      fileNameOf(station.identity.name, `ladder ${sheet.title}`, 'svg'),
      'image/svg+xml',
      ladderSvg(
        ladderScene(panel, sheet.rungs, 1100, wired.landed),
        energised,
        `${station.identity.name}: ${sheet.title}`,
      ),
    );
  };
  return (
    <Box sx={{ display: 'flex', flexDirection: 'column', height: { md: '100%' }, minHeight: 0 }}>
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'center', px: 1, pt: 0.5, flexWrap: 'wrap' }}>
        <Segments
          label="sheet of the ladder"
          value={sheet.id}
          choices={sheets.map((s) => [s.id, s.title] as const)}
          onPick={setAt}
        />
        <Outcomes outcomes={panel.outcomes} />
        <Button onClick={() => void write()}>SVG</Button>
      </Box>
      <LadderWithWhy panel={panel} sheet={sheet} asked={asked} hands={hands} />
      <LandedLine report={report} onGo={() => told.current?.scrollIntoView({ block: 'start' })} />
      <Box sx={LOWER}>
        <Hands />
        <Strip />
        <Box ref={told} sx={{ scrollMarginTop: { xs: 50, md: 0 } }}>
          {report && differs + report.effects.length > 0 && <Landed report={report} />}
        </Box>
      </Box>
    </Box>
  );
}

function SheetOf({ sheet }: { sheet: Sheet }) {
  switch (sheet) {
    case 'drawing':
      return <DrawingSheet />;
    case 'scheme':
      return <SchemeSheet />;
    case 'checks':
      return <Checks />;
    case 'lists':
      return <Lists />;
    case 'readings':
      return <Readings />;
  }
}

function Cautions() {
  const station = usePanel((s) => s.live!.station);
  const panel = usePanel((s) => s.live!.panel);
  const [first, ...more] = cautions(station, panel);
  return (
    <Box
      component="details"
      sx={{
        px: 1.5,
        py: 0.25,
        borderBottom: 1,
        borderColor: 'divider',
        fontSize: 12.5,
        '& summary': { cursor: 'pointer' },
        '@media print': { display: 'none' },
      }}
    >
      <summary>
        <b>{first!.sentence}</b> {more.length > 0 && `and ${more.length} more`}
      </summary>
      <Box component="ul" sx={{ m: 0, pl: 2.5 }}>
        {more.map((c) => (
          <li key={c.sentence}>{c.sentence}</li>
        ))}
        <li>{DEFERENCE}</li>
      </Box>
    </Box>
  );
}

/** The pit beside the drawing; on a phone it is pulled down over it when it is wanted. */
function Pit({ wide }: { wide: boolean }) {
  const [open, setOpen] = useState(false);
  const held = usePanel((s) => s.held);
  const hand = usePanel((s) => s.hand);
  const byHand = useMemo(() => ({ held, onHand: hand }), [held, hand]);
  return (
    <>
      {!wide && (
        <Button
          aria-expanded={open}
          onClick={() => setOpen(!open)}
          sx={{ borderBottom: 1, borderColor: 'divider', borderRadius: 0 }}
        >
          {open ? 'the pit away ▴' : 'the pit: water and floats ▾'}
        </Button>
      )}
      {(wide || open) && (
        <Box sx={{ flex: 1, minHeight: 0, height: { xs: 380, md: 'auto' } }}>
          <StationShaft byHand={byHand} guess={{ width: 286, height: 400 }} />
        </Box>
      )}
    </>
  );
}

function Panel() {
  const live = usePanel((s) => s.live !== null);
  const title = usePanel((s) => s.live?.scheme.title);
  const reasons = usePanel((s) => s.reasons);
  const system = useStationSystem();
  const [chosen, setSheet] = useState<Sheet>('drawing');
  const sheet = live ? chosen : 'scheme';
  const wide = useMediaQuery<Theme>((theme) => theme.breakpoints.up('md'));
  return (
    <Box
      sx={{
        display: 'grid',
        gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: '288px minmax(0, 1fr)' },
        height: { md: '100%' },
        '@media print': { display: 'block', height: 'auto' },
      }}
    >
      <Box
        sx={{
          display: 'flex',
          flexDirection: 'column',
          minHeight: 0,
          borderRight: { md: 1 },
          borderColor: { md: 'divider' },
          '@media print': { display: 'none' },
        }}
      >
        <Pit wide={wide} />
        {wide && <MeterBox />}
      </Box>
      <Box sx={{ display: 'flex', flexDirection: 'column', minHeight: 0, minWidth: 0 }}>
        {reasons.length > 0 && (
          <Notice severity="error">
            The scheme does not fit this station: {reasons.map((r) => sayPhrase(r, system)).join('; ')}. Take another,
            or change what stands against it. Nothing that was landed is lost.
          </Notice>
        )}
        {live && <Cautions />}
        <Sheets<Sheet>
          label="panel"
          sheets={SHEETS}
          sheet={sheet}
          onSheet={setSheet}
          closed={(id) => !live && id !== 'scheme'}
          beside={
            <Typography variant="label" sx={{ px: 1.5, display: { xs: 'none', sm: 'block' } }}>
              {title}
            </Typography>
          }
          barSx={{ '@media print': { display: 'none' } }}
          sx={{ flex: { md: 1 }, overflow: { xs: 'visible', md: 'auto' } }}
        >
          <SheetOf sheet={sheet} />
        </Sheets>
      </Box>
      {!wide && (
        <Box
          sx={{
            position: 'sticky',
            bottom: 0,
            bgcolor: 'background.default',
            borderTop: 2,
            borderColor: 'text.primary',
            zIndex: 2,
            '@media print': { display: 'none' },
          }}
        >
          <PhoneMeter />
        </Box>
      )}
    </Box>
  );
}

/** From the levels to the copper: the panel drawn, listed and solved, with a meter on it. */
export function PanelView() {
  return (
    <PanelProvider>
      <Panel />
    </PanelProvider>
  );
}
