import type { Random } from '../numeric';
import { RISKS, type Risk, type Setting } from '../tests';
import { beliefs, entropy, type Board, type Evidence } from './belief';
import { keyOf, type Row } from './dictionary';
import type { Expect, Found, Range } from './expect';
import { groupsOf, inseparable, questionsOf } from './groups';
import { candidates, minutesBetween, nextOf } from './next';
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
function answer(expect: Expect, range: Range, texts: readonly Found[], random: Random): Found | null {
  if (expect === null) return null;
  const slips = random.even() < SLIPS;
  if (slips && texts.length > 1) return texts[Math.floor(random.even() * texts.length)]!;
  if (expect.kind === 'words') return expect.text;
  if (expect.kind === 'happens') return expect.ways[Math.floor(random.even() * expect.ways.length)]!;
  const at = slips
    ? expect.at + (random.even() - 0.5) * range.width
    : expect.at + 0.5 * expect.spread * random.normal();
  return range.format === 'resistance' ? 10 ** at : at;
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
  return test.parts.flatMap((p) =>
    p.observes.flatMap((o): Evidence[] => {
      const i = place.get(keyOf(id, o.id))!;
      const others = rows.flatMap((r): Found[] => {
        const e = r?.expects[i];
        return e?.kind === 'words' ? [e.text] : e?.kind === 'happens' ? [...e.ways] : [];
      });
      const found = answer(row.expects[i]!, ranges[i]!, others, random);
      return found === null ? [] : [{ kind: 'reading', test: id, observation: o.id, found }];
    }),
  );
}

/**
 * Looks for one suspect that is true, from its symptoms on, until it is sure or nothing tells more.
 * @param by the next test as it is proposed, or a plain list from its beginning to its end
 */
export function play(board: Board, truth: number, random: Random, by: 'proposal' | 'list' = 'proposal'): Played {
  const row = board.rows[truth]!;
  const evidence: Evidence[] = told(board, row);
  const closed = new Set<string>();
  const seen = new Set(evidence.flatMap((e) => (e.kind === 'symptom' ? [e.symptom] : [])));
  const questions = new Map(questionsOf(board, seen).map((q) => [q.id, q]));
  const list = [...ROUNDS.map((r) => r.id), ...questions.keys()].filter((id, i, all) => all.indexOf(id) === i);
  let setting: Setting | null = null;
  let [minutes, hazard] = [0, 0];
  const tests: string[] = [];
  let p = beliefs(board, evidence);
  const first = candidates(board, p, { setting, closed, seen });
  const bound = entropy(p) / Math.max(...first.map((c) => c.tells), 1e-9);
  let at = 0;
  while (!sure(standings(board, p)) && tests.length < MOST) {
    const id: string | undefined =
      by === 'list' ? list.slice(at).find((x) => !closed.has(x)) : nextOf(board, p, { setting, closed, seen })?.id;
    if (id === undefined) break;
    at = list.indexOf(id) + 1;
    closed.add(id);
    tests.push(id);
    const asked = questions.get(id);
    if (asked) {
      minutes += asked.minutes + minutesBetween(setting, asked.setting);
      hazard += ORDER.indexOf(asked.risk);
      setting = asked.setting ?? setting;
    }
    const found = answers(board, row, id, seen, random);
    evidence.push(...found);
    for (const e of found) if (e.kind === 'symptom') seen.add(e.symptom);
    p = beliefs(board, evidence);
  }
  const ranked = standings(board, p);
  const group = groupsOf(board)[truth]!;
  const place = ranked.findIndex((s) => s.group === group) + 1;
  const top = board.suspects.indexOf(ranked[0]!.suspects[0]!.suspect);
  const same = board.rows[top] !== null && inseparable(board.rows[top]!, row);
  return {
    right: place === 1 || same,
    named: ranked[0]!.suspects[0]!.suspect.id,
    place,
    tests,
    minutes,
    hazard,
    bound,
    sure: sure(ranked),
  };
}
