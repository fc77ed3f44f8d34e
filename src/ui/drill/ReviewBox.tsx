'use client';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { Bench, Review } from '@/core/drill';
import { quantity, say, type UnitSystem } from '@/core/units';
import { Caution } from '../parts/Caution';

const percent = (p: number): string => `${Math.round(100 * p)} %`;

function Verdict({ review }: { review: Review }) {
  const found = review.right.filter(Boolean).length;
  return (
    <Box>
      <Typography variant="h1" component="h2">
        {found === review.was.length ? 'That is what it was' : found > 0 ? 'One of the two' : 'It was something else'}
      </Typography>
      {review.was.map((w, i) => (
        <Typography key={w.label} variant="body1" component="p" sx={{ m: 0 }}>
          <b>{w.label}</b>
          {review.right[i] ? '' : ' – not named'}. The mend: {w.remedy}.
        </Typography>
      ))}
      <Typography variant="body1" component="p" sx={{ m: 0 }}>
        You said: {review.named.join('; ')}.{' '}
        {review.mends.map((m) => `You would: ${m.says} (${m.is ? 'that mends it' : 'that does not mend it'}). `)} By
        what you had found, what was hidden was {review.sure > 0 ? percent(review.sure) : 'not thought of yet'}.
      </Typography>
    </Box>
  );
}

/** The path of the learner beside the one that Trace would have gone. */
export function ReviewBox({ review, bench, system }: { review: Review; bench: Bench; system: UnitSystem }) {
  const incidents = review.steps.flatMap((s) => s.incidents.map((i) => ({ title: s.title, ...i })));
  const spilt = bench.water?.spilt ?? 0;
  return (
    <Box component="section" aria-label="looked back" sx={{ display: 'flex', flexDirection: 'column', gap: 1.75 }}>
      {incidents.map((s, i) => (
        <Caution key={i}>
          {s.title}: {s.says} {s.would}
        </Caution>
      ))}
      <Verdict review={review} />
      <Typography variant="body1" component="p" sx={{ m: 0 }}>
        {Math.round(review.minutes)} minutes, risk {review.hazard}
        {spilt > 1e-4 ? `, ${say(quantity('volume', spilt), system)} over the top` : ', nothing over the top'}. Trace,
        told beforehand all that shows: {Math.round(review.best.minutes)} minutes, risk {review.best.hazard}
        {review.best.right ? '' : ', and it did not name it either'}.
      </Typography>
      <Box>
        <Typography variant="h2">What each step told</Typography>
        <Box component="ol" aria-label="what each step told" sx={{ m: 0, pl: 2.5 }}>
          {review.steps
            .filter((s) => s.minutes > 0)
            .map((s, i) => (
              <Typography key={i} component="li" variant="body2">
                {s.title}: {s.bits >= 0.05 ? `${s.bits.toFixed(1)} bits` : 'nothing new'}
                {s.bits >= 0.05 &&
                  `; what was hidden ${percent(s.before)} → ${percent(s.after)}, likeliest then: ${s.leads}`}
              </Typography>
            ))}
        </Box>
      </Box>
      <Box>
        <Typography variant="h2">How Trace would have gone</Typography>
        <Box component="ol" aria-label="how Trace would have gone" sx={{ m: 0, pl: 2.5 }}>
          {review.best.titles.map((t, i) => (
            <Typography key={i} component="li" variant="body2">
              {t}
            </Typography>
          ))}
        </Box>
      </Box>
    </Box>
  );
}
