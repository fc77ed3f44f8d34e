import { minutesBetween, RISKS, type Risk, type Setting } from '../tests';
import { entropy, type Board } from './belief';
import { givesOf, questionsOf, type Question } from './groups';
import { OTHER } from './suspect';

/** A question that could be asked next: what it is worth, and what it costs. */
export interface Candidate {
  readonly id: string;
  /** Expected fall of what is not known, bits. */
  readonly tells: number;
  /** Minutes, with those that it takes to come into its state. */
  readonly minutes: number;
  readonly risk: Risk;
  readonly setting: Setting | null;
}

/** How a person goes about it. */
export interface Course {
  /** How the station stands. */
  readonly setting: Setting | null;
  /** Questions that are answered, skipped, or cannot be asked here. */
  readonly closed: ReadonlySet<string>;
  /** Symptoms that were answered. */
  readonly seen: ReadonlySet<string>;
}

/**
 * What is not known of the answer, bits, were the suspect known: one of those that it gives, each with its share; or any, by a slip or where it
 * cannot be told.
 * @param flat how often it cannot be told
 */
function unsure(shares: readonly number[], flat: number, { count, slip }: Question): number {
  const any = (flat + (1 - flat) * slip) / count;
  const others = (count - shares.length) * (any > 0 ? -any * Math.log2(any) : 0);
  return entropy(shares.map((s) => any + (1 - slip) * s)) + others;
}

/** The same of a suspect that does not always give the same answer, by whose turn it is. */
function unsureByTurn(own: readonly number[], q: Question): number {
  const given = own.filter((a) => a >= 0);
  const shares = [...new Set(given)].map((a) => given.filter((b) => b === a).length / own.length);
  return unsure(shares, 1 - given.length / own.length, q);
}

/**
 * Bits that an answer is expected to tell (D. V. Lindley, “On a measure of the information provided by an experiment”, 1956): what is not known of
 * the answer, less what would not be known of it were the suspect known.
 */
export function tells(q: Question, p: readonly number[]): number {
  const { answers, count, slip } = q;
  if (count < 2) return 0;
  const mix = new Float64Array(count);
  const [first, ...others] = answers as readonly [Int16Array, ...Int16Array[]];
  const [ifNamed, ifFlat] = [unsure([1], 0, q), Math.log2(count)];
  let [flat, known] = [0, 0];
  for (let i = 0; i < p.length; i++) {
    const [x, a] = [p[i]!, first[i]!];
    for (const own of answers) {
      const share = x / answers.length;
      if (own[i]! < 0) flat += share;
      else mix[own[i]!]! += share;
    }
    const same = others.every((own) => own[i] === a);
    known +=
      x *
      (!same
        ? unsureByTurn(
            answers.map((own) => own[i]!),
            q,
          )
        : a < 0
          ? ifFlat
          : ifNamed);
  }
  let h = 0;
  for (let k = 0; k < count; k++) {
    const x = mix[k]! * (1 - slip) + ((1 - flat) * slip + flat) / count;
    if (x > 0) h -= x * Math.log2(x);
  }
  return Math.max(0, h - known);
}

/** What is believed after one answer. */
export function after({ answers, count, slip }: Question, p: readonly number[], answer: number): number[] {
  const likely = (a: number) => (a < 0 ? 1 / count : (a === answer ? 1 - slip : 0) + slip / count);
  const raw = p.map((x, i) => (x / answers.length) * answers.reduce((sum, own) => sum + likely(own[i]!), 0));
  const sum = raw.reduce((a, b) => a + b, 0);
  return sum > 0 ? raw.map((x) => x / sum) : [...p];
}

const ORDER = Object.keys(RISKS) as Risk[];
/** A class of risk is left for a worse one only where its best test tells less than this share of the best of all, per minute. */
const WORTH = 0.5;
/** Under this a test tells nothing, bits. */
export const NOTHING_TOLD = 0.02;
/** Where no test tells so much, none is worth its minutes, bits a minute: what is known is said instead, and what remains open. */
const WORTHWHILE = 0.0035;
/** Below this gain of the best one looks two tests ahead, bits; and over how many. */
const LOW = 0.4;
const AHEAD = 8;

