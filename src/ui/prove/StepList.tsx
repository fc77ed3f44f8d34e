'use client';
import Box from '@mui/material/Box';
import ButtonBase from '@mui/material/ButtonBase';
import Typography from '@mui/material/Typography';
import type { Step, Verdict } from '@/core/proving';

export type StepState = 'open' | Verdict;

const MARK: Readonly<Record<StepState, string>> = { open: '·', pass: '✓', fail: '✗', outside: '≠', 'not done': '–' };

/** The steps by phase; the one that is open is marked, each with what it came to. */
export function StepList({
  steps,
  current,
  stateOf,
  onPick,
}: {
  steps: readonly Step[];
  current: number;
  stateOf(step: Step): StepState;
  onPick(index: number): void;
}) {
  return (
    <Box component="ol" aria-label="steps" sx={{ m: 0, p: 0, listStyle: 'none' }}>
      {steps.map((step, i) => {
        const state = stateOf(step);
        const first = i === 0 || steps[i - 1]!.phase !== step.phase;
        return (
          <Box component="li" key={step.id}>
            {first && (
              <Typography variant="label" component="p" sx={{ m: 0, px: 1.5, pt: 1 }}>
                {step.phase}
              </Typography>
            )}
            <ButtonBase
              aria-current={i === current ? 'step' : undefined}
              onClick={() => onPick(i)}
              sx={{
                display: 'flex',
                gap: 1,
                width: '100%',
                justifyContent: 'flex-start',
                textAlign: 'left',
                px: 1.5,
                py: 0.5,
                minHeight: { xs: 44, md: 32 },
                borderLeft: 3,
                borderColor: i === current ? 'primary.main' : 'transparent',
                bgcolor: i === current ? 'action.selected' : undefined,
              }}
            >
              <Typography
                component="span"
                variant="readingSmall"
                aria-label={state === 'open' ? 'not done' : state}
                color={state === 'fail' ? 'error' : 'text.primary'}
                sx={{ width: 16, fontWeight: 700 }}
              >
                {MARK[state]}
              </Typography>
              <Typography component="span" variant="body2">
                {i + 1} {step.title}
              </Typography>
            </ButtonBase>
          </Box>
        );
      })}
    </Box>
  );
}
