import type { Random } from '../numeric';
import { minutesBetween, RISKS, type Risk, type Setting } from '../tests';
import { beliefs, entropy, type Board, type Evidence } from './belief';
import { columnOf, keyOf, type Asking, type Row } from './dictionary';
import { atTurn, foundAt, truly, type Found, type Range, type Way } from './expect';
import { inseparable, questionsOf } from './groups';
import { withPairs } from './pairs';
import type { Suspect } from './suspect';
import { candidates, nextOf, type Candidate } from './next';
import { roundOf, ROUNDS } from './symptoms';
import { standings, sure } from './verdict';

/** How a fault was looked for in a world that answers by itself: what was named, and what it cost. */
export interface Played {
  /** The group that is true was named first. */
  readonly right: boolean;
  readonly named: string;
  /** Its place among the groups, from 1. */
  readonly place: number;
  readonly tests: readonly string[];
  readonly minutes: number;
  /** Each class of risk counted by its place: looking is none. */
  readonly hazard: number;
  /** Bits not known after the symptoms, over the most that any one test could tell then: fewer tests there cannot be. */
  readonly bound: number;
  readonly sure: boolean;
}

/** How often an answer is wrong. */
const SLIPS = 0.03;
/** Tests after which one gives up. */
const MOST = 60;

const ORDER = Object.keys(RISKS) as Risk[];

/** What is found where this is expected: by its spread, or a slip. */
function answer(expect: Way, range: Range, texts: readonly Found[], random: Random): Found | null {
  if (expect === null) return null;
  if (random.even() >= SLIPS) return truly(expect, range.format, random);
  if (texts.length > 1) return texts[Math.floor(random.even() * texts.length)]!;
  if (expect.kind !== 'figure') return truly(expect, range.format, random);
  return foundAt(expect.at + (random.even() - 0.5) * range.width, range.format);
}

/** The symptoms that somebody would tell of a world: those that show, and none of the trade’s own. */
export function told({ asking }: Board, row: Row): Evidence[] {
  return asking.symptoms.flatMap((s, i): Evidence[] =>
    row.symptoms[i] && s.ofTheTrade === undefined ? [{ kind: 'symptom', symptom: s.id, shown: true }] : [],
  );
}

/** Answers of a world to one question, as evidence. */
function answers(board: Board, row: Row, id: string, seen: ReadonlySet<string>, random: Random): Evidence[] {
  const { asking, ranges, place, rows } = board;
  const round = ROUNDS.find((r) => r.id === id);
  if (round)
    return asking.symptoms.flatMap((s, i): Evidence[] => {
      if (roundOf(s) !== round || seen.has(s.id)) return [];
      const shows = row.symptoms[i]! && random.even() < (s.ofTheTrade ?? 1);
      return [{ kind: 'symptom', symptom: s.id, shown: shows !== random.even() < SLIPS }];
    });
  const { test } = asking.tests.find((t) => t.test.id === id)!;
  const turn = Math.floor(random.even() * asking.station.pumps.length);
  return test.parts.flatMap((p) =>
    p.observes.flatMap((o): Evidence[] => {
      const i = place.get(keyOf(id, o.id))!;
      const others = columnOf(rows, i).flatMap((e): Found[] =>
        e?.kind === 'words' ? [e.text] : e?.kind === 'happens' ? [e.which] : [],
      );
      const found = answer(atTurn(row.expects[i]!, turn), ranges[i]!, others, random);
      return found === null ? [] : [{ kind: 'reading', test: id, observation: o.id, found }];
    }),
  );
}

/** The place of what is true among the groups, from 1: by itself, or by one that no question tells from it. */
function placeOf(board: Board, p: readonly number[], truth: Suspect, row: Row): number {
  const { rows, suspects } = board;
  const is = (s: Suspect) => {
    const own = rows[suspects.indexOf(s)];
    return s.family === truth.family || (own !== null && own !== undefined && inseparable(board.asking, own, row));
  };
  const ranked = standings(board, p);
  // Of a group its likeliest is named; what is true may be another of it.
  const at = ranked.findIndex((g) => is(g.suspects[0]!.suspect) || g.suspects.some((s) => s.suspect.id === truth.id));
  return at < 0 ? Infinity : at + 1;
}

/** How one looks: by what is proposed; by what tells most bits, whatever it takes and risks; or a plain list from its beginning to its end. */
export type By = 'proposal' | 'bits' | 'list';

const ASKS: Readonly<Record<Exclude<By, 'list'>, typeof nextOf>> = {
  proposal: nextOf,
  bits: (board, p, course) =>
    candidates(board, p, course).reduce<Candidate | null>((a, b) => (a === null || b.tells > a.tells ? b : a), null),
};

/** Tests after which it is asked again whether pairs are wanted; a plain list goes on whatever is thought. */
const PAIRS_AFTER: Readonly<Record<By, number>> = {
  proposal: 3,
  bits: 3,
  list: Infinity,
};

/**
 * Looks for a suspect that is true, from its symptoms on, until it is sure or nothing tells enough for its minutes. Where no single suspect explains what is found,
 * pairs are asked too.
 * @param hidden who answers: another asking of the same station where the one who looks must not have asked what is true, as with pairs
 */
export function play(
  whole: Board,
  truth: Suspect,
  random: Random,
  by: By = 'proposal',
  hidden: Asking = whole.asking,
): Played {
  const row = hidden.row(truth)!;
  const evidence: Evidence[] = told(whole, row);
  let board = withPairs(whole, evidence);
  const closed = new Set<string>();
  const seen = new Set(evidence.flatMap((e) => (e.kind === 'symptom' ? [e.symptom] : [])));
  let [setting, minutes, hazard] = [null as Setting | null, 0, 0];
  const tests: string[] = [];
  let p = beliefs(board, evidence);
  const begins = candidates(board, p, { setting, closed, seen });
  // Where nothing tells more there is nothing to be asked.
  const bound = begins.length === 0 ? 0 : entropy(p) / Math.max(...begins.map((c) => c.tells));
  const list = [...ROUNDS.map((r) => r.id), ...questionsOf(board, seen).map((q) => q.id)];
  while (!sure(standings(board, p)) && tests.length < MOST) {
    const course = { setting, closed, seen };
    const id = by === 'list' ? list.find((x) => !closed.has(x)) : ASKS[by](board, p, course)?.id;
    if (id === undefined) break;
    closed.add(id);
    tests.push(id);
    const asked = questionsOf(board, seen).find((q) => q.id === id);
    if (asked) {
      minutes += asked.minutes + minutesBetween(board.asking.world, setting, asked.setting);
      hazard += ORDER.indexOf(asked.risk);
      setting = asked.setting ?? setting;
    }
    const found = answers(board, row, id, seen, random);
    evidence.push(...found);
    for (const e of found) if (e.kind === 'symptom') seen.add(e.symptom);
    // One answer that fits nothing may be a slip: the first pairs are asked when a second one does not.
    if (board !== whole || tests.length % PAIRS_AFTER[by] === 0) board = withPairs(whole, evidence, board);
    p = beliefs(board, evidence);
  }
  const ranked = standings(board, p);
  const place = placeOf(board, p, truth, row);
  return {
    right: place === 1,
    named: ranked[0]!.suspects[0]!.suspect.id,
    place,
    tests,
    minutes,
    hazard,
    bound,
    sure: sure(ranked),
  };
}