/** Minutes that any question takes beside its own: to read it, to go there, to write down what was found. */
export const EACH = 5;

/**
 * What is believed as far as questions are chosen by it. What no catalogue names cannot be asked, and one look too many that was told wrong makes it
 * likeliest of all: as long as little was asked, those that are named are looked for as well, half as much after each answer.
 */
function askable(board: Board, p: readonly number[], { closed }: Course): readonly number[] {
  const other = board.suspects.findIndex((s) => s.id === OTHER);
  const [named, least] = [1 - (p[other] ?? 0), 2 ** -closed.size];
  if (named >= least || named <= 0) return p;
  return p.map((x, i) => (i === other ? 1 - least : (x / named) * least));
}

/** Every question that may be asked, with what it tells and costs, in no order. */
export function candidates(board: Board, believed: readonly number[], course: Course): Candidate[] {
  const { setting, closed, seen } = course;
  const p = askable(board, believed, course);
  return questionsOf(board, seen).flatMap((q): Candidate[] => {
    if (closed.has(q.id)) return [];
    const told = tells(q, p);
    if (told < NOTHING_TOLD) return [];
    const minutes = EACH + q.minutes + minutesBetween(board.asking.world, setting, q.setting);
    return [{ id: q.id, tells: told, minutes, risk: q.risk, setting: q.setting }];
  });
}

const rate = (c: Candidate) => c.tells / c.minutes;
const best = (all: readonly Candidate[]): Candidate | null =>
  all.reduce<Candidate | null>((a, b) => (a === null || rate(b) > rate(a) ? b : a), null);

/** The lowest class of risk in which a test is still worth it. */
export function allowed(all: readonly Candidate[]): Candidate[] {
  const most = Math.max(0, ...all.map(rate));
  for (const risk of ORDER) {
    const own = all.filter((c) => ORDER.indexOf(c.risk) <= ORDER.indexOf(risk));
    if (own.some((c) => rate(c) >= WORTH * most)) return own;
  }
  return [];
}

/**
 * The next question: most bits per minute in the lowest class of risk that still has one worth it; two ahead where the best alone gains little.
 * (J. de Kleer and B. C. Williams, “Diagnosing multiple faults”, 1987; J. S. Breese and D. Heckerman, “Decision-theoretic
 * troubleshooting”, 1996, for the costs)
 * @returns null where none tells enough for its minutes
 */
export function nextOf(board: Board, p: readonly number[], course: Course): Candidate | null {
  const all = candidates(board, p, course);
  if (!all.some((c) => rate(c) >= WORTHWHILE)) return null;
  const within = allowed(all);
  const first = best(within);
  if (!first || first.tells >= LOW) return first;
  const questions = new Map(questionsOf(board, course.seen).map((q) => [q.id, q]));
  const ahead = [...within].sort((a, b) => rate(b) - rate(a)).slice(0, AHEAD);
  const ranked = ahead.map((c) => {
    const q = questions.get(c.id)!;
    let [gain, minutes] = [c.tells, c.minutes];
    for (let k = 0; k < q.count; k++) {
      const share = p.reduce((sum, x, i) => sum + x * givesOf(q, i, k), 0);
      if (share < 0.02) continue;
      const then = candidates(board, after(q, p, k), {
        ...course,
        setting: c.setting ?? course.setting,
        closed: new Set([...course.closed, c.id]),
      });
      const second = best(allowed(then));
      if (!second) continue;
      gain += share * second.tells;
      minutes += share * second.minutes;
    }
    return { c, rate: gain / minutes };
  });
  return ranked.reduce((a, b) => (b.rate > a.rate ? b : a)).c;
}
