'use client';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { useWho } from '../people/useWho';
import type { RestShown } from './shown';

/** Brings a station back from where it rests. */
export function BringBack({ id, name, rest }: { id: number; name: string; rest: RestShown['rest'] }) {
  const router = useRouter();
  const who = useWho();
  const [failed, setFailed] = useState<string | null>(null);
  const back = async () => {
    const { sendRest } = await import('./sendRest');
    const wrong = await sendRest(id, rest, false, who.name);
    setFailed(wrong);
    if (wrong === null) router.refresh();
  };
  return (
    <>
      <Button onClick={() => void back()} aria-label={`bring ${name} back`} sx={{ minHeight: 44 }}>
        bring it back
      </Button>
      {failed !== null && (
        <Typography role="alert" variant="body2" color="error">
          Not brought back: {failed}
        </Typography>
      )}
    </>
  );
}
