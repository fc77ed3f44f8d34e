'use client';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import Link from 'next/link';
import { useShallow } from 'zustand/react/shallow';
import type { RuleSummary } from '@/core/levels';
import { useEditor } from '../editor/StationProvider';
import { Bell } from '../parts/Bell';

/** What the line says of the rules, as plain values. */
const said = (rules: RuleSummary | null) => ({
  holds: rules?.holds ?? 0,
  tight: rules?.tight ?? 0,
  broken: rules?.broken ?? 0,
  worst: rules?.worst?.id ?? null,
  title: rules?.worst?.title ?? null,
});

/** How the rules stand, in one line that is always there; the worst of them by name. */
export function BellLine({ nextDue }: { nextDue: string | null }) {
  const id = useEditor((s) => s.id);
  const known = useEditor((s) => s.judged.rules !== null);
  const problems = useEditor((s) => s.judged.problems);
  // Drawn again when what it says changes, not for every mark of a drag.
  const rules = useEditor(useShallow(({ judged: { rules } }) => said(rules)));
  return (
    <Box
      component="footer"
      aria-label="bell line"
      sx={{
        display: 'flex',
        alignItems: 'center',
        gap: 1,
        px: 2,
        minHeight: 36,
        borderTop: 1,
        borderColor: 'divider',
        '@media print': { display: 'none' },
      }}
    >
      {known && <Bell state={rules.broken > 0 ? 'ringing' : rules.tight > 0 ? 'due' : 'quiet'} />}
      {problems.length > 0 ? (
        <Typography variant="body2" role="status" noWrap>
          not judged: {problems[0]!.message}
          {problems.length > 1 ? ` (and ${problems.length - 1} more)` : ''} ▸{' '}
          <Link prefetch={false} href={`/stations/${id}/survey`}>
            correct it in Survey
          </Link>
        </Typography>
      ) : (
        <Typography variant="body2" role="status" noWrap>
          {known
            ? `${rules.holds} rules hold · ${rules.tight} tight · ${rules.broken} broken`
            : 'the rules are being worked out…'}
          {rules.worst !== null && (
            <>
              {' '}
              ▸{' '}
              <Link prefetch={false} href={`/stations/${id}/levels?rule=${rules.worst}`}>
                {rules.title}
              </Link>
            </>
          )}
        </Typography>
      )}
      {nextDue !== null && (
        <Typography variant="body2" noWrap sx={{ ml: 'auto', display: { xs: 'none', md: 'block' } }}>
          next due:{' '}
          <Link prefetch={false} href={`/stations/${id}/book`}>
            {nextDue}
          </Link>
        </Typography>
      )}
    </Box>
  );
}
