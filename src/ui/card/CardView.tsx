'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useMemo } from 'react';
import { restingSentence } from '@/core/dependence';
import { judge } from '@/core/levels';
import { doorCard, shaftScene } from '@/core/papers';
import { isDirty } from '../editor/editorStore';
import { useEditor, useStationSystem } from '../editor/StationProvider';
import { useResting } from '../editor/useResting';
import { day } from '../parts/when';
import { DoorCardPaper } from './DoorCardPaper';
import { CARD_SHAFT } from './cardShaft';
import { Notice } from '../parts/Notice';

/** The door card of the saved revision: to look at, to print, as PDF. @param today ISO time of the day it is printed */
export function CardView({ today }: { today: string }) {
  const id = useEditor((s) => s.id);
  const { station, revision } = useEditor((s) => s.saved);
  const dirty = useEditor(isDirty);
  const system = useStationSystem();
  const { resting, known } = useResting(station);
  const rests = restingSentence(resting);
  const { card, scene } = useMemo(() => {
    const judgement = judge(station);
    const { lead } = judgement.context;
    return {
      card: doorCard(judgement, revision, day(today), system, rests),
      scene: shaftScene(judgement.context, { ...CARD_SHAFT, detail: 'full', system, level: lead }),
    };
  }, [station, revision, system, today, rests]);
  return (
    <Box sx={{ height: '100%', overflow: 'auto', p: 2, '@media print': { p: 0, overflow: 'visible', height: 'auto' } }}>
      <Box
        className="no-print"
        sx={{ display: 'flex', gap: 1.5, justifyContent: 'center', alignItems: 'center', mb: 2, flexWrap: 'wrap' }}
      >
        <Button variant="contained" disabled={!known} onClick={() => window.print()}>
          print the card
        </Button>
        <Button variant="outlined" href={`/api/stations/${id}/card?units=${system}`}>
          PDF
        </Button>
        <Button variant="outlined" href={`/api/stations/${id}/readings?units=${system}`}>
          expected readings
        </Button>
        <Button href={`/api/stations/${id}/file`}>station file</Button>
        {dirty && (
          <Notice severity="info">
            The card shows the saved revision {revision}; what is not yet saved is not on it.
          </Notice>
        )}
      </Box>
      <DoorCardPaper card={card} scene={scene} />
    </Box>
  );
}
