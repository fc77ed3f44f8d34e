'use client';
import Box from '@mui/material/Box';
import { useCallback, type ReactNode } from 'react';
import type { Closer, Rehearsable } from '@/core/rehearsal';
import { useEditor, useStationSystem } from '../editor/StationProvider';
import { downloadJson, fileNameOf } from '../parts/download';
import { AtAGlance } from './AtAGlance';
import type { CursorStore } from './cursor';
import { useKeptRuns } from './keptRun';
import { PlayBar } from './PlayBar';
import { RunSheets, type RunSheet } from './RunSheets';
import { ScenarioFiles } from './ScenarioBar';
import { TimeAxis } from './TimeAxis';
import type { Ran } from './useRehearsal';
import { wholeSeconds, type ScenarioDesk } from './useScenario';
import type { ViewDesk } from './useView';

interface Props {
  ran: Ran;
  closer: Closer;
  cursor: CursorStore;
  desk: ScenarioDesk;
  looking: ViewDesk;
  faults: Rehearsable['faults'];
  /** The fault that is put in where a stretch is drawn. */
  fault: string | null;
  sheet: RunSheet;
  onSheet(sheet: RunSheet): void;
  typed: ReactNode;
}

/** A run: played, drawn over time, and told. */
export function RunShown({ ran, closer, cursor, desk, looking, faults, fault, sheet, onSheet, typed }: Props) {
  const id = useEditor((s) => s.id);
  const context = useEditor((s) => s.judged.context);
  const system = useStationSystem();
  const kept = useKeptRuns((s) => s.runs[id]);
  const { scenario, change, put } = desk;
  const { view, zoom, follow, whole } = looking;
  const go = useCallback(
    (time: number) => {
      cursor.setState({ at: time });
      follow(time);
    },
    [cursor, follow],
  );
  const events = sheet === 'events';
  return (
    <>
      <PlayBar cursor={cursor} length={ran.scenario.duration} view={view} onAt={go} onZoom={zoom} onWhole={whole}>
        <ScenarioFiles
          onFile={(f) => void desk.bring(f)}
          onTakeOut={() => downloadJson(fileNameOf(context.station.identity.name, scenario.name), scenario)}
        />
      </PlayBar>
      <Box
        sx={{
          height: { xs: 340, md: 'auto' },
          flex: { xs: 'none', md: events ? '1 1 56%' : '0 1 300px' },
          minHeight: events ? 260 : 240,
        }}
      >
        <TimeAxis
          context={context}
          trace={closer.trace}
          scenario={ran.scenario}
          system={system}
          view={view}
          kept={kept}
          cursor={cursor}
          onAt={go}
          onZoom={zoom}
          faultName={(f) => faults.find((x) => x.id === f)?.label ?? f}
          onPowerCuts={(cuts) => change({ powerCuts: cuts.map(wholeSeconds) })}
          onFaults={(list) => change({ faults: list.map(wholeSeconds) })}
          onFault={(from, to) => fault !== null && put(fault, from, to)}
        />
      </Box>
      {events && <AtAGlance station={ran.of} run={ran.run} />}
      <Box
        sx={{
          height: { xs: 520, md: 'auto' },
          flex: { xs: 'none', md: events ? '1 1 34%' : '1 1 55%' },
          minHeight: 160,
          display: 'flex',
          flexDirection: 'column',
          borderTop: 1,
          borderColor: 'divider',
        }}
      >
        <RunSheets
          ran={ran}
          closer={closer}
          cursor={cursor}
          sheet={sheet}
          onSheet={onSheet}
          onAt={go}
          onPut={put}
          typed={typed}
        />
      </Box>
    </>
  );
}
