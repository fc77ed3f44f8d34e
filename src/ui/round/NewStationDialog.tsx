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
import { Controller, useForm, type Control } from 'react-hook-form';
import * as z from 'zod';
import { DUTIES, type DutyName } from '@/core/duties';
import { jobKinds } from '@/core/jobs';
import { exampleStation } from '@/core/starting';
import { Pick } from '../parts/Pick';
import { TextBox } from '../parts/TextBox';
import { askFirm, byFirm } from '../survey/firmSettings';
import { hereAt, sendStation } from './sendStation';
import { Notice } from '../parts/Notice';

const formSchema = z.object({
  name: z.string().trim().min(1, 'needs a name').max(80, 'is longer than 80 characters'),
  site: z.string().trim().min(1, 'needs a site').max(80, 'is longer than 80 characters'),
  profile: z.enum(['metric-230', 'us-120']),
  duty: z.enum(Object.keys(DUTIES) as [DutyName, ...DutyName[]]),
  /** The job that it begins with; empty: its survey. */
  job: z.string(),
});
type Form = z.infer<typeof formSchema>;

const PICKS = Object.values(DUTIES).map((d) => [d.kind, d.picks] as const);

const KINDS = jobKinds();
const JOBS = [['', 'its survey'] as const, ...KINDS.map((j) => [j.id, j.title] as const)];

const PROFILES = [
  ['metric-230', '230 V 50 Hz, millimetres and litres'],
  ['us-120', '120 V 60 Hz, feet, inches and gallons'],
] as const;

/** The job that it begins with, or its survey; a job that wants another kind of station brings it. */
function BeginWith({ control, onDuty }: { control: Control<Form>; onDuty(duty: DutyName): void }) {
  return (
    <Controller
      control={control}
      name="job"
      render={({ field }) => (
        <Pick
          label="begin with"
          value={field.value}
          choices={JOBS}
          onPick={(id) => {
            field.onChange(id);
            const kind = KINDS.find((j) => j.id === id);
            if (kind) onDuty(kind.begins);
          }}
        />
      )}
    />
  );
}

/** What a new station is asked at first. */
export function NewStationDialog({ sites, onClose }: { sites: readonly string[]; onClose(): void }) {
  const router = useRouter();
  const { register, control, handleSubmit, formState, setError, setValue } = useForm<Form>({
    resolver: zodResolver(formSchema),
    defaultValues: { name: '', site: sites[0] ?? '', profile: 'metric-230', duty: 'empty', job: '' },
  });

  const inputOf = (name: 'name' | 'site') => {
    const { ref, ...rest } = register(name);
    return { ...rest, inputRef: ref };
  };

  const make = handleSubmit(async ({ name, site, profile, duty, job }) => {
    const example = exampleStation(name, site, profile, duty);
    const firm = await askFirm(profile);
    // Without the server it is made all the same, and waits on this device.
    if (!firm.ok && !firm.away) return setError('root', { message: firm.reason });
    const sent = await sendStation(JSON.stringify(byFirm(example, firm.ok ? firm.firm : null)));
    if (sent.ok === 'kept') router.push(hereAt(sent.key, 'survey'));
    else if (sent.ok) router.push(job === '' ? `/stations/${sent.id}/survey` : `/stations/${sent.id}/prove?job=${job}`);
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
            <BeginWith control={control} onDuty={(duty) => setValue('duty', duty)} />
            <Typography variant="body2">
              It begins as an example of its duty, with the firm’s own figures for rules and wires where it has kept
              any: every figure of it is assumed until it is surveyed, also on the card of a job.
            </Typography>
            {formState.errors.root && <Notice severity="error">{formState.errors.root.message}</Notice>}
          </Stack>
        </DialogContent>
        <DialogActions>
          <Button onClick={onClose}>cancel</Button>
          <Button type="submit" variant="contained" disabled={formState.isSubmitting}>
            make it
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}
