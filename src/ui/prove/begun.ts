import * as z from 'zod';
import { jobCard, jobTitle } from '@/core/jobs';
import type { Station } from '@/core/station';
import { sayPhrase, systemOf } from '@/core/units';
import { jsonOf, type Act } from '../outbox/act';
import type { RunProps } from './run';

export interface BegunRun {
  readonly run: RunProps;
  readonly title: string;
}

const bodySchema = z.object({ tester: z.string(), job: z.string(), revision: z.number() });

/**
 * The run that an act begins, its card made on this device from the same revision that the server will make it of; or why it cannot be shown.
 * @param station the station as it is on this device, saved, and its revision
 */
export function begunRun(act: Act, station: Station, revision: number): BegunRun | string {
  const said = bodySchema.safeParse(jsonOf(typeof act.body === 'string' ? act.body : null));
  if (!said.success) return 'what was kept of it cannot be read';
  const { tester, job } = said.data;
  if (said.data.revision !== revision)
    return `it was begun on revision ${said.data.revision}, and this device has revision ${revision}; its findings are kept, and sent`;
  const made = jobCard(station, job);
  if (!made.ok) return sayPhrase(made.reason, systemOf(station.profile));
  return {
    title: jobTitle(job),
    run: {
      id: act.id,
      stationId: act.stationId!,
      revision,
      startedAt: new Date(act.at).toISOString(),
      tester,
      job,
      plan: made.card.steps,
      entries: [],
    },
  };
}
