'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import type { Remote } from 'comlink';
import { useCallback, useState } from 'react';
import type { LevelsScore } from '@/core/drill';
import type { Station } from '@/core/station';
import { quantity, say, type UnitSystem } from '@/core/units';
import type { ExerciseApi } from '@/workers/exercise';
import { StationProvider, useEditor, useStationSystem } from '../editor/StationProvider';
import { LevelsView } from '../levels/LevelsView';
import { useExercise } from './useExercise';

/** What the rules and the storm say of the levels as they were set. */
function scoreWords({ broken, storm }: LevelsScore, system: UnitSystem): string[] {
  return [
    broken.length === 0
      ? 'Every rule that floats can be set by holds.'
      : `Not kept: ${broken.map((b) => b.title).join('; ')}.`,
    storm === null
      ? 'It cannot be rehearsed.'
      : `${storm.name}: ${
          storm.over > 1e-4 ? `${say(quantity('volume', storm.over), system)} over the top` : 'nothing over the top'
        }, ${storm.dry > 0 ? `a pump in air for ${say(quantity('duration', storm.dry), system)}` : 'no pump in air'}, ${
          storm.alarm > 0 ? `alarm for ${say(quantity('duration', storm.alarm), system)}` : 'no alarm'
        }, ${storm.starts} starts.`,
  ];
}

function Score({ of }: { of: Station }) {
  const system = useStationSystem();
  const asked = useExercise(useCallback((api: Remote<ExerciseApi>) => api.score(of), [of]));
  return (
    <Box role="status" aria-label="how the levels stand">
      {(asked.kind === 'there'
        ? scoreWords(asked.is, system)
        : [asked.kind === 'asking' ? 'The storm runs…' : 'It could not be judged.']
      ).map((w) => (
        <Typography key={w} variant="body1" component="p" sx={{ m: 0 }}>
          {w}
        </Typography>
      ))}
    </Box>
  );
}

function Bench() {
  const [judged, setJudged] = useState<Station | null>(null);
  const station = useEditor((s) => s.judged.context.station);
  return (
    <Box sx={{ display: 'flex', flexDirection: 'column', height: { md: '100%' } }}>
      <Box sx={{ px: { xs: 2, md: 2.5 }, py: 1, display: 'flex', gap: 2, alignItems: 'center', flexWrap: 'wrap' }}>
        <Typography variant="h2">Set the floats until every rule holds; then let the storm run over it.</Typography>
        <Button variant="contained" onClick={() => setJudged(station)} sx={{ minHeight: 44 }}>
          let the storm run
        </Button>
        {judged && <Score of={judged} />}
      </Box>
      <Box sx={{ flex: 1, minHeight: 0 }}>
        <LevelsView unaided />
      </Box>
    </Box>
  );
}

interface Props {
  station: Station;
  seed: number;
  /** Under which number what is done is kept: that of no station. */
  id: number;
}

/** The floats hang where they should not: set them by tape and rules; then the storm. */
export function LevelsExercise({ station, seed, id }: Props) {
  const made = useExercise(useCallback((api: Remote<ExerciseApi>) => api.levels(station, seed), [station, seed]));
  if (made.kind !== 'there')
    return (
      <Box sx={{ p: 2.5 }}>
        <Typography role="status" variant="body1" component="p" sx={{ m: 0 }}>
          {made.kind === 'asking' ? 'The floats are being moved…' : 'No floats of this station can be hung wrong so.'}
        </Typography>
      </Box>
    );
  return (
    <StationProvider
      id={id}
      saved={{ revision: 1, savedAt: '1970-01-01T00:00:00.000Z', station: made.is }}
      rules={null}
    >
      <Bench />
    </StationProvider>
  );
}
