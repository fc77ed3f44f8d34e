import { sayPhrase, systemOf } from '../units';
import { RISKS, standing, atRest, perform, probeId, probeTest, type FaultTest, type Observation, type Probes, type Setting, type Test } from '../tests';
import { beliefs, boardOf, entropy, likelihoods, type Board, type Evidence } from './belief';
import { askingOf, formatOf, keyOf, wordsOf } from './dictionary';
import { doubts, weights, type Doubt } from './doubt';
import type { Expect, Found } from './expect';
import { fromBook } from './fromBook';
import { floodOf, type Flood } from './flood';
import { questionsOf, type Question } from './groups';
import { allowed, candidates, minutesBetween, nextOf, type Candidate, type Course } from './next';
import { mendOf, type Mend } from './mend';
import { withPairs } from './pairs';
import { NO_PAST, type Past } from './past';
import { suspectsOf } from './suspects';
import { roundOf, ROUNDS, saysOf } from './symptoms';
import { closedOf, countedOf, PROBED, probesTold, seenOf, type Told } from './told';
import { bites, type Bite } from './traps';
import { standings, sure, type Standing } from './verdict';
import type { Station } from '../station';
import type { Format } from '../units';

/** A station that is being traced: what is known of its suspects so far. */
export interface Tracing {
  readonly station: Station;
  /** What the meters have shown, by the book; what somebody says of the same stands in place of it. */
  readonly book: readonly Evidence[];
  board: Board;
}

/**
 * Makes a station ready to be traced: every suspect is asked what it would show.
 * @returns why it cannot be: no panel of its scheme can be drawn, or it cannot be rehearsed
 */
export function tracingOf(
  station: Station,
  past: Past = NO_PAST,
  told?: (share: number) => void,
): { ok: true; tracing: Tracing } | { ok: false; reasons: readonly string[] } {
  const made = askingOf(station);
  if (!made.ok)
    return { ok: false, reasons: made.reasons.map((r) => sayPhrase(r, systemOf(station.profile))) };
  const board = boardOf(made.asking, suspectsOf(station, made.asking.panel, past), told);
  return { ok: true, tracing: { station, board, book: fromBook(past.findings) } };
}

/** What counts: what was told, and what the meters have shown where nobody said otherwise. */
function evidenceOf({ book }: Tracing, told: Told): Evidence[] {
  const seen = seenOf(told);
  return [...countedOf(told), ...book.filter((e) => e.kind === 'symptom' && !seen.has(e.symptom))];
}

/** A board that knows the readings of one's own as well. */
function withProbes(board: Board, told: Told): Board {
  const news = probesTold(told).filter(
    ({ probes, setting }, i, all) =>
      !board.place.has(keyOf(probeId(probes, setting), PROBED)) &&
      all.findIndex((x) => probeId(x.probes, x.setting) === probeId(probes, setting)) === i,
  );
  if (news.length === 0) return board;
  const asking = news.reduce(
    (a, { probes, setting }) => a.with(probeTest(a.world, probes, setting, PROBED)),
    board.asking,
  );
  return boardOf(asking, board.suspects);
}

/** A suspect as it is shown: one bar. */
export interface Bar {
  readonly id: string;
  readonly label: string;
  readonly probability: number;
  /** Suspects that no test tells from it. */
  readonly like: readonly string[];
  /** Why: what spoke most for it, or against. */
  readonly why: string;
  readonly because: readonly string[];
  /** Its size, where it comes in several and evidence has moved it. */
  readonly size: string | null;
  readonly kind: string;
  /** What the book keeps of it: each fault, and its kind by its cause. */
  readonly faults: readonly { readonly id: string; readonly label: string; readonly cause: string }[];
}

/** What a leading suspect would answer. */
export interface Answer {
  readonly suspect: string;
  readonly shows: string;
}

/** How one observation of a test is answered. */
export interface Field {
  readonly id: string;
  readonly label: string;
  readonly probes: Probes | null;
  /** A figure in this format; words to choose among; or things that happen, each yes or no. */
  readonly as:
    | { readonly kind: 'figure'; readonly format: Format }
    | { readonly kind: 'words'; readonly choices: readonly string[] }
    | { readonly kind: 'happens'; readonly outcomes: readonly { readonly id: string; readonly label: string }[] };
  readonly expects: readonly Answer[];
}

