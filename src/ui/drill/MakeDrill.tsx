'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMemo, useState } from 'react';
import { DRILL_LEVELS, drillFile, type Drill } from '@/core/drill';
import { faultsOf } from '@/core/faults';
import { panelOf } from '@/core/schemes';
import { downloadJson, fileNameOf } from '../parts/download';
import { Pick } from '../parts/Pick';
import { TextBox } from '../parts/TextBox';
import { useWho } from '../people/useWho';
import { sendSet } from './sendResult';

/** What may be hidden at a station, by its parts. */
function useFaults({ station }: Drill) {
  return useMemo(() => {
    const made = panelOf(station);
    return made.ok ? faultsOf(station, made.panel) : [];
  }, [station]);
}

/** A drill for others: what is hidden chosen by whoever makes it, set to a class or handed on as a file. @param drill as it would begin */
export function MakeDrill({ drill }: { drill: Drill }) {
  const who = useWho();
  const faults = useFaults(drill);
  const [title, setTitle] = useState('');
  const [to, setTo] = useState('');
  const [chosen, setChosen] = useState<readonly string[]>(['', '']);
  const [said, setSaid] = useState<string | null>(null);
  const ids = chosen.slice(0, DRILL_LEVELS[drill.level].faults).filter((f) => f !== '');
  const parts = new Map(faults.map((f) => [f.id, f.part]));
  const made: Drill = {
    ...drill,
    title: title.trim() || drill.title,
    by: who.name.trim(),
    faults: ids.length > 0 ? ids : null,
  };
  const choices = faults.map((f) => [f.id, f.label] as const);
  return (
    <Box
      component="section"
      aria-label="a drill for others"
      sx={{ display: 'flex', flexDirection: 'column', gap: 1.25 }}
    >
      <Typography variant="h2">A drill for others</Typography>
      {Array.from({ length: DRILL_LEVELS[drill.level].faults }, (_, i) => (
        <Pick<string>
          key={i}
          label={i === 0 ? 'what is hidden' : 'and beside it'}
          value={chosen[i]!}
          empty="by the number of the drill"
          choices={choices}
          groupOf={(f) => parts.get(f)!}
          onPick={(f) => setChosen(chosen.map((c, k) => (k === i ? f : c)))}
        />
      ))}
      <Box sx={{ display: 'flex', gap: 1.5, flexWrap: 'wrap' }}>
        <TextBox label="title" value={title} onChange={(e) => setTitle(e.target.value)} sx={{ width: 260 }} />
        <TextBox label="class" value={to} onChange={(e) => setTo(e.target.value)} sx={{ width: 160 }} />
        {!who.signedIn && (
          <TextBox label="set by" value={who.name} onChange={(e) => who.say(e.target.value)} sx={{ width: 160 }} />
        )}
      </Box>
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap', alignItems: 'center' }}>
        <Button
          variant="outlined"
          disabled={to.trim() === '' || made.by === ''}
          onClick={() => void sendSet(made.by, to.trim(), made).then((told) => setSaid(told.says))}
          sx={{ minHeight: 44 }}
        >
          set it to the class
        </Button>
        <Button
          onClick={() => downloadJson(fileNameOf(made.title, `drill ${made.seed}`), drillFile(made))}
          sx={{ minHeight: 44 }}
        >
          export it
        </Button>
        {said !== null && (
          <Typography role="status" variant="body2">
            {said}
          </Typography>
        )}
      </Box>
      <Typography variant="label" component="p" sx={{ m: 0 }}>
        Whoever opens the file with a text editor can read what was chosen; a number hides it from them.
      </Typography>
    </Box>
  );
}
