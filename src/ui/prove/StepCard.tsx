'use client';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useEffect, useRef, type ReactNode } from 'react';
import type { Expectation, Step } from '@/core/proving';
import { RISKS } from '@/core/tests';
import { sayPhrase, type UnitSystem } from '@/core/units';
import { Caution } from '../parts/Caution';

interface Props {
  step: Step;
  system: UnitSystem;
  /** Which step it is, as `5 of 18`. */
  place: string;
  /** What stands beside an expectation: the field for what was found, or what was found. */
  beside?(expectation: Expectation): ReactNode;
  children?: ReactNode;
}

/** What a step costs, as far as it was told when the plan was kept. */
const costs = ({ minutes, people, risk }: Step): string[] => [
  ...(minutes === null ? [] : [`about ${minutes} min`]),
  ...(people > 1 ? [`${people} people`] : []),
  ...(risk === null ? [] : [RISKS[risk]]),
];

/** One step, filling the screen on a phone: what to do, what can hurt, what to expect beside what was found. */
export function StepCard({ step, system, place, beside, children }: Props) {
  const card = useRef<HTMLElement>(null);
  const shown = useRef(step.id);
  useEffect(() => {
    // Where a page begins it stays; a step that is gone to comes into view.
    if (shown.current !== step.id) card.current?.scrollIntoView({ block: 'nearest' });
    shown.current = step.id;
  }, [step.id]);
  return (
    <Box
      component="article"
      ref={card}
      aria-label={step.title}
      sx={{
        p: { xs: 2, md: 2.5 },
        display: 'flex',
        flexDirection: 'column',
        gap: 1.75,
        maxWidth: 760,
        scrollMarginTop: 110,
      }}
    >
      <Box>
        <Typography variant="label">{[place, step.phase, ...costs(step)].join(' · ')}</Typography>
        <Typography variant="h1" component="h2">
          {step.title}
        </Typography>
      </Box>
      {step.first.length > 0 && (
        <Typography variant="body1" component="p" sx={{ m: 0, borderLeft: 3, borderColor: 'text.primary', pl: 1 }}>
          <b>First:</b> {step.first.join('; ')}.
        </Typography>
      )}
      {step.cautions.map((caution) => (
        <Caution key={caution}>{caution}</Caution>
      ))}
      <Box component="ol" sx={{ m: 0, pl: 2.5, '& li': { mb: 0.5 } }}>
        {step.actions.map((action, i) => (
          <Typography component="li" key={i} variant="body1">
            {sayPhrase(action, system)}
          </Typography>
        ))}
      </Box>
      <Box
        component="ul"
        aria-label="what to expect"
        sx={{ m: 0, p: 0, listStyle: 'none', borderTop: 1, borderColor: 'text.primary' }}
      >
        {step.expects.map((e) => (
          <Box
            component="li"
            key={e.id}
            sx={{
              display: 'grid',
              gridTemplateColumns: { xs: '1fr', sm: '1fr minmax(200px, 0.8fr)' },
              gap: 1,
              alignItems: 'center',
              py: 1,
              borderBottom: 1,
              borderColor: 'divider',
            }}
          >
            <Box>
              <Typography component="p" variant="label" sx={{ m: 0 }}>
                {e.label}
              </Typography>
              <Typography component="p" variant={e.reading ? 'readingSmall' : 'body1'} sx={{ m: 0, fontSize: 15 }}>
                {sayPhrase(e.sentence, system)}
              </Typography>
            </Box>
            {beside?.(e)}
          </Box>
        ))}
      </Box>
      {children}
    </Box>
  );
}
