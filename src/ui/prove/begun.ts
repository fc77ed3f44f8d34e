import * as z from 'zod';
import { jobCard, jobTitle } from '@/core/jobs';
import { readPlan, storePlan } from '@/core/proving';
import type { Station } from '@/core/station';
import { jsonOf, type Act } from '../outbox/act';
import type { RunProps } from './run';
import { findingsHere } from './sendRun';

export interface BegunRun {
  readonly run: RunProps;
  readonly title: string;
}

/** The card of a job as it is kept with a run that begins here; null where there is none for this station: the server says why. */
export function cardKept(station: Station, job: string): string | null {
  const made = jobCard(station, job);
  return made.ok ? storePlan(made.card.steps, job) : null;
}

const bodySchema = z.object({ tester: z.string(), revision: z.number().optional(), card: z.string() });

/** The run that an act begins, by the card that was kept with it, with what was found since; or why it cannot be shown. */
export function begunRun(act: Act, acts: readonly Act[]): BegunRun | string {
  const said = bodySchema.safeParse(jsonOf(typeof act.body === 'string' ? act.body : null));
  if (!said.success) return 'what was kept of it cannot be read';
  const plan = readPlan(said.data.card);
  if (!plan.ok) return plan.reason;
  return {
    title: jobTitle(plan.job),
    run: {
      id: act.id,
      stationId: act.stationId!,
      revision: said.data.revision ?? null,
      startedAt: new Date(act.at).toISOString(),
      tester: said.data.tester,
      job: plan.job,
      plan: plan.steps,
      entries: findingsHere(acts, act.id),
    },
  };
}
