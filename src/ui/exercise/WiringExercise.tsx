'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import type { Remote } from 'comlink';
import { useCallback, useState } from 'react';
import { STRIPS, type Question, type StripKind } from '@/core/drill';
import type { Station } from '@/core/station';
import { DEFERENCE } from '@/core/wiring';
import type { ExerciseApi } from '@/workers/exercise';
import { StationProvider } from '../editor/StationProvider';
import { Landed } from '../panel/Landed';
import { Lists } from '../panel/Lists';
import { PanelProvider } from '../panel/PanelProvider';
import { Strip } from '../panel/Strip';
import { useLanded } from '../panel/useLanded';
import { TickBox } from '../parts/TickBox';
import { useExercise } from './useExercise';

const Words = ({ children }: { children: string }) => (
  <Typography role="status" variant="body1" component="p" sx={{ m: 0 }}>
    {children}
  </Typography>
);

/** What would it do? Asked before it is shown. */
function Ask({ question, onDone }: { question: Question; onDone(): void }) {
  const [ticked, setTicked] = useState<ReadonlySet<number>>(new Set());
  const [told, setTold] = useState(false);
  const { choices } = question;
  const right = choices.filter((c, i) => c.is === ticked.has(i)).length;
  return (
    <Box component="section" aria-label="what would it do" sx={{ display: 'flex', flexDirection: 'column', gap: 1 }}>
      <Typography variant="h2">Look at the strip and the list. What would this landing do?</Typography>
      {choices.map((c, i) => (
        <Box key={c.says} sx={{ display: 'flex', gap: 1, alignItems: 'center' }}>
          <TickBox
            label={c.says}
            checked={ticked.has(i)}
            onChange={(on) => told || setTicked(new Set(on ? [...ticked, i] : [...ticked].filter((x) => x !== i)))}
          />
          {told && (
            <Box component="b" sx={{ whiteSpace: 'nowrap' }}>
              {c.is ? 'it does' : 'not this one'}
            </Box>
          )}
        </Box>
      ))}
      {told ? (
        <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center', flexWrap: 'wrap' }}>
          <Words>{`${right} of ${choices.length} right, as the circuit says.`}</Words>
          <Button variant="contained" onClick={onDone} sx={{ minHeight: 44 }}>
            land it right
          </Button>
        </Box>
      ) : (
        <Box>
          <Button variant="contained" onClick={() => setTold(true)} sx={{ minHeight: 44 }}>
            ask the circuit
          </Button>
        </Box>
      )}
    </Box>
  );
}

/** The circuit’s judgement of the strip as it stands. */
function Judgement({ asked, onAsk }: { asked: boolean; onAsk(): void }) {
  const report = useLanded();
  const right = report !== null && report.differences.length + report.strays.length === 0;
  return (
    <Box component="section" aria-label="the circuit judges" sx={{ display: 'flex', flexDirection: 'column', gap: 1 }}>
      <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center', flexWrap: 'wrap' }}>
        <Button variant="contained" onClick={onAsk} sx={{ minHeight: 44 }}>
          let the circuit judge
        </Button>
        {asked && (
          <Words>
            {report === null
              ? 'Every float and every hand is tried…'
              : right
                ? 'Every core and link is where the design has it.'
                : `${report.differences.length} not as designed.`}
          </Words>
        )}
      </Box>
      {asked && report && !right && <Landed report={report} />}
    </Box>
  );
}

function Bench({ kind, question }: { kind: StripKind; question: Question | null }) {
  const [answered, setAnswered] = useState(question === null);
  const [asked, setAsked] = useState(false);
  return (
    <PanelProvider>
      <Box sx={{ p: { xs: 2, md: 2.5 }, display: 'flex', flexDirection: 'column', gap: 2 }}>
        <Typography variant="h1" component="h2">
          Wiring: {STRIPS[kind]}
        </Typography>
        <Typography variant="label" component="p" sx={{ m: 0 }}>
          {DEFERENCE}
        </Typography>
        {!answered && question && <Ask question={question} onDone={() => setAnswered(true)} />}
        <Strip marks={asked} />
        {answered && <Judgement asked={asked} onAsk={() => setAsked(true)} />}
        <Lists first="cables" />
      </Box>
    </PanelProvider>
  );
}

interface Props {
  station: Station;
  kind: StripKind;
  seed: number;
  /** Under which number what is done is kept: that of no station. */
  id: number;
}

/** The strip is empty or wrong: what would it do, and land the cores from the list; the circuit judges. */
export function WiringExercise({ station, kind, seed, id }: Props) {
  const made = useExercise(
    useCallback((api: Remote<ExerciseApi>) => api.strip(station, kind, seed), [station, kind, seed]),
  );
  if (made.kind !== 'there')
    return (
      <Box sx={{ p: 2.5 }}>
        <Words>
          {made.kind === 'asking' ? 'The strip is being made…' : 'No panel of this station can be landed wrong so.'}
        </Words>
      </Box>
    );
  return (
    <StationProvider
      id={id}
      saved={{ revision: 1, savedAt: '1970-01-01T00:00:00.000Z', station: made.is.found }}
      rules={null}
    >
      <Bench kind={kind} question={made.is.question} />
    </StationProvider>
  );
}
