'use client';
import Button from '@mui/material/Button';
import dynamic from 'next/dynamic';
import type { ReactNode } from 'react';
import { figures, type Closer } from '@/core/rehearsal';
import { vesselOf } from '@/core/vessel';
import { useEditor, useStationSystem } from '../editor/StationProvider';
import { downloadCsv } from '../parts/csv';
import { downloadJson, fileNameOf } from '../parts/download';
import { Sheets } from '../parts/Sheets';
import { timeOfDay } from '../parts/when';
import { cursorAt, type CursorStore } from './cursor';
import { useKeptRuns, type Kept } from './keptRun';
import type { Ran } from './useRehearsal';

// Sheets are fetched when they are opened.
const Events = dynamic(() => import('./Events').then((m) => m.Events), { ssr: false });
const Learnt = dynamic(() => import('./Learnt').then((m) => m.Learnt), { loading: () => null });
const PanelThen = dynamic(() => import('./PanelThen').then((m) => m.PanelThen), { loading: () => null });
const WhatIf = dynamic(() => import('./WhatIf').then((m) => m.WhatIf), { loading: () => null });
const ChanceSheet = dynamic(() => import('./ChanceSheet').then((m) => m.ChanceSheet), { loading: () => null });

export type RunSheet = 'events' | 'figures' | 'panel' | 'if' | 'chance' | 'scenario';
const SHEETS: readonly (readonly [RunSheet, string])[] = [
  ['events', 'what happened, and why'],
  ['figures', 'figures'],
  ['panel', 'panel then'],
  ['if', 'what if'],
  ['chance', 'chance'],
  ['scenario', 'scenario'],
];

/** A run as it is kept to lay another beside it: by its scenario and the time of day. */
const keptOf = ({ of, run, scenario }: Ran): Kept => {
  const { height } = vesselOf(of.vessel);
  return {
    name: `${scenario.name}, ${timeOfDay(new Date())}`,
    figures: figures(of, run),
    trace: run.trace,
    greatest: Array.from(run.trace.greatest, (v) => (Number.isFinite(v) ? height(v) : null)),
  };
};

/** What a run comes to, as files. */
function RunFiles({ ran, closer }: { ran: Ran; closer: Closer }) {
  const system = useStationSystem();
  const name = ran.of.identity.name;
  const results = () => import('./results');
  const saved = {
    'events CSV': async () =>
      downloadCsv(fileNameOf(name, 'events', 'csv'), (await results()).eventRows(closer, system)),
    'trace CSV': async () => downloadCsv(fileNameOf(name, 'trace', 'csv'), (await results()).traceRows(ran.of, closer)),
    'result JSON': async () =>
      downloadJson(fileNameOf(name, 'rehearsal'), (await results()).report(ran.of, ran.scenario, ran.run, system)),
  };
  return Object.entries(saved).map(([label, save]) => (
    <Button key={label} onClick={() => void save()}>
      {label}
    </Button>
  ));
}

interface Props {
  ran: Ran;
  /** What is seen of it. */
  closer: Closer;
  cursor: CursorStore;
  sheet: RunSheet;
  onSheet(sheet: RunSheet): void;
  onAt(time: number): void;
  onPut(fault: string, from: number, to: number | null): void;
  /** The scenario, typed. */
  typed: ReactNode;
}

/** What a run tells, sheet by sheet. */
export function RunSheets({ ran, closer, cursor, sheet, onSheet, onAt, onPut, typed }: Props) {
  const id = useEditor((s) => s.id);
  const kept = useKeptRuns((s) => s.runs[id]);
  const keep = useKeptRuns((s) => s.keep);
  const { of: station, scenario, run } = ran;
  const open = {
    events: () => <Events told={closer} onAt={onAt} />,
    figures: () => (
      <Learnt
        station={station}
        scenario={scenario}
        run={run}
        kept={kept}
        onKeep={(yes) => keep(id, yes ? keptOf(ran) : null)}
      />
    ),
    panel: () => <PanelThen station={station} cursor={cursor} />,
    if: () => (
      <WhatIf
        station={station}
        scenario={scenario}
        onPut={(f) => onPut(f, cursorAt(cursor, scenario.duration), null)}
      />
    ),
    chance: () => <ChanceSheet station={station} />,
    scenario: () => typed,
  };
  return (
    <Sheets<RunSheet>
      label="under the time axis"
      sheets={SHEETS}
      sheet={sheet}
      onSheet={onSheet}
      beside={<RunFiles ran={ran} closer={closer} />}
      sx={{ flex: 1 }}
    >
      {open[sheet]()}
    </Sheets>
  );
}