/** The next test as one card, or a round of looks. */
export interface Card {
  readonly id: string;
  readonly title: string;
  readonly kind: 'test' | 'round';
  readonly risk: string;
  /** Its own minutes, and those to come into its state. */
  readonly minutes: number;
  readonly before: number;
  readonly setting: Setting | null;
  readonly people: number;
  /** What of the drawing answers. */
  readonly about: Test['about'];
  /** What stands isolated, lifted, in Hand while it is made, in words; what is put back after it. */
  readonly state: readonly string[];
  readonly actions: readonly string[];
  readonly cautions: readonly string[];
  readonly restores: readonly string[];
  readonly fields: readonly Field[];
  /** Of a round: what is looked for. */
  readonly looks: readonly { readonly id: string; readonly says: string }[];
  /** Bits that it is expected to tell, and what would be left of the leading suspects by each answer. */
  readonly tells: number;
  readonly leaves: readonly { readonly answer: string; readonly chance: number; readonly left: readonly string[] }[];
}

/** Everything that is shown of a trace as it stands. */
export interface Thought {
  readonly bars: readonly Bar[];
  /** Suspects that are not shown: how many, and how likely together. */
  readonly others: { readonly count: number; readonly probability: number };
  readonly asked: number;
  readonly unknown: number;
  readonly next: Card | null;
  readonly besides: readonly { readonly id: string; readonly title: string; readonly minutes: number; readonly risk: string }[];
  readonly sure: boolean;
  readonly flood: Flood | null;
  readonly doubts: readonly (Doubt & { readonly says: string })[];
  readonly traps: readonly Bite[];
  /** Answers to what this station does not have: of another station, or of another revision. */
  readonly strangers: readonly string[];
  readonly pairs: boolean;
  /** What was told, in words, in its order. */
  readonly told: readonly string[];
  readonly symptoms: readonly { readonly id: string; readonly says: string; readonly ofTheTrade: boolean }[];
}

const SHOWN = 8;

export const SETTING_WORDS: Readonly<Record<Setting, string>> = {
  resting: 'the water under every call',
  called: 'the water at the first call',
  high: 'the water over the alarm',
  dead: 'isolated, locked, proved dead',
};

/** What a piece of evidence says, in words. */
export function sayEvidence(board: Board, e: Evidence): string {
  if (e.kind === 'symptom') {
    const symptom = board.asking.symptoms.find((s) => s.id === e.symptom);
    const words = symptom ? saysOf(symptom, board.asking.world) : e.symptom;
    return `${e.shown ? '' : 'not: '}${words}${e.sure === undefined ? '' : ', by the book'}`;
  }
  const asked = board.asking.asked.find((a) => a.key === keyOf(e.test, e.observation));
  if (!asked) return `${e.test}: ${e.observation}`;
  return `${asked.observation.label}: ${sayFound(board, asked.observation, e.found)}`;
}

/** A figure in its format, or words, or what happens. */
function sayFound(board: Board, o: Observation, found: Found): string {
  if (typeof found === 'string') return found;
  if (typeof found === 'number') {
    const format = formatOf(o);
    if (format === 'resistance' && found > 1e7) return 'open line';
    return sayPhrase([{ value: found, format: format ?? 'factor' }], systemOf(board.asking.station.profile));
  }
  const { outcomes } = board.asking.panel;
  return found.length === 0
    ? 'nothing runs, sounds or is lit'
    : found.map((id) => outcomes.find((x) => x.id === id)?.label ?? id).join(', ');
}

/** What an expectation shows, in words. */
function sayExpect(board: Board, o: Observation, e: Expect): string {
  if (e === null) return 'cannot be told';
  if (e.kind === 'words') return e.text;
  if (e.kind === 'happens') return e.ways.map((w) => sayFound(board, o, w)).join(', or ');
  const format = formatOf(o);
  return sayFound(board, o, format === 'resistance' ? 10 ** e.at : e.at);
}

const probesOf = (o: Observation): Probes | null => (o.kind === 'volts' || o.kind === 'ohms' ? o.probes : null);

/** How an observation is answered. */
function fieldOf(board: Board, test: FaultTest, o: Observation, leading: readonly number[]): Field {
  const index = board.place.get(keyOf(test.test.id, o.id))!;
  const format = formatOf(o);
  const words = wordsOf(board.rows, index);
  const as: Field['as'] =
    o.kind === 'happens'
      ? {
          kind: 'happens',
          outcomes: board.asking.panel.outcomes.flatMap((x) => (x.kind === 'call' ? [] : [{ id: x.id, label: x.label }])),
        }
      : format
        ? { kind: 'figure', format }
        : { kind: 'words', choices: words };
  return {
    id: o.id,
    label: o.label,
    probes: probesOf(o),
    as,
    expects: leading.map((i) => ({
      suspect: board.suspects[i]!.label,
      shows: sayExpect(board, o, board.rows[i]?.expects[index] ?? null),
    })),
  };
}

