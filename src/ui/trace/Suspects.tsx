'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import type { Bar, Thought } from '@/core/trace';
import { DEFERENCE } from '@/core/wiring';
import type { Stage } from './useTracing';

/** A share in words that promise no more than they know. */
const percent = (p: number): string => (p >= 0.995 ? 'over 99 %' : p < 0.01 ? 'under 1 %' : `${Math.round(p * 100)} %`);

function Suspect({ bar }: { bar: Bar }) {
  return (
    <Box component="li" sx={{ py: 1.25, borderBottom: 1, borderColor: 'divider' }}>
      <Box sx={{ display: 'flex', justifyContent: 'space-between', gap: 1, alignItems: 'baseline' }}>
        <Typography component="p" variant="body1" sx={{ m: 0, fontWeight: 600 }}>
          {bar.label}
        </Typography>
        <Typography component="span" variant="reading" sx={{ flex: 'none' }}>
          {percent(bar.probability)}
        </Typography>
      </Box>
      <Box aria-hidden sx={{ height: 8, mt: 0.5, border: 1, borderColor: 'divider', position: 'relative' }}>
        <Box
          sx={{
            position: 'absolute',
            inset: 0,
            width: `${Math.max(1, bar.probability * 100)}%`,
            bgcolor: 'primary.main',
          }}
        />
      </Box>
      <Typography component="p" variant="body2" sx={{ m: 0, mt: 0.5 }}>
        {bar.why}.
      </Typography>
      {bar.like.length > 0 && (
        <Typography component="p" variant="body2" sx={{ m: 0, color: 'text.secondary' }}>
          No test here is sure to tell it from: {bar.like.slice(0, 3).join('; ')}
          {bar.like.length > 3 ? ` and ${bar.like.length - 3} more` : ''}.
        </Typography>
      )}
      {bar.because.map((b) => (
        <Typography key={b} component="p" variant="body2" sx={{ m: 0, color: 'text.secondary' }}>
          {b}
        </Typography>
      ))}
    </Box>
  );
}

/** Who is suspected, as bars with the reason of each. */
export function Suspects({
  thought,
  stage,
  current,
  onEnd,
}: {
  thought: Thought | null;
  stage: Stage;
  current: boolean;
  onEnd(): void;
}) {
  return (
    <Box
      component="section"
      aria-label="suspects"
      aria-busy={stage.kind === 'asking' || !current}
      sx={{ px: 2, pt: 2 }}
    >
      <Typography variant="h3" component="h2">
        Suspects
      </Typography>
      {stage.kind === 'asking' && (
        <Typography role="status" variant="body2">
          Every suspect is asked what it would show: {Math.round(stage.share * 100)} %
        </Typography>
      )}
      {stage.kind === 'cannot' && (
        <Typography role="alert" variant="body2" color="error">
          No trace of this station: {stage.reasons.join('; ')}.
        </Typography>
      )}
      {thought && (
        <>
          <Typography component="p" variant="body2" sx={{ m: 0 }}>
            {thought.asked} asked
            {thought.pairs ? ', pairs among them, because no single one explains what was told' : ''}.{' '}
            {thought.sure ? 'Sure enough to act on the first.' : 'Not sure yet.'}
            {thought.sure && thought.beside >= 0.005
              ? ` In ${percent(thought.beside)} something else is wrong beside it: what is tested after the mend is about that.`
              : ''}
          </Typography>
          {thought.sure && (
            <Button variant="contained" onClick={onEnd} sx={{ mt: 1, minHeight: 44 }}>
              what it is, and what now
            </Button>
          )}
          <Box component="ol" aria-label="suspects by how likely" sx={{ m: 0, mt: 1, p: 0, listStyle: 'none' }}>
            {thought.bars.map((bar) => (
              <Suspect key={bar.id} bar={bar} />
            ))}
          </Box>
          <Typography component="p" variant="body2" sx={{ mt: 1, color: 'text.secondary' }}>
            {DEFERENCE}
          </Typography>
          {thought.others.count > 0 && (
            <Typography component="p" variant="body2" sx={{ mt: 1 }}>
              {thought.others.count} others together {percent(thought.others.probability)}.
            </Typography>
          )}
        </>
      )}
    </Box>
  );
}
