import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';

/** An address that is no longer good. */
export function Closed() {
  return (
    <Box component="main" sx={{ maxWidth: 420, mx: 'auto', px: 2.5, pt: { xs: 4, md: 10 } }}>
      <Typography variant="h1">This address is no longer good</Typography>
      <Typography variant="body1" sx={{ my: 2 }}>
        It was used already, or is older than three days. Ask the owner for another.
      </Typography>
      <a href="/sign-in">come in with an account</a>
    </Box>
  );
}
