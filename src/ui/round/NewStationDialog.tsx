'use client';
import { zodResolver } from '@hookform/resolvers/zod';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Stack from '@mui/material/Stack';
import { useRouter } from 'next/navigation';
import { Controller, useForm } from 'react-hook-form';
import * as z from 'zod';
import { newStation } from '@/core/station';
import { Pick } from '../parts/Pick';
import { TextBox } from '../parts/TextBox';
import { sendStation } from './sendStation';
import { Notice } from '../parts/Notice';

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

/** What a new station is asked at first. */
export function NewStationDialog({ sites, onClose }: { sites: readonly string[]; onClose(): void }) {
  const router = useRouter();
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
  return (
    <Dialog open onClose={onClose} aria-labelledby="new-title" fullWidth maxWidth="xs">
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
            {formState.errors.root && <Notice severity="error">{formState.errors.root.message}</Notice>}
          </Stack>
        </DialogContent>
        <DialogActions>
          <Button onClick={onClose}>cancel</Button>
          <Button type="submit" variant="contained" disabled={formState.isSubmitting}>
            make it and survey
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}
