'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { useEditor } from '../editor/StationProvider';
import { useWho } from '../people/useWho';
import { useOwns, useWorks } from '../people/Works';
import { useUnsent } from '../unsent/unsent';

/** Where a station goes that nobody looks after any more: the archive, or the bin. */
export function PutToRest() {
  const router = useRouter();
  const id = useEditor((s) => s.id);
  const works = useWorks();
  const unsent = useUnsent();
  const owns = useOwns();
  const who = useWho();
  const [sure, setSure] = useState(false);
  const [failed, setFailed] = useState<string | null>(null);
  const put = async (to: 'archive' | 'bin') => {
    const { sendRest } = await import('./sendRest');
    const wrong = await sendRest(id, to, true, who.name);
    setFailed(wrong);
    setSure(false);
    if (wrong === null) router.refresh();
  };
  // What is on this device only is thrown away where it waits.
  if (!works || unsent !== null) return null;
  return (
    <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, alignItems: 'center', '& button': { minHeight: 44 } }}>
      <Button onClick={() => void put('archive')}>put it into the archive</Button>
      {owns && (
        <Button color="error" onClick={() => (sure ? void put('bin') : setSure(true))}>
          {sure ? 'delete it: thirty days in the bin, then gone with its book and runs' : 'delete this station'}
        </Button>
      )}
      {failed !== null && (
        <Typography role="alert" variant="body2" color="error">
          Not done: {failed}
        </Typography>
      )}
    </Box>
  );
}
