import type { Risk, Setting } from '../tests';
import type { Board } from './belief';
import type { Asking, Row } from './dictionary';
import { atTurn, waysOf, type Expect, type Way } from './expect';
import { roundOf, ROUNDS, type Symptom } from './symptoms';

/** Figures nearer than this many of their spreads are one answer. */
const APART = 2.5;
/** Gaps that differ by less than this many spreads are alike. */
const ALIKE = 1e-9;
/** A spread is at least that: what has none is exact. */
const LEAST = 1e-12;

interface Figure {
  /** Whose it is, by its place. */
  readonly i: number;
  readonly at: number;
  readonly spread: number;
}

/** Figures in rising order, as answers: a row that is longer than one answer is cut where its figures lie farthest apart. */
function cut(row: readonly Figure[]): (readonly Figure[])[] {
  const [first, last] = [row[0]!, row.at(-1)!];
  if (last.at - first.at <= APART * Math.max(first.spread, last.spread)) return [row];
  // In spreads, so that ohms and megohms of one row are cut alike; of gaps alike the one that halves it best.
  const gap = (k: number) => (row[k]!.at - row[k - 1]!.at) / Math.max(row[k]!.spread, row[k - 1]!.spread, LEAST);
  const off = (k: number) => Math.abs(2 * k - row.length);
  let at = 1;
  for (let k = 2; k < row.length; k++) {
    const [a, b] = [gap(k), gap(at)];
    if (a > b + ALIKE || (a > b - ALIKE && off(k) < off(at))) at = k;
  }
  return [...cut(row.slice(0, at)), ...cut(row.slice(at))];
}

/** Which answer each of several is, by a number; −1: it cannot be told. */
export function classesOf(expects: readonly Way[]): Int16Array {
  const made = new Int16Array(expects.length).fill(-1);
  const figures = expects.flatMap((e, i): Figure[] =>
    e?.kind === 'figure' ? [{ i, at: e.at, spread: e.spread }] : [],
  );
  figures.sort((a, b) => a.at - b.at);
  const cuts = figures.length > 0 ? cut(figures) : [];
  cuts.forEach((own, k) => own.forEach(({ i }) => (made[i] = k)));
  let next = cuts.length - 1;
  const texts = new Map<string, number>();
  expects.forEach((e, i) => {
    if (e === null || e.kind === 'figure') return;
    const text = textOf(e);
    const known = texts.get(text) ?? ++next;
    texts.set(text, known);
    made[i] = known;
  });
  return made;
}

const textOf = (e: Exclude<Way, null | { kind: 'figure' }>): string =>
  e.kind === 'words' ? e.text : `happens ${e.which.join('+')}`;

function sameWay(a: Way, b: Way): boolean {
  if (a === null || b === null) return true;
  if (a.kind === 'figure' && b.kind === 'figure') return Math.abs(a.at - b.at) <= APART * Math.max(a.spread, b.spread);
  return a.kind !== 'figure' && b.kind !== 'figure' && textOf(a) === textOf(b);
}

/**
 * Whether two answers cannot be told apart: figures within their spreads, the same words, or one of them is not told. Where they go by whose turn it
 * is, whatever one shows the other may show too.
 */
export function alike(a: Expect, b: Expect): boolean {
  if (a?.kind !== 'turns' && b?.kind !== 'turns') return sameWay(a, b);
  const [own, other] = [waysOf(a), waysOf(b)];
  return own.every((x) => other.some((y) => sameWay(x, y))) && other.every((y) => own.some((x) => sameWay(x, y)));
}

/** What shows less often than that tells too little to be counted on. */
const SURELY = 0.8;

/** Whether a symptom that a suspect has can be counted on to show. */
const shows = ({ ofTheTrade = 1 }: Symptom): boolean => ofTheTrade >= SURELY;

/** Whether no question tells two suspects apart, by their rows; a symptom that shows now and then does not. */
export const inseparable = ({ symptoms }: Asking, a: Row, b: Row): boolean =>
  symptoms.every((s, i) => !shows(s) || a.symptoms[i] === b.symptoms[i]) &&
  a.expects.every((e, i) => alike(e, b.expects[i]!));

/** One thing that can be asked, a test or a round of looks, with which answer each suspect gives to all of it. */
export interface Question {
  readonly id: string;
  readonly minutes: number;
  readonly risk: Risk;
  /** Null: it does not matter how the station stands. */
  readonly setting: Setting | null;
  /** For each pump whose turn it may be, the answer of each suspect; once where it does not go by that. −1: it cannot be told. */
  readonly answers: readonly Int16Array[];
  readonly count: number;
  /** How often an answer is a slip. */
  readonly slip: number;
}

