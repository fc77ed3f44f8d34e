'use client';
import Box from '@mui/material/Box';
import ButtonBase from '@mui/material/ButtonBase';
import Typography from '@mui/material/Typography';
import type { Offer } from '@/core/jobs';
import { sayPhrase, type UnitSystem } from '@/core/units';

/** Every kind of job that fits this station, by what it is wanted for; the others folded away, each with why it is not for it. */
export function JobList({
  offers,
  system,
  job,
  onJob,
}: {
  offers: readonly Offer[];
  system: UnitSystem;
  job: string;
  onJob(id: string): void;
}) {
  const fits = offers.filter((o) => o.against === null);
  const others = offers.filter((o) => o.against !== null);
  return (
    <Box sx={{ px: { xs: 2, md: 2.5 }, pt: 2 }}>
      <Typography variant="h2" component="h2" sx={{ mb: 1 }}>
        What is to be done?
      </Typography>
      <Box
        role="radiogroup"
        aria-label="job"
        sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', lg: '1fr 1fr' }, gap: 0.5 }}
      >
        {fits.map((o) => (
          <ButtonBase
            key={o.id}
            role="radio"
            aria-checked={o.id === job}
            onClick={() => onJob(o.id)}
            sx={{
              display: 'block',
              textAlign: 'left',
              px: 1.25,
              py: 0.75,
              minHeight: 48,
              border: 1,
              borderColor: o.id === job ? 'primary.main' : 'divider',
              borderLeftWidth: o.id === job ? 5 : 1,
              borderRadius: '3px',
            }}
          >
            <Typography component="span" variant="body1" sx={{ display: 'block', fontWeight: 650 }}>
              {o.title}
            </Typography>
            <Typography component="span" variant="body2" sx={{ display: 'block' }}>
              {o.when}
            </Typography>
          </ButtonBase>
        ))}
      </Box>
      {others.length > 0 && (
        <Box component="details" sx={{ mt: 1 }}>
          <Typography component="summary" variant="body2" sx={{ cursor: 'pointer', minHeight: 32 }}>
            {others.length} more that are not for this station
          </Typography>
          <Box component="ul" sx={{ m: 0, pl: 2.5 }}>
            {others.map((o) => (
              <Typography component="li" variant="body2" key={o.id}>
                {o.title}: {sayPhrase(o.against!, system)}
              </Typography>
            ))}
          </Box>
        </Box>
      )}
    </Box>
  );
}
