import { jobKinds } from '@/core/jobs';
import { Pick } from '../parts/Pick';

/** Which kind of job does it; fetched when it is asked for, for it knows all jobs. */
export function JobPick({ job, onPick }: { job: string; onPick(job: string): void }) {
  return (
    <Pick
      label="the job that does it"
      value={job}
      empty="the whole proof"
      choices={jobKinds().map((j) => [j.id, j.title] as const)}
      onPick={(id) => onPick(String(id))}
    />
  );
}