/** What each answer would leave. */
function leavesOf(board: Board, q: Question, p: readonly number[], seen: ReadonlySet<string>): Card['leaves'] {
  const chance = Array.from({ length: q.count }, (_, k) => p.reduce((sum, x, i) => (q.answers[i] === k ? sum + x : sum), 0));
  return chance
    .map((c, k) => ({ c, k }))
    .filter(({ c }) => c > 0.02)
    .sort((a, b) => b.c - a.c)
    .slice(0, 4)
    .map(({ c, k }) => {
      const own = p.map((x, i) => ({ x, i })).filter(({ i }) => q.answers[i] === k);
      const top = own.sort((a, b) => b.x - a.x).slice(0, 3);
      const first = top[0]!.i;
      return { answer: answerWords(board, q, first, seen), chance: c, left: top.map(({ i }) => board.suspects[i]!.label) };
    });
}

/** What a suspect would answer to a question, in few words. */
function answerWords(board: Board, q: Question, suspect: number, seen: ReadonlySet<string>): string {
  const round = ROUNDS.find((r) => r.id === q.id);
  const row = board.rows[suspect];
  if (!row) return 'cannot be told';
  if (round) {
    const shows = board.asking.symptoms.flatMap((s, i) =>
      row.symptoms[i] && roundOf(s) === round && !seen.has(s.id) ? [saysOf(s, board.asking.world)] : [],
    );
    return shows.length === 0 ? 'none of them' : shows.join(', ');
  }
  const { test } = board.asking.tests.find((t) => t.test.id === q.id)!;
  return test.parts
    .flatMap((part) =>
      part.observes.map((o) => `${sayExpect(board, o, row.expects[board.place.get(keyOf(q.id, o.id))!] ?? null)}`),
    )
    .slice(0, 3)
    .join('; ');
}

/** A piece of what was told, whether it is doubted or not. */
function undoubted(e: Told['evidence'][number]): Told['evidence'][number] {
  if (e.kind === 'symptom') return e;
  const { doubted: _, ...rest } = e;
  return rest;
}

/** A question as a card. */
export function cardOf(tracing: Tracing, told: Told, p: readonly number[], id: string): Card | null {
  const { board } = tracing;
  const { world } = board.asking;
  const seen = seenOf(told);
  const q = questionsOf(board, seen).find((x) => x.id === id);
  if (!q) return null;
  const found = candidates(board, p, { setting: told.setting, closed: new Set(), seen }).find((c) => c.id === id);
  const common = {
    id,
    risk: RISKS[q.risk],
    minutes: q.minutes,
    before: minutesBetween(told.setting, q.setting),
    setting: q.setting,
    tells: found?.tells ?? 0,
    leaves: leavesOf(board, q, p, seen),
  };
  const round = ROUNDS.find((r) => r.id === id);
  if (round)
    return {
      ...common,
      kind: 'round',
      title: round.title,
      people: 1,
      about: [],
      state: [],
      actions: ['Say of each yes or no; leave out what nobody knows.'],
      cautions: ['Look and listen only: from outside, dry, hands off.'],
      restores: [],
      fields: [],
      looks: board.asking.symptoms.flatMap((s) =>
        roundOf(s) === round && !seen.has(s.id) ? [{ id: s.id, says: saysOf(s, world) }] : [],
      ),
    };
  const test = board.asking.tests.find((t) => t.test.id === id)!;
  const system = systemOf(board.asking.station.profile);
  const leading = [...p.keys()]
    .filter((i) => board.rows[i])
    .sort((a, b) => p[b]! - p[a]!)
    .slice(0, 4);
  const start = test.test.needs.reduce(perform, atRest(world));
  const end = test.test.parts.flatMap((x) => x.acts).reduce(perform, start);
  const left = standing(test.test.restores.reduce(perform, end)).map((s) => s.is);
  return {
    ...common,
    kind: 'test',
    title: test.test.title,
    people: test.test.people,
    about: test.test.about,
    state: standing(start).map((s) => s.is),
    actions: test.test.actions.map((a) => sayPhrase(a, system)),
    cautions: test.test.cautions,
    restores: standing(end)
      .filter((s) => !left.includes(s.is))
      .map((s) => s.undo),
    fields: test.test.parts.flatMap((x) => x.observes.map((o) => fieldOf(board, test, o, leading))),
    looks: [],
  };
}

/** Another question than the one that is proposed, as a card. */
export function cardFor(tracing: Tracing, told: Told, id: string): Card | null {
  return cardOf(tracing, told, beliefs(tracing.board, evidenceOf(tracing, told)), id);
}

/** How a suspect is mended. */
export function mendFor({ board, station }: Tracing, id: string): Mend | null {
  const suspect = board.suspects.find((s) => s.id === id);
  return suspect && suspect.faults.length > 0 ? mendOf(station, suspect, board.asking.world) : null;
}

