'use client';
import Box from '@mui/material/Box';
import ButtonBase from '@mui/material/ButtonBase';
import Typography from '@mui/material/Typography';
import type { Step } from '@/core/proving';
import { sayPhrase, type UnitSystem } from '@/core/units';

/** Ways that are both right somewhere, each with what speaks for it; one is taken, and kept with the run. */
export function DecisionField({
  decision,
  system,
  value,
  onPick,
}: {
  decision: Step['decisions'][number];
  system: UnitSystem;
  value: string | undefined;
  onPick?(id: string): void;
}) {
  return (
    <Box role="radiogroup" aria-label={decision.question} sx={{ display: 'flex', flexDirection: 'column', gap: 0.5 }}>
      <Typography variant="h3" component="p" sx={{ m: 0 }}>
        {decision.question}
      </Typography>
      {decision.choices.map((c) => (
        <ButtonBase
          key={c.id}
          role="radio"
          aria-checked={value === c.id}
          disabled={!onPick}
          onClick={() => onPick?.(c.id)}
          sx={{
            display: 'block',
            textAlign: 'left',
            minHeight: 44,
            px: 1.25,
            py: 0.75,
            border: 1,
            borderColor: value === c.id ? 'primary.main' : 'divider',
            borderLeftWidth: value === c.id ? 5 : 1,
            borderRadius: '3px',
          }}
        >
          <Typography component="span" variant="body1" sx={{ fontWeight: 650 }}>
            {c.label}
            {decision.suggested === c.id && (
              <Typography component="span" variant="label">
                {' '}
                · suggested
              </Typography>
            )}
          </Typography>
          <Typography component="span" variant="body2" sx={{ display: 'block' }}>
            {sayPhrase(c.why, system)}
          </Typography>
        </ButtonBase>
      ))}
    </Box>
  );
}
