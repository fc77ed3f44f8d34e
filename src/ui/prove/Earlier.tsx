'use client';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { leftWires, leftWord, type ProofEntry, type Step } from '@/core/proving';
import { quantity, say, type UnitSystem } from '@/core/units';
import { clock } from '../parts/when';

/** What was entered for a step, oldest first; nothing of it is ever changed. */
export function Earlier({ step, entries, system }: { step: Step; entries: readonly ProofEntry[]; system: UnitSystem }) {
  if (entries.length === 0) return null;
  return (
    <Box component="section" aria-label="entered" sx={{ borderTop: 1, borderColor: 'text.primary', pt: 1 }}>
      <Typography variant="h3">Entered</Typography>
      {entries.map((e) => (
        <Typography key={e.id} variant="body2" sx={{ py: 0.25 }}>
          {clock(e.enteredAt)}
          {e.by && `, ${e.by}`} <b>{e.verdict}</b>
          {step.expects
            .filter((x) => e.found[x.id] !== undefined)
            .map((x) => {
              const value = e.found[x.id]!;
              return ` · ${x.label}: ${typeof value === 'boolean' ? (value ? 'as it should' : 'not so') : say(quantity(x.reading?.format ?? 'count', value), system)}`;
            })
            .join('')}
          {step.decisions
            .flatMap((d) => {
              const chosen = d.choices.find((c) => c.id === e.decided[d.id]);
              return chosen ? [` · ${d.question} ${chosen.label}`] : [];
            })
            .join('')}
          {leftWires(e.decided)
            .map((w) => ` · landed otherwise: ${leftWord(w).join(', ')}`)
            .join('')}
          {e.note && ` · “${e.note}”`}
        </Typography>
      ))}
      <Typography variant="label">
        What is entered stays. A new finding for this step is added beneath and stands over it.
      </Typography>
    </Box>
  );
}
