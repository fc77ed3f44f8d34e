import { demoStations } from './demo';
import { dependence } from './dependence';
import { setAt } from './editing';
import { judge, lineOf } from './levels';
import { randomFrom } from './numeric';
import { doorCard, gaugeOf, planScene, shaftScene } from './papers';
import { propose } from './proposals';
import { testPlan } from './proving';
import { readyScenarios, rehearse } from './rehearsal';
import { panelOf, SCHEMES } from './schemes';
import { exampleStation } from './starting';
import { checkStation, type DocumentPath, type Station } from './station';
import { systemOf } from './units';
import {
  asLanded,
  askedOf,
  boxChecks,
  cautions,
  controlFigures,
  expectedReadings,
  supplyFigures,
  wire,
} from './wiring';

/*
 * Any document that the check lets pass: made from the demo stations and the examples by changing a few of their figures, schemes and schools at
 * random, edges among them. Whatever is asked of such a document must be answered, if only by saying why it cannot be told.
 */

type Random = ReturnType<typeof randomFrom>;

const DUTIES = ['empty', 'dose', 'fill', 'transfer', 'condensate'] as const;

const SEEDS: readonly Station[] = [
  ...demoStations().map((d) => d.station),
  ...DUTIES.flatMap((duty) =>
    (['metric-230', 'us-120'] as const).map((profile) => exampleStation('Any', 'Yard', profile, duty)),
  ),
];

/** Every number of a document, by path. */
function* numbers(node: unknown, path: string): Generator<string> {
  if (typeof node === 'number') yield path;
  else if (typeof node === 'object' && node !== null)
    for (const [key, value] of Object.entries(node)) yield* numbers(value, path === '' ? key : `${path}.${key}`);
}

const at = (node: unknown, path: string): unknown =>
  path.split('.').reduce<unknown>((n, step) => (n as Record<string, unknown>)[step], node);

/** One figure made another: a little, a lot, nothing, or another figure of the same document. */
function otherNumber(value: number, random: Random, all: readonly number[]): number {
  const pick = random.even();
  if (pick < 0.4) return value * (0.5 + random.even());
  if (pick < 0.6) return value * 10 ** (4 * random.even() - 2);
  if (pick < 0.7) return 0;
  if (pick < 0.8) return -value;
  if (pick < 0.9) return Math.round(value);
  return all[Math.floor(random.even() * all.length)]!;
}

const CHOICES: readonly (readonly [string, readonly unknown[]])[] = [
  ['control.scheme', SCHEMES.map((s) => s.id)],
  ['control.floats', ['three', 'four']],
  ['control.alternates', [true, false]],
  ['supply.source', ['single', 'split', 'three']],
  ['settings.submergence', ['motor', 'volute', 'vortex']],
  ['settings.inlet', ['free', 'surcharged']],
  ['settings.firm', ['peak', 'design']],
  ['settings.friction', ['darcy-weisbach', 'hazen-williams']],
  ['discharge.checkValve', [null, { pipeBefore: 0 }, { pipeBefore: 3 }]],
  ['discharge.weepHole', [null, { diameter: 0.006, height: 0.3 }]],
  ['discharge.highPoint', [null, { height: 6, along: 5, vented: true }, { height: 6, along: 5, vented: false }]],
  ['control.parts.stagger', [null, 10]],
  ['control.parts.phaseMonitor', [true, false]],
  ['control.parts.extraLow', ['no', 'ac', 'dc']],
];

const many = <T>(count: number, make: (i: number) => T): T[] => Array.from({ length: count }, (_, i) => make(i));

/** Lists as long as the check lets them be, where a document of its kind has them. */
const AT_THE_EDGE: readonly ((s: Station, random: Random) => Station)[] = [
  (s, { even }) => ({
    ...s,
    obstacles: many(20, (i) => {
      const place = { name: `o${i}`, bearing: 360 * even(), offset: 0.4 * even(), from: 0, to: 0.2 + 1.2 * even() };
      return i % 2 === 0
        ? { ...place, kind: 'round', diameter: 0.02 + 0.1 * even() }
        : { ...place, kind: 'flat', width: 0.2, thickness: 0.03, facing: 360 * even() };
    }),
  }),
  (s) => ({
    ...s,
    inflow: {
      ...s.inflow,
      source: {
        kind: 'storm',
        base: 1e-5,
        rows: many(2000, (i) => ({ time: i * 60, flow: 1e-3 * Math.sin(i / 40) ** 2 })),
      },
    },
  }),
  (s) => ({
    ...s,
    inflow: {
      ...s.inflow,
      source: {
        kind: 'fixtures',
        hours: 16,
        uses: many(60, (i) => ({ name: `f${i}`, volume: 0.006, flow: 1e-5 * (1 + i), perDay: 40, atOnce: 2 })),
      },
    },
  }),
  (s) => ({
    ...s,
    pumps: s.pumps.map((p) => {
      const [first, last] = [p.curve[0]!, p.curve.at(-1)!];
      const between = (a: number, b: number, i: number) => a + ((b - a) * i) / 59;
      return {
        ...p,
        curve: many(60, (i) => ({ flow: between(first.flow, last.flow, i), head: between(first.head, last.head, i) })),
      };
    }),
  }),
  (s) => ({
    ...s,
    interlocks: many(8, (i) => ({ kind: 'cutoff', name: `w${i}`, acts: 'live', volts: 230, amps: 2, warns: false })),
  }),
];

