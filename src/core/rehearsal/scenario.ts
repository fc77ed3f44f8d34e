import { DUTIES, type DutyName } from '../duties';
import * as z from 'zod';
import type { Station } from '../station';
import { SCENARIO_VERSION, upgradeScenario } from './scenarioUpgrade';

const YEAR = 365 * 86400;
/** A rehearsal of more than this is refused, s. */
export const LONGEST = 10 * YEAR;

const at = z.number().min(0, 'a time before the beginning').max(LONGEST, 'a time after ten years');
const flow = z.number().min(0, 'an inflow cannot be negative').max(10, 'an inflow beyond anything this tool is for');

const heats = z.number().gt(0, 'a protector takes some time').max(86400, 'a protector that takes more than a day');

const inflow = z.discriminatedUnion(
  'kind',
  [
    z.strictObject({
      kind: z.literal('survey'),
      scale: z.number().min(0, 'a scale cannot be negative').max(100, 'a scale beyond 100'),
    }),
    z.strictObject({
      kind: z.literal('level'),
      which: z.enum(['low', 'design', 'peak'], 'must be low, design or peak'),
      scale: z.number().min(0, 'a scale cannot be negative').max(100, 'a scale beyond 100'),
    }),
    z.strictObject({
      kind: z.literal('steps'),
      rows: z
        .array(z.strictObject({ time: at, flow }))
        .min(1, 'an inflow table needs a row')
        .max(200000, 'more than 200 000 rows of inflow'),
      /** s after which the rows begin again; null: the last one stands. */
      repeatEvery: z.number().gt(0, 'a period must be more than zero').nullable(),
    }),
  ],
  'must be survey, level or steps',
);

/** What a rehearsal is told: an open document beside the station’s. Times in s from its beginning, flows in m³/s, heights in m. */
export const scenarioSchema = z.strictObject({
  format: z.literal('pit-bell/scenario', 'this is not a Pit Bell scenario'),
  version: z.literal(SCENARIO_VERSION, 'this version of the scenario is not known here'),
  name: z.string().min(1, 'needs a name').max(80, 'is longer than 80 characters'),
  duty: z.enum(Object.keys(DUTIES) as [DutyName, ...DutyName[]], 'must be a duty'),
  duration: z
    .number()
    .gt(0, 'the duration must be more than zero')
    .max(LONGEST, 'a rehearsal of more than ten years: ten at most'),
  startLevel: z
    .number()
    .min(0, 'a level below the floor')
    .nullable()
    .describe('where the water stands at the beginning; null: at the stop'),
  inflow,
  powerCuts: z.array(z.strictObject({ from: at, to: at })).max(2000, 'more than 2000 power cuts'),
  operations: z
    .array(z.strictObject({ at, device: z.string().min(1), position: z.string().min(1) }))
    .max(5000, 'more than 5000 moves of a hand'),
  faults: z
    .array(z.strictObject({ from: at, to: at.nullable(), id: z.string().min(1) }))
    .max(200, 'more than 200 faults'),
  responseTime: z
    .number()
    .gt(0, 'nobody is there at once')
    .max(YEAR, 'an answer after more than a year')
    .nullable()
    .default(null)
    .describe(
      'how long after the alarm begins a person is there, repairs what has failed and resets what has tripped, s; null: nobody comes',
    ),
  motorProtection: z
    .strictObject({ lockedRotor: heats, dryRunning: heats, cooling: heats })
    .default({ lockedRotor: 10, dryRunning: 600, cooling: 900 })
    .describe(
      'of the motors: how soon the thermal protector (or the overload) opens with the rotor standing, how soon with the pump in air, and how long it cools until it closes again, s; usual times unless they are known',
    ),
});

/** The scenario as JSON Schema (2020-12), for other programs. */
export const scenarioJsonSchema = (): object => z.toJSONSchema(scenarioSchema, { io: 'input' });

export type Scenario = z.infer<typeof scenarioSchema>;

/** What is wrong with a scenario for this station, each as `path: what`. */
export function scenarioProblems(scenario: Scenario, { duty }: Station): string[] {
  const cuts = [...scenario.powerCuts].sort((a, b) => a.from - b.from);
  const rows = scenario.inflow.kind === 'steps' ? scenario.inflow.rows : [];
  return [
    ...(scenario.duty === duty.kind
      ? []
      : [`duty: the scenario is for another duty (${scenario.duty}); this station’s is ${duty.kind}`]),
    ...scenario.powerCuts.flatMap((c, i) => (c.to > c.from ? [] : [`powerCuts.${i}: ends before it begins`])),
    ...cuts
      .slice(1)
      .flatMap((c, i) =>
        c.from < cuts[i]!.to
          ? [`powerCuts: the cut at ${c.from} s begins while the one at ${cuts[i]!.from} s lasts`]
          : [],
      ),
    ...scenario.faults.flatMap((f, i) =>
      f.to === null || f.to > f.from ? [] : [`faults.${i}: ends before it begins`],
    ),
    ...rows
      .slice(1)
      .flatMap((r, i) => (r.time > rows[i]!.time ? [] : [`inflow.rows.${i + 1}: times must rise`]))
      .slice(0, 5),
  ];
}

/** Reads anything as a scenario for a station, or says every problem as `path: what`. */
export function readScenario(
  input: unknown,
  station: Station,
): { ok: true; scenario: Scenario } | { ok: false; problems: string[] } {
  const parsed = scenarioSchema.safeParse(upgradeScenario(input));
  if (!parsed.success)
    return {
      ok: false,
      problems: parsed.error.issues.map(
        (i) => `${i.path.map(String).join('.') || 'scenario'}: ${i.message.replace(/^Invalid input: /, '')}`,
      ),
    };
  const problems = scenarioProblems(parsed.data, station);
  return problems.length > 0 ? { ok: false, problems } : { ok: true, scenario: parsed.data };
}
