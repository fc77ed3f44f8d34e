'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import type { Step, Verdict } from '@/core/proving';

const MAIN = ['pass', 'fail'] as const;
const BESIDE = ['outside', 'not done'] as const;

/** What the step came to: pass and fail large, the others beside; all that is only looked at as it should be in one touch. */
export function VerdictBar({
  step,
  proposal,
  busy,
  blank,
  onEnter,
  onAllAsExpected,
}: {
  step: Step;
  proposal: 'pass' | 'fail' | null;
  busy: boolean;
  /** Nothing was entered for this step yet. */
  blank: boolean;
  onEnter(verdict: Verdict): void;
  onAllAsExpected(): void;
}) {
  const looks = step.expects.filter((e) => !e.reading).length;
  return (
    <Box sx={{ display: 'flex', flexDirection: 'column', gap: 1, '& button': { minHeight: 48 } }}>
      {looks > 0 && blank && (
        <Button variant="outlined" onClick={onAllAsExpected}>
          {looks === step.expects.length ? 'all as it should' : `the ${looks} looks as they should`}
        </Button>
      )}
      <Box sx={{ display: 'flex', gap: 1.5, '& button': { flex: 1 } }}>
        {MAIN.map((verdict) => (
          <Button
            key={verdict}
            variant={proposal === verdict ? 'contained' : 'outlined'}
            color={verdict === 'fail' ? 'error' : 'primary'}
            disabled={busy}
            onClick={() => onEnter(verdict)}
          >
            {verdict}
          </Button>
        ))}
      </Box>
      <Box sx={{ display: 'flex', gap: 1.5, '& button': { flex: 1 } }}>
        {BESIDE.map((verdict) => (
          <Button key={verdict} disabled={busy} onClick={() => onEnter(verdict)}>
            {verdict === 'outside' ? 'outside, left so' : verdict}
          </Button>
        ))}
      </Box>
    </Box>
  );
}
