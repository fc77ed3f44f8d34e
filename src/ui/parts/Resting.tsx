'use client';
import Typography from '@mui/material/Typography';
import { hangingWords, restingSentence } from '@/core/dependence';
import type { Judgement } from '@/core/levels';
import type { Station } from '@/core/station';
import { useEditor } from '../editor/StationProvider';
import { useResting } from '../editor/useResting';

/** One sentence: how many of the figures taken on site nobody typed or confirmed, and which to measure first. Nothing where all were. @param station one that holds together */
export function RestsOn({ station }: { station: Station }) {
  const { resting, known } = useResting(station);
  if (resting.unconfirmed === 0) return null;
  return (
    <Typography variant="body2" role="note" aria-busy={!known}>
      {restingSentence(resting)}
      {!known && ' Which of them matter most is being worked out…'}
    </Typography>
  );
}

/** The figures of those that one rule hangs on. Nothing where there are none. */
export function HangsOn({ rule }: { rule: Judgement['rules'][number] }) {
  const { station } = useEditor((s) => s.judged.context);
  const { resting } = useResting(station);
  const on = resting.rules.find((r) => r.rule === rule.id)?.on ?? [];
  if (on.length === 0) return null;
  const stands = rule.state === 'holds' || rule.state === 'tight';
  return (
    <Typography variant="body2" sx={{ mt: 0.5 }}>
      Rests on figures that nobody confirmed: {on.map((h) => hangingWords(h, stands)).join('; ')}.
    </Typography>
  );
}
