'use client';
import Box from '@mui/material/Box';
import dynamic from 'next/dynamic';
import { useEffect, useState } from 'react';
import type { Rehearsable } from '@/core/rehearsal';
import { useEditor } from '../editor/StationProvider';
import { Notice } from '../parts/Notice';
import { StationShaft } from '../shaft/StationShaft';
import { createCursor, cursorAt } from './cursor';
import type { RunSheet } from './RunSheets';
import { RunShown } from './RunShown';
import { RunState } from './RunState';
import { ScenarioBar } from './ScenarioBar';
import { useMoments } from './useMoment';
import { useRehearsable } from './useRehearsable';
import { useRehearsal } from './useRehearsal';
import { useShownRun } from './useShownRun';
import { useScenario } from './useScenario';
import { useView } from './useView';

const ScenarioSheet = dynamic(() => import('./ScenarioSheet').then((m) => m.ScenarioSheet), { loading: () => null });

/** Running the station through time before there is water. */
export function RehearseView({ revision, stored }: { revision: number; stored: Rehearsable }) {
  const station = useEditor((s) => s.judged.context.station);
  const setLevel = useEditor((s) => s.setLevel);
  const { scenarios, faults, controls, of } = useRehearsable(revision, stored);
  const desk = useScenario(scenarios);
  const { scenario, trouble } = desk;
  const [chosenFault, setFault] = useState<string | null>(null);
  const fault = faults.find((f) => f.id === chosenFault) ?? null;
  // Stays open while it runs again.
  const [sheet, setSheet] = useState<RunSheet>('events');
  const { rehearsed, start, stop } = useRehearsal();
  const [cursor] = useState(createCursor);
  const looking = useView(scenario.duration);
  useMoments(rehearsed, cursor);
  const shown = useShownRun(rehearsed, looking.view);

  // Run once when the view opens, and whenever scenario or station is another.
  useEffect(() => {
    if (of === station) start(station, scenario);
  }, [start, station, scenario, of]);
  useEffect(() => cursor.subscribe(({ moment }) => void (moment && setLevel(moment.level))), [cursor, setLevel]);

  const typed = (
    <ScenarioSheet scenario={scenario} faults={faults} controls={controls} cursor={cursor} onChange={desk.change} />
  );
  return (
    <Box
      sx={{
        display: 'grid',
        gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: '288px minmax(0, 1fr)' },
        height: { md: '100%' },
      }}
    >
      <Box
        sx={{ height: { xs: 240, md: 'auto' }, minHeight: 0, borderRight: { md: 1 }, borderColor: { md: 'divider' } }}
      >
        <StationShaft guess={{ width: 286, height: 660 }} beside />
      </Box>
      <Box sx={{ display: 'flex', flexDirection: 'column', minHeight: 0, minWidth: 0 }}>
        <ScenarioBar
          scenario={scenario}
          ready={desk.ready}
          faults={faults}
          fault={fault}
          cursor={cursor}
          onFault={setFault}
          onPut={(f) => desk.put(f, cursorAt(cursor, scenario.duration), null)}
          onChoose={(name) => {
            desk.choose(name);
            looking.whole();
          }}
          onChange={desk.change}
        />
        {trouble.length > 0 && <Notice severity="error">{trouble.join('; ')}. The scenario is left as it was.</Notice>}
        <RunState rehearsed={rehearsed} onRun={() => start(station, scenario)} onStop={stop} />
        {/* A fault or a hand that this panel has no part for is taken out here. */}
        {rehearsed.state === 'refused' && controls.length > 0 && typed}
        {shown && (
          <RunShown
            ran={shown.ran}
            closer={shown.closer}
            cursor={cursor}
            desk={desk}
            looking={looking}
            faults={faults}
            fault={fault?.id ?? null}
            sheet={sheet}
            onSheet={setSheet}
            typed={typed}
          />
        )}
      </Box>
    </Box>
  );
}
