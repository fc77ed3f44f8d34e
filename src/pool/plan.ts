import { jobCard } from '@/core/jobs';
import { storePlan } from '@/core/proving';
import type { Station } from '@/core/station';
import { sayPhrase, systemOf } from '@/core/units';

/** The card of a job as it is kept with a run, or why there is none for this station. */
export function planText(station: Station, job: string): { ok: true; plan: string } | { ok: false; reason: string } {
  const made = jobCard(station, job);
  return made.ok
    ? { ok: true, plan: storePlan(made.card.steps, job) }
    : { ok: false, reason: sayPhrase(made.reason, systemOf(station.profile)) };
}
