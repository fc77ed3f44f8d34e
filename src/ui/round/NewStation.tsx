'use client';
import { zodResolver } from '@hookform/resolvers/zod';
import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Stack from '@mui/material/Stack';
import { useRouter } from 'next/navigation';
import { useRef, useState } from 'react';
import { Controller, useForm } from 'react-hook-form';
import * as z from 'zod';
import { newStation, type Problem } from '@/core/station';
import { Pick } from '../parts/Pick';
import { TextBox } from '../parts/TextBox';
import { sendStation } from './sendStation';

const formSchema = z.object({
  name: z.string().trim().min(1, 'needs a name').max(80, 'is longer than 80 characters'),
  site: z.string().trim().min(1, 'needs a site').max(80, 'is longer than 80 characters'),
  profile: z.enum(['metric-230', 'us-120']),
});
type Form = z.infer<typeof formSchema>;

const PROFILES = [
  ['metric-230', '230 V 50 Hz, millimetres and litres'],
  ['us-120', '120 V 60 Hz, feet, inches and gallons'],
] as const;

/** What was wrong with a file, every problem by its path; nothing was changed. */
function Refused({ problems, onClose }: { problems: readonly Problem[]; onClose(): void }) {
  return (
    <Dialog open onClose={onClose} aria-labelledby="refused-title">
      <DialogTitle id="refused-title">This file was not imported; nothing was changed</DialogTitle>
      <DialogContent>
        <ul>
          {problems.map((p, i) => (
            <li key={i}>
              <code>{p.path}</code>: {p.message}
            </li>
          ))}
        </ul>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>close</Button>
      </DialogActions>
    </Dialog>
  );
}

/** Making a station, or bringing one in from a file. */
export function NewStation({ sites }: { sites: readonly string[] }) {
  const router = useRouter();
  const file = useRef<HTMLInputElement>(null);
  const [open, setOpen] = useState(false);
  const [refused, setRefused] = useState<readonly Problem[] | null>(null);
  const { register, control, handleSubmit, formState, setError } = useForm<Form>({
    resolver: zodResolver(formSchema),
    defaultValues: { name: '', site: sites[0] ?? '', profile: 'metric-230' },
  });

  const inputOf = (name: 'name' | 'site') => {
    const { ref, ...rest } = register(name);
    return { ...rest, inputRef: ref };
  };

  const make = handleSubmit(async ({ name, site, profile }) => {
    const sent = await sendStation(JSON.stringify(newStation(name, site, profile)));
    if (sent.ok) router.push(`/stations/${sent.id}/survey`);
    else setError('root', { message: sent.problems.map((p) => p.message).join('; ') });
  });
  const bringIn = async (chosen: File | undefined) => {
    if (!chosen) return;
    const sent = await sendStation(chosen);
    if (sent.ok) router.push(`/stations/${sent.id}/levels`);
    else setRefused(sent.problems);
  };

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
          void bringIn(e.target.files?.[0]);
          e.target.value = '';
        }}
      />
      <Button variant="contained" onClick={() => setOpen(true)} sx={{ whiteSpace: 'nowrap' }}>
        new station
      </Button>
      <Dialog open={open} onClose={() => setOpen(false)} aria-labelledby="new-title" fullWidth maxWidth="xs">
        <form onSubmit={(e) => void make(e)} noValidate>
          <DialogTitle id="new-title">New station</DialogTitle>
          <DialogContent>
            <Stack spacing={2} sx={{ pt: 1 }}>
              <TextBox
                label="name"
                autoFocus
                {...inputOf('name')}
                problem={formState.errors.name?.message}
                help="as it is called on site"
              />
              <TextBox
                label="site"
                {...inputOf('site')}
                problem={formState.errors.site?.message}
                inputProps={{ list: 'sites' }}
              />
              <datalist id="sites">
                {sites.map((s) => (
                  <option key={s} value={s} />
                ))}
              </datalist>
              <Controller
                control={control}
                name="profile"
                render={({ field }) => (
                  <Pick label="supply and units" value={field.value} choices={PROFILES} onPick={field.onChange} />
                )}
              />
              {formState.errors.root && <Alert severity="error">{formState.errors.root.message}</Alert>}
            </Stack>
          </DialogContent>
          <DialogActions>
            <Button onClick={() => setOpen(false)}>cancel</Button>
            <Button type="submit" variant="contained" disabled={formState.isSubmitting}>
              make it and survey
            </Button>
          </DialogActions>
        </form>
      </Dialog>
      {refused && <Refused problems={refused} onClose={() => setRefused(null)} />}
    </>
  );
}
