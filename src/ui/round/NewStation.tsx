'use client';
import Button from '@mui/material/Button';
import dynamic from 'next/dynamic';
import { useRouter } from 'next/navigation';
import { useRef, useState } from 'react';
import type { Problem } from '@/core/station';
import { useWorks } from '../people/Works';

const NewStationDialog = dynamic(() => import('./NewStationDialog').then((m) => m.NewStationDialog), { ssr: false });
const Refused = dynamic(() => import('./Refused').then((m) => m.Refused), { ssr: false });

/** Making a station, or importing one from a file. */
export function NewStation({ sites }: { sites: readonly string[] }) {
  const router = useRouter();
  const file = useRef<HTMLInputElement>(null);
  const [open, setOpen] = useState(false);
  const [refused, setRefused] = useState<readonly Problem[] | null>(null);
  const works = useWorks();
  const importFile = async (chosen: File | undefined) => {
    if (!chosen) return;
    const { hereAt, sendStation } = await import('./sendStation');
    const sent = await sendStation(chosen);
    if (sent.ok === 'kept') router.push(hereAt(sent.key, 'levels'));
    else if (sent.ok) router.push(`/stations/${sent.id}/levels`);
    else setRefused(sent.problems);
  };
  if (!works) return null;
  return (
    <>
      <Button onClick={() => file.current?.click()} sx={{ whiteSpace: 'nowrap' }}>
        import a station
      </Button>
      <input
        ref={file}
        type="file"
        accept=".json,application/json"
        hidden
        aria-label="station file"
        onChange={(e) => {
          void importFile(e.target.files?.[0]);
          e.target.value = '';
        }}
      />
      <Button variant="contained" onClick={() => setOpen(true)} sx={{ whiteSpace: 'nowrap' }}>
        new station
      </Button>
      {open && <NewStationDialog sites={sites} onClose={() => setOpen(false)} />}
      {refused && <Refused problems={refused} onClose={() => setRefused(null)} />}
    </>
  );
}
