import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { Offers } from '@/core/drill';
import { quantity, say, type UnitSystem } from '@/core/units';

/** Pit and strip in words, for whoever reads and does not see: as they should be. What is so now is in the line above, and is asked by tests. */
export function InWords({ offers, system }: { offers: Offers; system: UnitSystem }) {
  const height = (m: number) => say(quantity('height', m), system);
  return (
    <details>
      <Typography component="summary" variant="body2" sx={{ cursor: 'pointer', minHeight: 44, pt: 1 }}>
        pit and strip in words, as they should be
      </Typography>
      <Box component="ul" aria-label="floats" sx={{ m: 0, pl: 2.5 }}>
        {offers.floats.map((f) => (
          <Typography key={f.label} component="li" variant="body2">
            {f.label}: up at {height(f.rise)}, down at {height(f.fall)} over the floor
          </Typography>
        ))}
      </Box>
      <Box component="ul" aria-label="strip" sx={{ m: 0, pl: 2.5 }}>
        {offers.strip.map((t) => (
          <Typography key={t.terminal} component="li" variant="body2">
            {t.terminal}: {t.cores.length > 0 ? t.cores.join(', ') : 'no core of the field'}
          </Typography>
        ))}
      </Box>
    </details>
  );
}
