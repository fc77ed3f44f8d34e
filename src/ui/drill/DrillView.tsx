'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useMemo, useState } from 'react';
import type { Station } from '@/core/station';
import { useEditor } from '../editor/StationProvider';
import { ExerciseView, type ExerciseKind } from '../exercise/ExerciseView';
import { differences } from '../parts/differences';
import { StationShaft } from '../shaft/StationShaft';
import { BeginDrill } from './BeginDrill';
import { BenchView } from './BenchView';
import { useKeptDrill } from './useKeptDrill';

/** Drill: a fault is hidden in this station’s model, and looked for. */
export function DrillView({ station }: { station: Station }) {
  const id = useEditor((s) => s.id);
  const at = String(id);
  const { drill, put, keeping, elsewhere } = useKeptDrill(at);
  const drawn = useMemo(() => !drill || differences(drill.station, station).length === 0, [drill, station]);
  const [exercise, setExercise] = useState<{ kind: ExerciseKind; seed: number } | null>(null);
  if (exercise)
    return (
      <Box component="section" aria-label="exercise" sx={{ height: { md: '100%' }, overflow: 'auto' }}>
        <Button onClick={() => setExercise(null)} sx={{ minHeight: 44 }}>
          back to Drill
        </Button>
        <ExerciseView station={station} of={id} {...exercise} />
      </Box>
    );
  return (
    <Box sx={COLUMNS}>
      <Box sx={{ display: { xs: 'none', md: 'block' }, minHeight: 0, borderRight: 1, borderColor: 'divider' }}>
        {drawn && <StationShaft beside guess={{ width: 300, height: 660 }} />}
      </Box>
      <Box component="section" aria-label="drill" sx={{ minHeight: 0, overflow: 'auto' }}>
        {drill ? (
          <BenchView
            key={`${drill.level} ${drill.seed} ${drill.faults?.join() ?? ''}`}
            {...{ drill, keeping, elsewhere, drawn, at }}
            set={null}
            onActs={(acts) => put({ ...drill, acts })}
            onEnd={() => put(null)}
          />
        ) : (
          <BeginDrill station={station} onBegin={put} onExercise={(kind, seed) => setExercise({ kind, seed })} />
        )}
      </Box>
    </Box>
  );
}

export const COLUMNS = {
  display: 'grid',
  gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: '300px minmax(0, 1fr)' },
  height: { md: '100%' },
} as const;
