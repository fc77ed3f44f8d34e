import type { Station } from '../station';
import { heightsOf, levelOf, ownId, ownTest, RISKS, worldOf, type Setting, type World } from '../tests';
import { sayPhrase, systemOf } from '../units';
import { beliefs, boardOf, entropy, likelihoods, type Board, type Evidence } from './belief';
import { cardOf, standingIn, type Card } from './card';
import { askingOf, keyOf, type Asking, type Row } from './dictionary';
import { dangers } from './danger';
import { doubts, weights, type Doubt } from './doubt';
import { fromBook } from './fromBook';
import { floodOf, type Flood } from './flood';
import { mendOf, type Mend } from './mend';
import { allowed, candidates, EACH, nextOf, type Course } from './next';
import { oftenOf, type Often } from './often';
import { withPairs } from './pairs';
import { NO_PAST, type Past } from './past';
import { settingWords } from './settingWords';
import { suspectsOf } from './suspects';
import { ROUNDS, saysOf, symptomsOf } from './symptoms';
import { closedOf, countedOf, ownTold, PROBED, seenOf, type Told } from './told';
import { bites, type Bite } from './traps';
import { besideOf, standings, sure, type Standing } from './verdict';
import { sayEvidence } from './words';

/** A station that is being traced: what is known of its suspects so far. */
export interface Tracing {
  readonly station: Station;
  /** What the meters have shown, by the book; what somebody says of the same stands in place of it. */
  readonly book: readonly Evidence[];
  readonly past: Past;
  /** Single suspects; and those with the pairs that the last telling asked for. */
  singles: Board;
  board: Board;
}

/** Of what in a document the rows of a station are made: landings as they were found are suspects among others, and it is asked as it is designed. */
export const askedOf = (station: Station): Omit<Station, 'landings'> & { landings: null } => ({
  ...station,
  landings: null,
});

/** Rows that were made of a station, each by its suspect. */
export type Rows = readonly (readonly [suspect: string, row: Row])[];

/**
 * What every so-many-th suspect of a station would show: a part of the work that others do at the same time.
 * @param part of so many, from 0
 * @param told now and then, which share of it is done
 */
export function rowsOf(asking: Asking, part: number, of: number, told?: (share: number) => void): Rows {
  const own = suspectsOf(asking.station, asking.panel, NO_PAST).filter((_, i) => i % of === part);
  return own.flatMap((s, i) => {
    told?.(i / own.length);
    const row = asking.row(s);
    return row ? [[s.id, row] as const] : [];
  });
}

/**
 * Makes a station ready to be traced: every suspect is asked what it would show.
 * @param known rows of it that were made already; the others are made now
 * @param made where it is asked: who was asked there is not asked again
 * @returns why it cannot be: no panel of its scheme can be drawn, or it cannot be rehearsed
 */
export function tracingOf(
  station: Station,
  past: Past = NO_PAST,
  told?: (share: number) => void,
  known: Rows = [],
  made: ReturnType<typeof askingOf> = askingOf(station),
): { ok: true; tracing: Tracing } | { ok: false; reasons: readonly string[] } {
  if (!made.ok) return { ok: false, reasons: made.reasons.map((r) => sayPhrase(r, systemOf(station.profile))) };
  for (const [suspect, row] of known) made.asking.learn(suspect, row);
  const board = boardOf(made.asking, suspectsOf(station, made.asking.panel, past), told);
  // Who cannot be told from whom, before the first answer waits for it.
  standings(board, beliefs(board, []));
  return { ok: true, tracing: { station, singles: board, board, book: fromBook(past.findings), past } };
}

/** What every suspect of a board would show, to be thought over again elsewhere. */
export const rowsOn = ({ suspects, rows }: Board): Rows =>
  suspects.flatMap((s, i) => (rows[i] ? [[s.id, rows[i]] as const] : []));

/** How often each kind of fault of a station comes, the commonest first. */
export const oftenFor = ({ singles, past }: Tracing): Often[] => oftenOf(singles.suspects, past);

/** What counts: what was told, and what the meters have shown where nobody said otherwise. */
function evidenceOf({ book }: Tracing, told: Told): Evidence[] {
  const seen = seenOf(told);
  return [...countedOf(told), ...book.filter((e) => e.kind === 'symptom' && !seen.has(e.symptom))];
}

