'use client';
import Button from '@mui/material/Button';
import dynamic from 'next/dynamic';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { Problem } from '@/core/station';
import { useWorks } from '../people/Works';
import { FileButton, JSON_FILE } from '../parts/FileButton';

const NewStationDialog = dynamic(() => import('./NewStationDialog').then((m) => m.NewStationDialog), { ssr: false });
const Refused = dynamic(() => import('./Refused').then((m) => m.Refused), { ssr: false });

/** Making a station, or importing one from a file. */
export function NewStation({ sites }: { sites: readonly string[] }) {
  const router = useRouter();
  const [open, setOpen] = useState(false);
  const [refused, setRefused] = useState<readonly Problem[] | null>(null);
  const works = useWorks();
  const importFile = async (chosen: File) => {
    const { hereAt, sendStation } = await import('./sendStation');
    const sent = await sendStation(chosen);
    if (sent.ok === 'kept') router.push(hereAt(sent.key, 'levels'));
    else if (sent.ok) router.push(`/stations/${sent.id}/levels`);
    else setRefused(sent.problems);
  };
  if (!works) return null;
  return (
    <>
      <FileButton
        words="import a station"
        label="station file"
        accept={JSON_FILE}
        sx={{ whiteSpace: 'nowrap' }}
        onFile={(file) => void importFile(file)}
      />
      <Button variant="contained" onClick={() => setOpen(true)} sx={{ whiteSpace: 'nowrap' }}>
        new station
      </Button>
      {open && <NewStationDialog sites={sites} onClose={() => setOpen(false)} />}
      {refused && <Refused problems={refused} onClose={() => setRefused(null)} />}
    </>
  );
}
