import { cardPdf, type CardAsked } from './card';
import type { Station } from '@/core/station';
import { stationFigures } from './figures';
import { jobCardPdf, readingsPdf, reportPdf, type ReportAsked } from './papers';
import { planText } from './plan';
import { suspectRows, type PartAsked } from './suspects';

/** The work that is not done on the thread that answers requests, by name. */
const JOBS = {
  figures: (document: string) => stationFigures(document),
  /** The card of a job as it is kept with a run. */
  plan: ({ station, job }: { station: Station; job: string }) => planText(station, job),
  suspects: (asked: PartAsked) => suspectRows(asked),
  card: (asked: CardAsked) => cardPdf(asked),
  report: (asked: ReportAsked) => reportPdf(asked),
  jobCard: (asked: Parameters<typeof jobCardPdf>[0]) => jobCardPdf(asked),
  readings: (asked: Parameters<typeof readingsPdf>[0]) => readingsPdf(asked),
} as const;

type Jobs = typeof JOBS;
export type JobName = keyof Jobs;
export type Asked<N extends JobName> = Parameters<Jobs[N]>[0];
export type Done<N extends JobName> = Awaited<ReturnType<Jobs[N]>>;

export interface Job {
  readonly name: JobName;
  readonly asked: unknown;
}

/** Does one job. The pool’s threads call it by this file’s default export. */
const run = ({ name, asked }: Job): unknown => (JOBS[name] as (asked: unknown) => unknown)(asked);
export default run;
