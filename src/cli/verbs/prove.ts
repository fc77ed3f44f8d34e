import * as z from 'zod';
import { judgeFinding, proposeVerdict, testPlan, type Step } from '@/core/proving';
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
    cautions: step.cautions,
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
      ...(results && { found: found[e.id] ?? null, state: judgeFinding(e, found[e.id]) }),
    })),
    ...(results && { verdict: proposeVerdict(step, found) ?? 'open' }),
  };
}

export const prove: Verb = {
  usage: 'pitbell prove STATION.json [--results FOUND.json] [--units metric|us]',
  about:
    'The test plan with the expected result of every step; with --results ({"step": {"expectation": number in SI or true/false}}) each finding is judged.',
  options: { units: { type: 'string' }, results: { type: 'string' } },
  run([file], { units, results }) {
    const station = readStation(file!, unitsFrom(units));
    const system = unitsFrom(units) ?? systemOf(station.profile);
    const plan = testPlan(station);
    const found = results === undefined ? null : readResults(results, plan);
    return { station: station.identity.name, steps: plan.map((step) => sayStep(step, system, found)) };
  },
};
