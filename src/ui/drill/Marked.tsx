'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useCallback, useEffect, useState } from 'react';
import { judged, resultOf, type Bench, type Drill, type Review } from '@/core/drill';
import { TextBox } from '../parts/TextBox';
import { useWho } from '../people/useWho';
import { isMarked, setMarked } from './keptDrill';
import { sendResult } from './sendResult';

interface Props {
  review: Review;
  bench: Bench;
  drill: Drill;
  at: string;
  set: number | null;
}

/** What is asked of a drill, and what came of it under the name of whoever did it. */
export function Marked({ review, bench, drill, at, set }: Props) {
  const who = useWho();
  const [said, setSaid] = useState<string | null>(null);
  const keepIt = useCallback(async () => {
    const told = await sendResult(
      resultOf(drill, review, bench, { at: new Date().toISOString(), by: who.name.trim(), set }),
    );
    if (told.ok) setMarked(at);
    return told.says;
  }, [drill, review, bench, who.name, set, at]);
  const known = who.signedIn;
  useEffect(() => {
    if (!known || isMarked(at)) return;
    void keepIt().then(setSaid);
    // Once, when it is looked back at.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [known, at]);
  const dangers = review.steps.flatMap((s) => s.incidents).length;
  return (
    <Box component="section" aria-label="marks">
      <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0 }}>
        {judged(review.right, review.sure, dangers).map((j) => (
          <Typography key={j.says} component="li" variant="body1">
            <b>{j.met ? 'yes' : 'no'}</b> {j.says}
          </Typography>
        ))}
      </Box>
      {said !== null ? (
        <Typography role="status" variant="body2" component="p" sx={{ m: 0 }}>
          {said}
        </Typography>
      ) : isMarked(at) ? (
        <Typography variant="body2" component="p" sx={{ m: 0 }}>
          It is among the marks.
        </Typography>
      ) : (
        !known && (
          <Box sx={{ display: 'flex', gap: 1, alignItems: 'flex-start', mt: 1 }}>
            <TextBox
              label="whose marks"
              value={who.name}
              onChange={(e) => who.say(e.target.value)}
              sx={{ width: 220 }}
            />
            <Button
              variant="outlined"
              disabled={who.name.trim() === ''}
              onClick={() => void keepIt().then(setSaid)}
              sx={{ minHeight: 44 }}
            >
              keep it among the marks
            </Button>
          </Box>
        )
      )}
    </Box>
  );
}