/** Whether a station can stand so: nothing of another one, or of another revision, is taken for it. */
const standsThere = (world: World, setting: Setting | null): boolean =>
  setting === null || setting === 'dead' || levelOf(world, setting) !== null;

/** A board that knows the readings of one's own as well. */
function withOwn(board: Board, told: Told): Board {
  const own = ownTold(told).filter(({ setting }) => standsThere(board.asking.world, setting));
  const news = new Map(own.map((o) => [ownId(o.of, o.setting), o]));
  for (const id of news.keys()) if (board.place.has(keyOf(id, PROBED))) news.delete(id);
  if (news.size === 0) return board;
  const asking = [...news.values()].reduce(
    (a, { of, setting }) => a.with(ownTest(a.world, of, setting, PROBED)),
    board.asking,
  );
  return boardOf(asking, board.suspects);
}

/** How a station may stand, from the water at its lowest up; and what can be seen there, before any suspect is asked. */
export function looksOf(station: Station): Looks {
  const world = worldOf(station);
  return {
    settings: [
      ...[...heightsOf(world)].map(([setting, level]) => ({ setting, level })),
      { setting: 'dead', level: null },
    ],
    looks: symptomsOf(world).map((s) => ({
      id: s.id,
      says: saysOf(s, world),
      ofTheTrade: s.ofTheTrade !== undefined,
    })),
  };
}

export interface Looks {
  /** Each with where the water stands, m; null: it does not matter. */
  readonly settings: readonly { readonly setting: Setting; readonly level: number | null }[];
  readonly looks: readonly Look[];
}

/** One thing that can be seen; `ofTheTrade`: no model says what shows it. */
export interface Look {
  readonly id: string;
  readonly says: string;
  readonly ofTheTrade: boolean;
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

/** Everything that is shown of a trace as it stands. */
export interface Thought {
  readonly bars: readonly Bar[];
  /** Suspects that are not shown: how many, and how likely together. */
  readonly others: { readonly count: number; readonly probability: number };
  readonly asked: number;
  readonly unknown: number;
  readonly next: Card | null;
  readonly besides: readonly {
    readonly id: string;
    readonly title: string;
    readonly minutes: number;
    readonly risk: string;
  }[];
  readonly sure: boolean;
  /** How likely the first is there with something else beside it, as pairs that were asked. */
  readonly beside: number;
  readonly flood: Flood | null;
  readonly doubts: readonly (Doubt & { readonly says: string })[];
  readonly traps: readonly Bite[];
  /** Answers to what this station does not have: of another station, or of another revision. */
  readonly strangers: readonly string[];
  readonly pairs: boolean;
  /** What must be put back before anybody leaves, as the station stands now. */
  readonly putBack: readonly string[];
  /** What was told, in words, in its order. */
  readonly told: readonly string[];
}

const SHOWN = 8;

/** A piece of what was told, whether it is doubted or not. */
function undoubted(e: Told['evidence'][number]): Told['evidence'][number] {
  if (e.kind === 'symptom') return e;
  const { doubted: _, ...rest } = e;
  return rest;
}

/** Another question than the one that is proposed, as a card. */
export function cardFor(tracing: Tracing, told: Told, id: string): Card | null {
  return cardOf(tracing.board, told, beliefs(tracing.board, evidenceOf(tracing, told)), id);
}

/** How a suspect is mended. */
export function mendFor({ board, station, past }: Tracing, id: string): Mend | null {
  const suspect = board.suspects.find((s) => s.id === id);
  return suspect && suspect.faults.length > 0 ? mendOf(station, suspect, board.asking.world, past.parts) : null;
}

/** The strongest reasons for and against a suspect, in a sentence. */
function whyOf(board: Board, evidence: readonly Evidence[], suspect: number): string {
  if (evidence.length === 0) return 'By how often it comes; nothing has been seen yet';
  const all = weights(board, evidence, suspect).sort((a, b) => Math.abs(b.bits) - Math.abs(a.bits));
  const say = (of: typeof all) => of.slice(0, 2).map((w) => sayEvidence(board, w.evidence));
  const [for_, against] = [all.filter((w) => w.bits > 0.5), all.filter((w) => w.bits < -0.5)];
  const parts = [
    ...(for_.length > 0 ? [`For it: ${say(for_).join('; ')}`] : []),
    ...(against.length > 0 ? [`Against it: ${say(against).join('; ')}`] : []),
  ];
  return parts.length === 0 ? 'Nothing that was found speaks for it or against it' : parts.join('. ');
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
    because: suspect.because
      .filter((b) => b.times > 1.1 || b.times < 0.9)
      .map((b) => `${b.what}: ${b.times.toFixed(1)} times as likely, assumed`),
    size: suspect.size ? sayPhrase([suspect.size], system) : null,
    kind: suspect.kind,
    faults: suspect.faults.map(({ id, label, cause }) => ({ id, label, cause })),
  };
}