/** The document of a seed. */
export function anyDocument(seed: number): Station {
  const random = randomFrom(seed);
  let station = SEEDS[Math.floor(random.even() * SEEDS.length)]!;
  const paths = [...numbers(station, '')].filter((p) => p !== 'version');
  const all = paths.map((p) => at(station, p) as number);
  const edits = 1 + Math.floor(random.even() * 4);
  for (let i = 0, tries = 0; i < edits && tries < 40; tries++) {
    const choice = random.even() < 0.3 ? CHOICES[Math.floor(random.even() * CHOICES.length)]! : null;
    const path = choice?.[0] ?? paths[Math.floor(random.even() * paths.length)]!;
    const value = choice
      ? choice[1][Math.floor(random.even() * choice[1].length)]
      : otherNumber(at(station, path) as number, random, all);
    const made = setAt(station, path as DocumentPath, value);
    const checked = checkStation(made);
    if (!checked.ok) continue;
    station = checked.station;
    i++;
  }
  if (random.even() >= 0.1) return station;
  const grown = checkStation(AT_THE_EDGE[Math.floor(random.even() * AT_THE_EDGE.length)]!(station, random));
  return grown.ok ? grown.station : station;
}

/** Numbers of an answer that are none. What stands for “for ever” is allowed to be endless. */
function* notNumbers(node: unknown, path = '', depth = 0): Generator<string> {
  if (typeof node === 'number') {
    if (Number.isNaN(node)) yield path;
  } else if (typeof node === 'object' && node !== null && depth < 9)
    for (const [key, value] of Object.entries(node))
      if (typeof value !== 'function') yield* notNumbers(value, `${path}.${key}`, depth + 1);
}

const DAY = 86400;

/** What is asked of a document, by name. */
export const QUESTIONS: Readonly<Record<string, (s: Station) => unknown>> = {
  judge: (s) => {
    const { context, ...rest } = judge(s, undefined, askedOf(s));
    return { ...rest, worst: context.worst, line: lineOf(context) };
  },
  plan: testPlan,
  gauge: (s) => gaugeOf(s, systemOf(s.profile)),
  card: (s) => doorCard(judge(s), 1, 'today', systemOf(s.profile), ''),
  drawing: (s) => {
    const { context } = judge(s);
    return [
      shaftScene(context, { width: 400, height: 700, detail: 'full', system: 'metric', level: context.lead }).groups,
      planScene(context, 300, 300),
    ];
  },
  panel: (s) => {
    const made = panelOf(s);
    if (!made.ok) return made.reasons;
    const wired = wire(s, made.panel);
    return [
      supplyFigures(s),
      controlFigures(s, wired),
      boxChecks(s),
      cautions(s, made.panel),
      expectedReadings(wired),
      asLanded(s, made.panel),
    ];
  },
  proposals: (s) => propose(s).map((p) => (p.ok ? p.gains : p.bites)),
  dependence: (s) =>
    s.surveyed.rest === 'confirmed' && Object.keys(s.surveyed.figures).length === 0 ? null : dependence(s),
  day: (s) => {
    const [ready] = readyScenarios(s);
    return ready ? rehearse(s, { ...ready, duration: Math.min(ready.duration, DAY) }) : null;
  },
};

/** What is wrong with the answer to one question: thrown, or a number that is none; null where nothing is. */
export function wrong(station: Station, question: string): string | null {
  try {
    const [none] = notNumbers(QUESTIONS[question]!(station));
    return none === undefined ? null : `${question}: not a number at ${none}`;
  } catch (e) {
    return `${question}: ${(e as Error).stack?.split('\n').slice(0, 4).join(' | ')}`;
  }
}
