import { stepsOf, WHOLE, type Step } from '../proving';
import type { Station } from '../station';
import { worldOf, type Test, type World } from '../tests';
import { phrase, type Phrase } from '../units';
import type { Job, JobParts } from './job';
import { benchOf, see, work } from './parts';
import { JOBS } from './table';

/** A job of a station as a card: its steps with what to expect, and what is said round them. */
export interface JobCard extends Pick<JobParts, 'owner' | 'next' | 'season' | 'water' | 'bring'> {
  readonly job: string;
  readonly title: string;
  readonly steps: readonly Step[];
  /** Of all steps together. */
  readonly minutes: number;
  readonly people: number;
}

/** What kinds of job there are for a station, and why the others are not for it. */
export interface Offer {
  readonly id: string;
  readonly title: string;
  readonly when: string;
  readonly begins: Job['begins'];
  /** Null where it fits. */
  readonly against: Phrase | null;
}

const offer = ({ id, title, when, begins }: Job): Omit<Offer, 'against'> => ({ id, title, when, begins });

/** Every kind of job, with no station in mind. */
export const jobKinds = (): readonly Omit<Offer, 'against'>[] => JOBS.map(offer);

/** What a kind of job is called; its own word where it is none of this version. */
export const jobTitle = (id: string): string => JOBS.find((j) => j.id === id)?.title ?? id;

/** Every kind of job for a station. @param station checked, by `checkStation` */
export function jobsFor(station: Station, world?: World): Offer[] {
  const bench = benchOf(station, world);
  return JOBS.map((job) => ({ ...offer(job), against: job.against(bench) }));
}

/** What is brought, before anything else: a box to tick for each. */
const bringing = ({ bring, water, season }: JobParts): Test =>
  work('bring', 'What to bring', {
    phase: 'look',
    actions: [...(water ? [phrase`Water: ${water}`] : []), ...(season ? [phrase`Season: ${season}`] : [])],
    sees: bring.map((what, i) => see(`bring-${i + 1}`, 'with you', what)),
    minutes: 5,
    risk: 'look',
  });

/** How the site is left, and what its owner is told. */
const leaving = ({ leave, owner, next }: JobParts): Test =>
  work('leave', 'As it is left', {
    phase: 'leave',
    actions: [...owner.map((o) => phrase`Tell the owner: ${o}`), phrase`Next look: ${next}.`],
    sees: [...leave.map((what, i) => see(`leave-${i + 1}`, 'left', what)), see('told', 'owner', 'was told')],
    minutes: 5,
    risk: 'look',
  });

/** Steps that come twice, by what several parts of a card ask for, are done once: the first time. */
const once = (tests: readonly Test[]): Test[] => tests.filter((t, i) => tests.findIndex((o) => o.id === t.id) === i);

/** Every test of a card in its order. The whole proof is what it always was: the plan, and nothing round it. */
const allOf = (job: Job, parts: JobParts): readonly Test[] =>
  job.id === WHOLE ? parts.tests : once([bringing(parts), ...parts.tests, leaving(parts)]);

/** The tests of a job for a station, as data; null where the job is not for it. */
export function testsOf(station: Station, id: string): { tests: readonly Test[] } | null {
  const job = JOBS.find((j) => j.id === id);
  const bench = benchOf(station);
  return job && job.against(bench) === null ? { tests: allOf(job, job.make(bench)) } : null;
}

/**
 * The card of a job for a station.
 * @param station checked, by `checkStation`
 * @returns why there is none, where the job is not for it or there is no such job
 * @example
 * const card = jobCard(newStation('Sump', 'Yard', 'metric-230'), 'J13');
 * card.card.steps.map((s) => s.id).slice(0, 3) // → ['bring', 'first', 'bypass']
 */
export function jobCard(
  station: Station,
  id: string,
  world?: World,
): { ok: true; card: JobCard } | { ok: false; reason: Phrase } {
  const job = JOBS.find((j) => j.id === id);
  if (!job)
    return { ok: false, reason: phrase`“${id}” is no kind of job; there are ${JOBS.map((j) => j.id).join(', ')}` };
  const bench = benchOf(station, world);
  const against = job.against(bench);
  if (against) return { ok: false, reason: phrase`this job is not for this station: ${against}` };
  const parts = job.make(bench);
  const steps = stepsOf(bench.world, allOf(job, parts));
  return {
    ok: true,
    card: {
      job: job.id,
      title: job.title,
      bring: parts.bring,
      owner: parts.owner,
      next: parts.next,
      season: parts.season,
      water: parts.water,
      steps,
      minutes: steps.reduce((sum, s) => sum + (s.minutes ?? 0), 0),
      people: Math.max(...steps.map((s) => s.people)),
    },
  };
}

/** Jobs of a station while it is edited: what was solved of its panel serves again where an edit leaves its circuit alone. */
export function jobsAt() {
  let last: { station: Station; world: World } | null = null;
  const worldFor = (station: Station): World => {
    if (last?.station !== station) last = { station, world: worldOf(station, [], 'designed', last?.world ?? null) };
    return last.world;
  };
  return {
    offers: (station: Station) => jobsFor(station, worldFor(station)),
    card: (station: Station, id: string) => jobCard(station, id, worldFor(station)),
  };
}
