import { cardPdf, type CardAsked } from './card';
import { stationFigures } from './figures';

/** The work that is not done on the thread that answers requests, by name. */
const JOBS = {
  figures: (document: string) => stationFigures(document),
  card: (asked: CardAsked) => cardPdf(asked),
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
