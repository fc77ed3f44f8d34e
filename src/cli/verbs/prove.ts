import * as z from 'zod';
import { jobCard, jobsFor, type JobCard } from '@/core/jobs';
import { judgeFinding, proposeVerdict, WHOLE, type Step } from '@/core/proving';
import type { Station } from '@/core/station';
import { sayPhrase, siUnitOf, systemOf, type UnitSystem } from '@/core/units';
import { Complaint, readJsonFile, readStation, unitsFrom } from '../io';
import type { Verb } from '../verb';

const resultsSchema = z.record(z.string(), z.record(z.string(), z.union([z.number(), z.boolean()])));
type Results = z.infer<typeof resultsSchema>;

function readResults(file: string, plan: readonly Step[]): Results {
  const parsed = resultsSchema.safeParse(readJsonFile(file));
  if (!parsed.success)
    throw new Complaint(
      parsed.error.issues.map(
        (i) => `${file}: ${i.path.join('.') || 'document'}: must be a number in SI, or true or false`,
      ),
    );
  const strays = Object.entries(parsed.data).flatMap(([stepId, found]) => {
    const step = plan.find((s) => s.id === stepId);
    if (!step) return [`${file}: ${stepId}: this station's plan has no such step`];
    return Object.keys(found).flatMap((id) =>
      step.expects.some((e) => e.id === id) ? [] : [`${file}: ${stepId}.${id}: the step asks nothing of that name`],
    );
  });
  if (strays.length > 0) throw new Complaint(strays);
  return parsed.data;
}

function sayStep(step: Step, system: UnitSystem, results: Results | null) {
  const found = results?.[step.id] ?? {};
  return {
    id: step.id,
    phase: step.phase,
    title: step.title,
    actions: step.actions.map((a) => sayPhrase(a, system)),
    first: step.first,
    cautions: step.cautions,
    minutes: step.minutes,
    people: step.people,
    risk: step.risk,
    decisions: step.decisions.map((d) => ({
      ...d,
      choices: d.choices.map((c) => ({ ...c, why: sayPhrase(c.why, system) })),
    })),
    expects: step.expects.map((e) => ({
      id: e.id,
      label: e.label,
      sentence: sayPhrase(e.sentence, system),
      reading: e.reading && {
        expected: e.reading.expected?.value ?? null,
        least: e.reading.least,
        most: e.reading.most,
        unit: siUnitOf(e.reading.format),
      },
      probes: e.probes,
      ...(results && { found: found[e.id] ?? null, state: judgeFinding(e, found[e.id]) }),
    })),
    ...(results && { verdict: proposeVerdict(step, found) ?? 'open' }),
  };
}

const list = (station: Station, system: UnitSystem) => ({
  station: station.identity.name,
  jobs: jobsFor(station).map(({ against, ...job }) => ({ ...job, against: against && sayPhrase(against, system) })),
});

/** What is said round the steps of a card. */
const round = ({ job, title, bring, water, season, owner, next, minutes, people }: JobCard, system: UnitSystem) => ({
  job,
  title,
  minutes,
  people,
  bring: bring.map((b) => sayPhrase(b, system)),
  water: water && sayPhrase(water, system),
  season: season && sayPhrase(season, system),
  owner: owner.map((o) => sayPhrase(o, system)),
  next: sayPhrase(next, system),
});

export const prove: Verb = {
  usage: 'pitbell prove STATION.json [--list] [--job KIND] [--results FOUND.json] [--units metric|us]',
  about:
    'The test plan, or with --job the card of a job, with the expected result of every step; --list names the jobs and says why some are not for this station. With --results ({"step": {"expectation": number in SI or true/false}}) each finding is judged.',
  options: {
    units: { type: 'string' },
    results: { type: 'string' },
    job: { type: 'string' },
    list: { type: 'boolean' },
  },
  run([file], { units, results, job, list: asked }) {
    const station = readStation(file!, unitsFrom(units));
    const system = unitsFrom(units) ?? systemOf(station.profile);
    if (asked !== undefined) return list(station, system);
    const made = jobCard(station, job ?? WHOLE);
    if (!made.ok) throw new Complaint([`--job: ${sayPhrase(made.reason, system)}`]);
    const found = results === undefined ? null : readResults(results, made.card.steps);
    return {
      station: station.identity.name,
      ...round(made.card, system),
      steps: made.card.steps.map((step) => sayStep(step, system, found)),
    };
  },
};
