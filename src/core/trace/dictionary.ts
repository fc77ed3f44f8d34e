import type { Panel } from '../schemes';
import type { Station } from '../station';
import { faultTestsOf, predictByTurn, worldOf, type FaultTest, type Observation, type World } from '../tests';
import { phrase, type Phrase } from '../units';
import { expectOf, waysOf, type Expect, type Range, type Way } from './expect';
import { lifeOf, type Life } from './life';
import { HEALTHY, OTHER, type Suspect } from './suspect';
import { symptomsOf, type Symptom } from './symptoms';

/** One observation of one test, by a name that both have. */
export interface Asked {
  readonly key: string;
  readonly test: FaultTest;
  readonly observation: Observation;
}

/** What one suspect would show: each observation in the order of the dictionary, and each symptom. */
export interface Row {
  readonly expects: readonly Expect[];
  readonly symptoms: readonly boolean[];
}

/** A station that can be asked what its suspects would show. */
export interface Asking {
  readonly station: Station;
  readonly panel: Panel;
  readonly world: World;
  readonly tests: readonly FaultTest[];
  readonly asked: readonly Asked[];
  readonly symptoms: readonly Symptom[];
  /** What a suspect would show, made once for each; null for what is not named. */
  row(suspect: Suspect): Row | null;
  /** Takes a row that was made of the same station elsewhere. */
  learn(suspect: string, row: Row): void;
  /** Whether the row of a suspect was made already. */
  knows(suspect: string): boolean;
  /** Tests more: readings that somebody took of his own. */
  with(...more: readonly FaultTest[]): Asking;
}

export const keyOf = (test: string, observation: string): string => `${test}/${observation}`;

const askedOf = (tests: readonly FaultTest[]): Asked[] =>
  tests.flatMap((test) =>
    test.test.parts.flatMap((p) =>
      p.observes.map((observation) => ({ key: keyOf(test.test.id, observation.id), test, observation })),
    ),
  );

/** Predictions of one world, test by test, as expectations. */
const expectsOf = (world: World, tests: readonly FaultTest[]): Expect[] =>
  tests.flatMap(({ test }) => {
    const found = predictByTurn(world, test);
    return test.parts.flatMap((p) => p.observes.map((o) => expectOf(found.get(o.id)!)));
  });

type Lives = { readonly usual: Life; readonly peak: Life };

function livesOf(world: World, panel: Panel, faults: Suspect['faults']): Lives | null {
  const usual = lifeOf(world.levels, panel, faults, 'design');
  const peak = lifeOf(world.levels, panel, faults, 'peak');
  return usual && peak ? { usual, peak } : null;
}

/**
 * A station made ready to be asked. Nothing of a suspect is worked out before its row is wanted.
 * @returns why it cannot: no panel of its scheme can be drawn, or it cannot be rehearsed
 */
export function askingOf(document: Station): { ok: true; asking: Asking } | { ok: false; reasons: readonly Phrase[] } {
  // Landings as they were found are suspects among others: it is asked as it is designed.
  const station: Station = { ...document, landings: { cores: [], links: [] } };
  const world = worldOf(station);
  if (!world.panel) return { ok: false, reasons: world.reasons };
  const { panel } = world;
  const healthy = livesOf(world, panel, []);
  if (!healthy)
    return { ok: false, reasons: [phrase`it cannot be rehearsed, and so no suspect can be asked what it would show`] };
  const symptoms = symptomsOf(world);

  const asking = (tests: readonly FaultTest[], first: Asking | null): Asking => {
    const rows = new Map<string, Row>();
    const more = first ? tests.slice(first.tests.length) : tests;
    const made = (suspect: Suspect): Row => {
      const before = first?.row(suspect) ?? null;
      const at = suspect.id === HEALTHY ? world : worldOf(station, suspect.faults, 'designed', world);
      const lives = before ? null : suspect.id === HEALTHY ? healthy : livesOf(world, panel, suspect.faults);
      const view = lives && { world: at, ...lives, healthy: { world, ...healthy } };
      return {
        expects: [...(before?.expects ?? []), ...expectsOf(at, more)],
        symptoms: before?.symptoms ?? symptoms.map((s) => view !== null && s.holds(view)),
      };
    };
    const self: Asking = {
      station,
      panel,
      world,
      tests,
      asked: askedOf(tests),
      symptoms,
      row(suspect) {
        if (suspect.id === OTHER) return null;
        const known = rows.get(suspect.id) ?? made(suspect);
        rows.set(suspect.id, known);
        return known;
      },
      learn: (suspect, row) => void rows.set(suspect, row),
      knows: (suspect) => rows.has(suspect) || (first?.knows(suspect) ?? false),
      with: (...more) => asking([...tests, ...more], self),
    };
    return self;
  };
  return { ok: true, asking: asking(faultTestsOf(world), null) };
}

/** Everything that an observation may come to over all suspects, by its place. */
export const columnOf = (rows: readonly (Row | null)[], index: number): Way[] =>
  rows.flatMap((row) => waysOf(row?.expects[index] ?? null));

/** What each observation may come to over all suspects: what a slip is spread over. */
export function rangesOf({ asked }: Asking, rows: readonly (Row | null)[]): Range[] {
  return asked.map(({ observation }, i) => {
    let [low, high] = [Infinity, -Infinity];
    const words = new Set<string>();
    for (const e of columnOf(rows, i)) {
      if (e?.kind === 'figure') {
        low = Math.min(low, e.at - 3 * e.spread);
        high = Math.max(high, e.at + 3 * e.spread);
      } else if (e?.kind === 'words') words.add(e.text);
      else if (e) for (const w of e.which) words.add(w);
    }
    return {
      width: high >= low ? Math.max(high - low, 1e-9) : 1,
      texts: Math.max(words.size, 1),
      format: formatOf(observation),
    };
  });
}

/** In what a figure of an observation is read; null where words answer. */
export function formatOf(
  o: Observation,
):
  | 'resistance'
  | 'voltage'
  | 'current'
  | 'leak'
  | 'height'
  | 'time'
  | 'flow'
  | 'levelRate'
  | 'volume'
  | 'capacitance'
  | null {
  switch (o.kind) {
    case 'ohms':
      return 'resistance';
    case 'volts':
    case 'dead':
      return 'voltage';
    case 'amps':
      return 'current';
    case 'clamp':
      return 'leak';
    case 'tape':
    case 'level':
      return 'height';
    case 'run time':
    case 'hose time':
      return 'time';
    case 'fall rate':
      return 'levelRate';
    case 'flow':
    case 'inflow':
      return 'flow';
    case 'volume':
      return 'volume';
    case 'farads':
      return 'capacitance';
    default:
      return null;
  }
}

/** The words that an observation may be answered by, over every suspect; the sound station's first. */
export function wordsOf(rows: readonly (Row | null)[], index: number): string[] {
  return [...new Set(columnOf(rows, index).flatMap((e) => (e?.kind === 'words' ? [e.text] : [])))];
}
