'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import Link from 'next/link';
import { sayPhrase, type Phrase } from '@/core/units';
import { useEditor, useStationSystem } from '../editor/StationProvider';
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

/** The station is no more as it was when the run was begun: in what, and that the card goes by what it was. */
function Changed({ now, begun, changed }: { now: number; begun: number; changed: readonly Phrase[] | null }) {
  const system = useStationSystem();
  const judged = `The station is at revision ${now} now: this card is judged against revision ${begun}, as it was begun.`;
  const bold = { m: 0, fontWeight: 650 } as const;
  if (!changed || changed.length === 0)
    return (
      <Typography variant="body2" component="p" sx={bold}>
        {judged}{' '}
        {changed
          ? 'Its figures, choices and landings are as they were.'
          : 'What changed cannot be told: that revision cannot be read.'}
      </Typography>
    );
  return (
    <Box component="details">
      <Typography variant="body2" component="summary" sx={{ ...bold, minHeight: 32, cursor: 'pointer' }}>
        {judged} Changed since: {changed.length}
      </Typography>
      <Box component="ul" sx={{ m: 0, pl: 2.5, maxHeight: 160, overflow: 'auto' }}>
        {changed.map((c, i) => (
          <Typography component="li" variant="body2" key={i}>
            {sayPhrase(c, system)}
          </Typography>
        ))}
      </Box>
    </Box>
  );
}

/** Whose run it is, of which job and revision, how much of it is open, and who works now. */
export function RunHead({
  run,
  changed,
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
  changed: readonly Phrase[] | null;
  title: string;
  states: readonly StepState[];
  current: number;
  who: string;
  sealed: boolean;
  /** Null: whoever is signed in. */
  onWho: ((name: string) => void) | null;
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
          <b>{title}</b> · {clock(run.startedAt)}, begun by {run.tester}, of{' '}
          {run.revision === null ? 'what was saved on this device' : `revision ${run.revision}`}
        </Typography>
        <Link href={`/stations/${stationId}/prove`}>all runs</Link>
      </Box>
      {run.revision !== null && revisionNow !== run.revision && (
        <Changed now={revisionNow} begun={run.revision} changed={changed} />
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
            readOnly={onWho === null}
            onChange={(e) => onWho?.(e.target.value)}
            fullWidth={false}
            sx={{ width: 120 }}
            inputProps={{ maxLength: 60 }}
          />
        )}
      </Box>
    </Box>
  );
}
