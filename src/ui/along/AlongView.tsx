'use client';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { Masthead } from '../frame/Masthead';
import { usePrefs } from '../theme/Surface';
import { OutboxList } from './OutboxList';
import { TakeList, type StationToTake } from './TakeList';

/** What is on this device: what was written here and is not sent yet, and the stations that open without signal. */
export function AlongView({ stations }: { stations: readonly StationToTake[] }) {
  const { units } = usePrefs();
  return (
    <Box sx={{ minHeight: '100dvh' }}>
      <Masthead
        system={units}
        crumbs={
          <Typography component="h1" variant="body1" noWrap>
            ▸ <b>on this device</b>
          </Typography>
        }
      />
      <Box
        component="main"
        sx={{
          maxWidth: 1080,
          mx: 'auto',
          p: { xs: 2, md: 3 },
          display: 'grid',
          gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: 'minmax(0, 1fr) minmax(0, 1fr)' },
          columnGap: 4,
          rowGap: 3,
          alignItems: 'start',
        }}
      >
        <TakeList stations={stations} />
        {/* On a phone what is not sent comes first. */}
        <Box sx={{ order: { xs: -1, md: 0 } }}>
          <OutboxList />
        </Box>
      </Box>
    </Box>
  );
}
