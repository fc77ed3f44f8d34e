'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useMemo, useState } from 'react';
import type { Station } from '@/core/station';
import { useEditor } from '../editor/StationProvider';
import { ExerciseView, type ExerciseKind } from '../exercise/ExerciseView';
import { differences } from '../parts/differences';
import { BeginDrill } from './BeginDrill';
import { BenchView } from './BenchView';
import { Beside } from './Beside';
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
  if (!drill)
    return (
      <Beside label="drill" drawn>
        <BeginDrill station={station} onBegin={put} onExercise={(kind, seed) => setExercise({ kind, seed })} />
      </Beside>
    );
  return (
    <BenchView
      key={`${drill.level} ${drill.seed} ${drill.faults?.join() ?? ''}`}
      {...{ drill, keeping, elsewhere, drawn, at }}
      label="drill"
      set={null}
      onActs={(acts) => put({ ...drill, acts })}
      onEnd={() => put(null)}
    />
  );
}
