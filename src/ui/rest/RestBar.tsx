import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { Works } from '../people/Works';
import { BringBack } from './BringBack';
import { restWords, type RestShown } from './shown';

/** Says of a station that it rests, and brings it back. */
export function RestBar({ id, name, resting }: { id: number; name: string; resting: RestShown }) {
  return (
    <Box
      role="note"
      aria-label="where this station rests"
      sx={{
        display: 'flex',
        flexWrap: 'wrap',
        gap: 1.5,
        alignItems: 'center',
        px: 2,
        borderBottom: 1,
        borderColor: 'divider',
        '@media print': { display: 'none' },
      }}
    >
      <Typography variant="body2" sx={{ fontWeight: 700 }}>
        {restWords(resting)} Round and what is due leave it out.
      </Typography>
      <Works>
        <BringBack id={id} name={name} rest={resting.rest} />
      </Works>
    </Box>
  );
}