/** How often a suspect gives an answer, over whose turn it may be. */
export const givesOf = ({ answers }: Pick<Question, 'answers'>, suspect: number, answer: number): number =>
  answers.reduce((sum, own) => sum + (own[suspect] === answer ? 1 : 0), 0) / answers.length;

/** Several classes as one: an answer is all of them together; nothing can be told only where none of them can. */
function joined(classes: readonly (readonly Int16Array[])[], length: number): Pick<Question, 'answers' | 'count'> {
  const keys = new Map<string, number>();
  const turns = Math.max(1, ...classes.map((c) => c.length));
  const answers = Array.from({ length: turns }, (_, turn) => {
    const made = new Int16Array(length).fill(-1);
    for (let i = 0; i < length; i++) {
      const own = classes.map((c) => c[turn % c.length]![i]!);
      if (own.every((c) => c < 0)) continue;
      const key = own.join();
      const known = keys.get(key) ?? keys.size;
      keys.set(key, known);
      made[i] = known;
    }
    return made;
  });
  return { answers, count: keys.size };
}

/** The answers of all suspects to one observation, as classes: for each pump whose turn it may be, where one of them goes by that. */
function byTurn(expects: readonly Expect[]): Int16Array[] {
  const turns = Math.max(1, ...expects.map((e) => waysOf(e).length));
  const all = Array.from({ length: turns }, (_, turn) => expects.map((e) => atTurn(e, turn)));
  const classes = classesOf(all.flat());
  return all.map((_, turn) => classes.slice(turn * expects.length, (turn + 1) * expects.length));
}

const known = new WeakMap<Board, Map<string, readonly Question[]>>();

/**
 * Every test and every round of looks of a board, as questions.
 * @param seen symptoms that were answered already: a round asks the others
 */
export function questionsOf(board: Board, seen: ReadonlySet<string> = new Set()): readonly Question[] {
  let of = known.get(board);
  if (!of) known.set(board, (of = new Map()));
  const key = [...seen].sort().join();
  const found = of.get(key);
  if (found) return found;
  const { asking, rows, suspects } = board;
  const tests = [...of.values()][0]?.filter((q) => !ROUNDS.some((r) => r.id === q.id)) ?? testsAsked(board);
  const rounds = ROUNDS.flatMap((round): Question[] => {
    const own = asking.symptoms.flatMap((s, i) => (roundOf(s) === round && !seen.has(s.id) ? [i] : []));
    if (own.length === 0) return [];
    const classes = own.map((i) => [
      Int16Array.from(rows, (r) => (r ? (r.symptoms[i] && shows(asking.symptoms[i]!) ? 1 : 0) : -1)),
    ]);
    const { id, minutes } = round;
    return [{ id, minutes, risk: 'look', setting: null, slip: 0.1, ...joined(classes, suspects.length) }];
  });
  const made = [...tests, ...rounds];
  of.set(key, made);
  return made;
}

function testsAsked({ asking, rows, suspects }: Board): Question[] {
  const one = asking.asked.map((_, i) => byTurn(rows.map((r) => r?.expects[i] ?? null)));
  let at = 0;
  return asking.tests.map(({ test: { id, parts, minutes, risk }, setting }): Question => {
    const count = parts.reduce((n, p) => n + p.observes.length, 0);
    const own = one.slice(at, (at += count));
    return { id, minutes, risk, setting, slip: 0.03, ...joined(own, suspects.length) };
  });
}

const grouped = new WeakMap<Board, Int16Array>();

/**
 * Which suspects no test tells apart, by a number each: the sizes of one fault, and faults that in their usual size answer every question alike.
 */
export function groupsOf(board: Board): Int16Array {
  const found = grouped.get(board);
  if (found) return found;
  const { suspects, rows } = board;
  const byFamily = new Map<string, number>();
  const heads: number[] = [];
  // The usual size of a family comes first, and its answers decide.
  const made = Int16Array.from(suspects, (s, i) => {
    const family = byFamily.get(s.family);
    if (family !== undefined) return family;
    const row = rows[i];
    const group = (row && heads.find((h) => rows[h] && inseparable(board.asking, row, rows[h]))) ?? i;
    if (group === i) heads.push(i);
    byFamily.set(s.family, group);
    return group;
  });
  grouped.set(board, made);
  return made;
}
