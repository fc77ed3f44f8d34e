import Typography from '@mui/material/Typography';
import Link from 'next/link';
import { usePerson } from '../people/PersonProvider';
import { PersonLine } from '../people/PersonLine';
import { useOwns } from '../people/Works';

/** Where one goes from Round that is no station: a fault elsewhere, what rests, this device, backup, people. */
export function OtherPages() {
  const owns = useOwns();
  if (usePerson()?.held)
    return (
      <Typography variant="body2" component="p" sx={{ m: 0, mb: 1, width: '100%' }}>
        <PersonLine />
      </Typography>
    );
  return (
    <Typography variant="body2" component="p" sx={{ m: 0, mb: 1, width: '100%' }}>
      <Link href="/trace">A fault at a site that is not here</Link>: six taps, and it is traced.{' '}
      <Link href="/resting" prefetch={false}>
        Archive and bin
      </Link>{' '}
      · <Link href="/along">On this device</Link>{' '}
      {owns && (
        <>
          ·{' '}
          <Link href="/backup" prefetch={false}>
            Backup
          </Link>{' '}
        </>
      )}
      <PersonLine />
    </Typography>
  );
}
