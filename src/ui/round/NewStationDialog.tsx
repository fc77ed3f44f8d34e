'use client';
import { zodResolver } from '@hookform/resolvers/zod';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useRouter } from 'next/navigation';
import { Controller, useForm } from 'react-hook-form';
import * as z from 'zod';
import { DUTIES, type DutyName } from '@/core/duties';
import { exampleStation } from '@/core/starting';
import { Pick } from '../parts/Pick';
import { TextBox } from '../parts/TextBox';
import { sendStation } from './sendStation';
import { Notice } from '../parts/Notice';

const formSchema = z.object({
  name: z.string().trim().min(1, 'needs a name').max(80, 'is longer than 80 characters'),
  site: z.string().trim().min(1, 'needs a site').max(80, 'is longer than 80 characters'),
  profile: z.enum(['metric-230', 'us-120']),
  duty: z.enum(Object.keys(DUTIES) as [DutyName, ...DutyName[]]),
});
type Form = z.infer<typeof formSchema>;

const PICKS = Object.values(DUTIES).map((d) => [d.kind, d.picks] as const);

const PROFILES = [
  ['metric-230', '230 V 50 Hz, millimetres and litres'],
  ['us-120', '120 V 60 Hz, feet, inches and gallons'],
] as const;

/** What a new station is asked at first. */
export function NewStationDialog({ sites, onClose }: { sites: readonly string[]; onClose(): void }) {
  const router = useRouter();
  const { register, control, handleSubmit, formState, setError } = useForm<Form>({
    resolver: zodResolver(formSchema),
    defaultValues: { name: '', site: sites[0] ?? '', profile: 'metric-230', duty: 'empty' },
  });

  const inputOf = (name: 'name' | 'site') => {
    const { ref, ...rest } = register(name);
    return { ...rest, inputRef: ref };
  };

  const make = handleSubmit(async ({ name, site, profile, duty }) => {
    const sent = await sendStation(JSON.stringify(exampleStation(name, site, profile, duty)));
    if (sent.ok) router.push(`/stations/${sent.id}/survey`);
    else setError('root', { message: sent.problems.map((p) => p.message).join('; ') });
  });
  return (
    <Dialog open onClose={onClose} aria-labelledby="new-title" fullWidth maxWidth="xs">
      <form onSubmit={(e) => void make(e)} noValidate>
        <DialogTitle id="new-title">New station</DialogTitle>
        <DialogContent>
          <Stack spacing={2} sx={{ pt: 1 }}>
            <Controller
              control={control}
              name="duty"
              render={({ field }) => (
                <Pick label="what it is for" value={field.value} choices={PICKS} onPick={field.onChange} />
              )}
            />
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
            <Typography variant="body2">
              It begins as an example of its duty whose rules all hold: every figure of it is yours to survey over.
            </Typography>
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