/** The strongest reasons for and against a suspect, in a sentence. */
function whyOf(board: Board, evidence: readonly Evidence[], suspect: number): string {
  if (evidence.length === 0) return 'by how often it comes; nothing has been seen yet';
  const all = weights(board, evidence, suspect).sort((a, b) => Math.abs(b.bits) - Math.abs(a.bits));
  const say = (of: typeof all) => of.slice(0, 2).map((w) => sayEvidence(board, w.evidence));
  const [for_, against] = [all.filter((w) => w.bits > 0.5), all.filter((w) => w.bits < -0.5)];
  const parts = [
    ...(for_.length > 0 ? [`for it: ${say(for_).join('; ')}`] : []),
    ...(against.length > 0 ? [`against it: ${say(against).join('; ')}`] : []),
  ];
  return parts.length === 0 ? 'nothing that was found speaks for it or against it' : parts.join('. ');
}

function barOf(board: Board, evidence: readonly Evidence[], s: Standing): Bar {
  const [first, ...more] = s.suspects;
  const { suspect } = first!;
  const system = systemOf(board.asking.station.profile);
  const families = new Set(more.filter((m) => m.suspect.family !== suspect.family).map((m) => m.suspect.family));
  const like = [...families].map((f) => more.find((m) => m.suspect.family === f)!.suspect.label);
  return {
    id: suspect.id,
    label: suspect.label,
    probability: s.probability,
    like,
    why: whyOf(board, evidence, board.suspects.indexOf(suspect)),
    because: suspect.because.map((b) => `${b.what}: ${b.times < 1 ? 'less likely' : `${Math.round(b.times)} times likelier`}, assumed`),
    size: suspect.size ? sayPhrase([suspect.size], system) : null,
    kind: suspect.kind,
    faults: suspect.faults.map(({ id, label, cause }) => ({ id, label, cause })),
  };
}

/**
 * What is known now: suspects with how likely each is and why, the next test, what contradicts, and which traps bite.
 * Pairs are asked where no single suspect explains what was told, and kept.
 */
export function think(tracing: Tracing, told: Told, report?: (share: number) => void): Thought {
  const evidence = evidenceOf(tracing, told);
  tracing.board = withPairs(withProbes(tracing.board, told), evidence, report);
  const { board } = tracing;
  const p = beliefs(board, evidence);
  const ranked = standings(board, p);
  const course: Course = { setting: told.setting, closed: closedOf(told), seen: seenOf(told) };
  const done = sure(ranked);
  const next: Candidate | null = nextOf(board, p, course);
  const card = next && cardOf(tracing, told, p, next.id);
  const shown = ranked.filter((s) => s.probability >= 0.005).slice(0, SHOWN);
  const rest = ranked.length - shown.length;
  const besides = allowed(candidates(board, p, course))
    .filter((c) => c.id !== next?.id)
    .sort((a, b) => b.tells / b.minutes - a.tells / a.minutes)
    .slice(0, 6);
  const title = (id: string) =>
    ROUNDS.find((r) => r.id === id)?.title ?? board.asking.tests.find((t) => t.test.id === id)!.test.title;
  return {
    bars: shown.map((s) => barOf(board, evidence, s)),
    others: { count: rest, probability: Math.max(0, 1 - shown.reduce((sum, s) => sum + s.probability, 0)) },
    asked: board.suspects.length,
    unknown: entropy(ranked.map((s) => s.probability)),
    next: card,
    besides: besides.map((c) => ({ id: c.id, title: title(c.id), minutes: Math.round(c.minutes), risk: RISKS[c.risk] })),
    sure: done,
    flood: floodOf(board, p, told.setting),
    doubts: doubts(board, evidence).map((d) => ({ ...d, says: sayEvidence(board, d.evidence) })),
    traps: bites({
      world: board.asking.world,
      evidence,
      lately: told.lately,
      among: (faults) =>
        board.suspects.reduce((sum, s, i) => (s.faults.some((f) => faults.test(f.id)) ? sum + p[i]! : sum), 0),
      next: next ? (board.asking.tests.find((t) => t.test.id === next.id) ?? null) : null,
    }),
    strangers: evidence.flatMap((e) => (likelihoods(board, e) ? [] : [sayEvidence(board, e)])),
    pairs: board.suspects.some((s) => s.kind === 'pair'),
    told: countedOf({ ...told, evidence: told.evidence.map(undoubted) }).map((e) => sayEvidence(board, e)),
    symptoms: board.asking.symptoms.map((s) => ({
      id: s.id,
      says: saysOf(s, board.asking.world),
      ofTheTrade: s.ofTheTrade !== undefined,
    })),
  };
}