/** Traps that bite. Before anything is told everything is as likely as ever: none does yet. */
function trapsNow(
  board: Board,
  told: Told,
  evidence: readonly Evidence[],
  p: readonly number[],
  next?: string,
): Bite[] {
  if (told.evidence.length === 0) return [];
  return bites({
    world: board.asking.world,
    evidence,
    lately: told.lately,
    among: (faults) =>
      board.suspects.reduce((sum, s, i) => (s.faults.some((f) => faults.test(f.id)) ? sum + p[i]! : sum), 0),
    next: board.asking.tests.find((t) => t.test.id === next) ?? null,
  });
}

/**
 * What is known now: suspects with how likely each is and why, the next test, what contradicts, and which traps bite.
 * Pairs are asked where no single suspect explains what was told.
 */
export function think(tracing: Tracing, said: Told, report?: (share: number) => void): Thought {
  const told = standsThere(tracing.board.asking.world, said.setting) ? said : { ...said, setting: null };
  const evidence = evidenceOf(tracing, told);
  tracing.singles = withOwn(tracing.singles, told);
  tracing.board = withPairs(tracing.singles, evidence, tracing.board, report);
  const { board } = tracing;
  const p = beliefs(board, evidence);
  const ranked = standings(board, p);
  const course: Course = { setting: told.setting, closed: closedOf(told), seen: seenOf(told) };
  const next = nextOf(board, p, course);
  const card = next && cardOf(board, told, p, next.id);
  const shown = ranked.filter((s) => s.probability >= 0.005).slice(0, SHOWN);
  const rest = ranked.length - shown.length;
  const besides = allowed(candidates(board, p, course))
    .filter((c) => c.id !== next?.id)
    .sort((a, b) => b.tells / b.minutes - a.tells / a.minutes)
    .slice(0, 6);
  const title = (id: string) => {
    const test = board.asking.tests.find((t) => t.test.id === id);
    return test
      ? `${test.test.title}, ${settingWords(tracing.station)[test.setting]}`
      : ROUNDS.find((r) => r.id === id)!.title;
  };
  return {
    bars: shown.map((s) => barOf(board, evidence, s)),
    others: { count: rest, probability: Math.max(0, 1 - shown.reduce((sum, s) => sum + s.probability, 0)) },
    asked: board.suspects.length - 1,
    unknown: entropy(ranked.map((s) => s.probability)),
    next: card,
    besides: besides.map((c) => ({ id: c.id, title: title(c.id), minutes: c.minutes - EACH, risk: RISKS[c.risk] })),
    sure: sure(ranked),
    beside: besideOf(ranked),
    flood: floodOf(board, p, told.setting),
    doubts: doubts(board, evidence).map((d) => ({ ...d, says: sayEvidence(board, d.evidence) })),
    traps: [...dangers(board, evidence, p), ...trapsNow(board, told, evidence, p, next?.id)],
    strangers: [
      ...(told === said ? [] : [settingWords(tracing.station)[said.setting!]]),
      ...evidence.flatMap((e) => (likelihoods(board, e) ? [] : [sayEvidence(board, e)])),
    ],
    pairs: board.suspects.some((s) => s.kind === 'pair'),
    putBack: standingIn(board.asking.world, told.setting).map((s) => s.undo),
    told: countedOf({ ...told, evidence: told.evidence.map(undoubted) }).map((e) => sayEvidence(board, e)),
  };
}
