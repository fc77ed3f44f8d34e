'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import Link from 'next/link';
import { useEditor } from '../editor/StationProvider';
import { TextBox } from '../parts/TextBox';
import { clock } from '../parts/when';
import type { RunProps } from './run';
import type { StepState } from './StepList';

const COLOUR: Readonly<Record<StepState, string>> = {
  open: 'transparent',
  pass: 'success.main',
  fail: 'error.main',
  outside: 'warning.main',
  'not done': 'text.disabled',
};

/** How many steps are open, and what the others came to where they did not pass: in words, for colours alone tell nobody. */
function progressWords(states: readonly StepState[]): string {
  const count = (state: StepState) => states.filter((s) => s === state).length;
  const open = count('open');
  const left = (
    [
      ['fail', 'failed'],
      ['outside', 'outside'],
      ['not done', 'not done'],
    ] as const
  ).flatMap(([state, word]) => (count(state) > 0 ? [`${count(state)} ${word}`] : []));
  return [open === 0 ? 'every step entered' : `${open} of ${states.length} steps open`, ...left].join(', ');
}

/** Where one is and what is left, at a glance: a piece for each step, and the number of those that are open. */
function Progress({
  states,
  current,
  onPick,
}: {
  states: readonly StepState[];
  current: number;
  onPick(i: number): void;
}) {
  const words = progressWords(states);
  return (
    <Box sx={{ flex: 1, minWidth: 0 }}>
      <Box
        role="img"
        aria-label={words}
        sx={{ display: 'flex', gap: '1px', height: 12 }}
        onClick={(e) => {
          const box = e.currentTarget.getBoundingClientRect();
          onPick(Math.min(states.length - 1, Math.floor(((e.clientX - box.left) / box.width) * states.length)));
        }}
      >
        {states.map((s, i) => (
          <Box
            key={i}
            sx={{
              flex: 1,
              border: 1,
              borderColor: i === current ? 'text.primary' : 'divider',
              borderWidth: i === current ? 2 : 1,
              bgcolor: COLOUR[s],
            }}
          />
        ))}
      </Box>
      <Typography variant="label" component="p" sx={{ m: 0 }}>
        {words}
      </Typography>
    </Box>
  );
}

/** Whose run it is, of which job and revision, how much of it is open, and who works now. */
export function RunHead({
  run,
  title,
  states,
  current,
  who,
  sealed,
  onWho,
  onPick,
  onList,
}: {
  run: RunProps;
  title: string;
  states: readonly StepState[];
  current: number;
  who: string;
  sealed: boolean;
  onWho(name: string): void;
  onPick(i: number): void;
  onList(): void;
}) {
  const stationId = useEditor((s) => s.id);
  const revisionNow = useEditor((s) => s.saved.revision);
  return (
    <Box
      sx={{
        px: { xs: 2, md: 2.5 },
        py: 1,
        borderBottom: 1,
        borderColor: 'divider',
        position: 'sticky',
        top: 0,
        zIndex: 2,
        bgcolor: 'background.default',
      }}
    >
      <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'baseline', flexWrap: 'wrap' }}>
        <Typography variant="body2" sx={{ flex: 1, minWidth: 200 }}>
          <b>{title}</b> · {clock(run.startedAt)}, begun by {run.tester}, of revision {run.revision}
        </Typography>
        <Link href={`/stations/${stationId}/prove`}>all runs</Link>
      </Box>
      {revisionNow !== run.revision && (
        <Typography variant="body2" component="p" sx={{ m: 0, fontWeight: 650 }}>
          The station is at revision {revisionNow} now: this card is judged against revision {run.revision}, as it was
          begun.
        </Typography>
      )}
      <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center', mt: 0.75 }}>
        <Progress states={states} current={current} onPick={onPick} />
        <Button onClick={onList} sx={{ display: { md: 'none' }, minHeight: 44 }}>
          steps
        </Button>
        {!sealed && (
          <TextBox
            label="who enters"
            value={who}
            onChange={(e) => onWho(e.target.value)}
            fullWidth={false}
            sx={{ width: 120 }}
            inputProps={{ maxLength: 60 }}
          />
        )}
      </Box>
    </Box>
  );
}
