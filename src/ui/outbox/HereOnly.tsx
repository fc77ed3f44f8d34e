import Typography from '@mui/material/Typography';

/** Says of something that it is kept here and not yet sent. */
export const HereOnly = ({ what }: { what: string }) => (
  <Typography variant="body2" component="p" sx={{ m: 0, fontWeight: 700 }}>
    {what}: on this device only
  </Typography>
);
