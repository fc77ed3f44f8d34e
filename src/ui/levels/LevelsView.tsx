'use client';
import Box from '@mui/material/Box';
import Link from 'next/link';
import dynamic from 'next/dynamic';
import { memo, useState } from 'react';
import { traitsOf } from '@/core/duties';
import { doseFigures, timedDay, type Judgement } from '@/core/levels';
import { quantity, type Quantity, type UnitSystem } from '@/core/units';
import { useEditor, useStationSystem } from '../editor/StationProvider';
import { Reading } from '../parts/Reading';
import { Sheets } from '../parts/Sheets';
import { MovableShaft } from '../shaft/MovableShaft';
import { RuleBars } from './RuleBars';
import { TapePaper } from './TapePaper';
import { useQuiet } from '../parts/useQuiet';
import { Notice } from '../parts/Notice';
import { useJudgement } from './useJudgement';
import { WarmDrag } from './WarmDrag';
import { useUnsent } from '../unsent/unsent';

const SawtoothChart = dynamic(() => import('./SawtoothChart').then((m) => m.SawtoothChart), {
  ssr: false,
  loading: () => <Box sx={{ p: 1.5 }}>drawing the cycle…</Box>,
});

interface Figure {
  readonly label: string;
  readonly value: Quantity | null;
}

/** The four figures that a station of this duty is read by. */
function figuresOf({ worst, cycles, reserve, context }: Judgement): Figure[] {
  const { timer, words } = traitsOf(context.station);
  const { design } = cycles;
  const alarm: Figure = { label: 'alarm to overflow', value: reserve ? quantity('duration', reserve.design) : null };
  const delivers: Figure = {
    label: 'operating point at start',
    value: context.atLead.ok ? quantity('flow', context.atLead.flow) : null,
  };
  if (timer) {
    const dosed = doseFigures(context);
    const day = dosed.ok ? timedDay(timer.on, timer.off, dosed.volume) : null;
    return [
      delivers,
      { label: 'one dose', value: dosed.ok ? quantity('volume', dosed.volume) : null },
      { label: 'doses a day', value: day ? quantity('count', day.dosesPerDay) : null },
      alarm,
    ];
  }
  return [
    delivers,
    {
      label: `starts, worst ${words.inflow}`,
      value: worst.ok ? quantity('rate', worst.startsPerHour) : null,
    },
    {
      label: `${words.run}, design ${words.inflow}`,
      value: design.ok && design.keepsUp ? quantity('time', design.run) : null,
    },
    alarm,
  ];
}

/** They follow every mark of a drag. */
function Figures() {
  const judgement = useJudgement();
  const system = useStationSystem();
  return (
    <Box
      sx={{
        display: 'grid',
        gridTemplateColumns: { xs: 'repeat(2, minmax(0, 1fr))', sm: 'repeat(auto-fit, minmax(112px, 1fr))' },
        gap: 1.5,
        px: 1.5,
        py: 1,
        borderBottom: 1,
        borderColor: 'divider',
      }}
    >
      {figuresOf(judgement).map(({ label, value }) => (
        <Reading key={label} big label={label} value={value} system={system} />
      ))}
    </Box>
  );
}

// Sheets that are not seen at once are fetched when they are opened.
const TapeList = dynamic(() => import('./TapeList').then((m) => m.TapeList), { loading: () => null });
const WaterList = dynamic(() => import('./WaterList').then((m) => m.WaterList), { loading: () => null });
const PlanView = dynamic(() => import('./PlanView').then((m) => m.PlanView), { loading: () => null });
const Proposals = dynamic(() => import('./Proposals').then((m) => m.Proposals), { loading: () => null });
const Cycles = dynamic(() => import('./Cycles').then((m) => m.Cycles), { loading: () => null });
const Doses = dynamic(() => import('./Doses').then((m) => m.Doses), { loading: () => null });

type Sheet = 'cycle' | 'tape' | 'water' | 'plan' | 'set';
const SHEETS: readonly (readonly [Sheet, string])[] = [
  ['cycle', 'cycle'],
  ['tape', 'tape list'],
  ['water', 'water to each trip'],
  ['plan', 'plan view'],
  ['set', 'set levels for me'],
];

/** What lies under the rules: while a float is dragged the shaft and the rules follow at once, this when the hand pauses. */
function CalmSheet({ sheet }: { sheet: Sheet }) {
  const judgement = useQuiet(useJudgement(), 250);
  const system = useStationSystem();
  return <SheetOf sheet={sheet} judgement={judgement} system={system} />;
}

const SheetOf = memo(function SheetOf({
  sheet,
  judgement,
  system,
}: {
  sheet: Sheet;
  judgement: Judgement;
  system: UnitSystem;
}) {
  switch (sheet) {
    case 'cycle':
      if (traitsOf(judgement.context.station).timer) return <Doses judgement={judgement} system={system} />;
      return (
        <>
          <Box sx={{ height: 150 }}>
            <SawtoothChart judgement={judgement} system={system} />
          </Box>
          <Cycles judgement={judgement} system={system} />
        </>
      );
    case 'tape':
      return <TapeList judgement={judgement} system={system} />;
    case 'water':
      return <WaterList judgement={judgement} system={system} />;
    case 'plan':
      return <PlanView judgement={judgement} system={system} />;
    case 'set':
      return <Proposals system={system} />;
  }
});

/** Setting the levels: floats dragged in the shaft, every rule with its slack beside it, the cycle beneath. @param unaided nothing is proposed */
export function LevelsView({ unaided = false }: { unaided?: boolean }) {
  const id = useEditor((s) => s.id);
  const unsent = useUnsent();
  const problems = useEditor((s) => s.judged.problems);
  const [sheet, setSheet] = useState<Sheet>('cycle');
  return (
    <>
      <Box
        className="no-print"
        sx={{
          display: 'grid',
          gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: 'minmax(0, 1fr) minmax(0, 1.05fr)' },
          height: { md: '100%' },
        }}
      >
        <Box
          sx={{
            height: { xs: 460, md: '100%' },
            minHeight: 0,
            borderRight: { md: 1 },
            borderColor: { md: 'divider' },
          }}
        >
          <MovableShaft guess={{ width: 600, height: 660 }} />
        </Box>
        <Box sx={{ display: 'flex', flexDirection: 'column', minHeight: 0, minWidth: 0 }}>
          {problems.length > 0 && (
            <Notice severity="error">
              The figures are those of the last sound document: {problems[0]!.message}.{' '}
              {unsent === null ? (
                <Link href={`/stations/${id}/survey`}>Correct it in Survey</Link>
              ) : (
                'Correct it in Survey.'
              )}
            </Notice>
          )}
          <Figures />
          <Box sx={{ flex: '1 1 55%', minHeight: 0, overflow: 'auto', opacity: problems.length > 0 ? 0.55 : 1 }}>
            <RuleBars />
          </Box>
          <Sheets<Sheet>
            label="figures"
            sheets={unaided ? SHEETS.filter(([s]) => s !== 'set') : SHEETS}
            sheet={sheet}
            onSheet={setSheet}
            barSx={{ borderTop: 1 }}
            sx={{ flex: '1 1 45%' }}
          >
            <CalmSheet sheet={sheet} />
          </Sheets>
        </Box>
      </Box>
      <TapePaper />
      <WarmDrag />
    </>
  );
}
