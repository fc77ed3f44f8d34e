import {
  actsOf,
  atRest,
  minutesBetween,
  perform,
  resetsOnWay,
  RISKS,
  standing,
  type Standing,
  type World,
  type FaultTest,
  type Observation,
  type Probes,
  type Setting,
  type Test,
} from '../tests';
import { sayPhrase, systemOf, type Format } from '../units';
import type { Board } from './belief';
import { bringing } from './bringing';
import { formatOf, keyOf, wordsOf } from './dictionary';
import { asFound, atTurn, type Found } from './expect';
import { givesOf, questionsOf, type Question } from './groups';
import { tells } from './next';
import { HEALTHY } from './suspect';
import { roundOf, ROUNDS, saysOf } from './symptoms';
import { seenOf, type Told } from './told';
import { standings } from './verdict';
import { sayExpect, sayWay } from './words';

/** What would be found, and under which of the leading suspects. */
export interface Answer {
  readonly shows: string;
  readonly under: readonly string[];
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
  /** What it would be were nothing wrong: a figure in SI, words, or what happens; null: that cannot be told, or goes by whose turn it is. */
  readonly sound: Found | null;
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
  /** What must first be put back or brought about; what stands isolated, lifted, in Hand while it is made; what is put back after it. */
  readonly first: readonly string[];
  readonly state: readonly string[];
  readonly actions: readonly string[];
  readonly cautions: readonly string[];
  readonly restores: readonly string[];
  readonly fields: readonly Field[];
  /** Of a round: what is looked for. */
  readonly looks: readonly { readonly id: string; readonly says: string; readonly ofTheTrade: boolean }[];
  /** Bits that it is expected to tell, and what would be left of the leading suspects by each answer. */
  readonly tells: number;
  readonly leaves: readonly { readonly answer: string; readonly chance: number; readonly left: readonly string[] }[];
}

/** What is put back and brought about between two settings, in words of the panel: what nobody has said is not told. */
function between(from: readonly Standing[], to: readonly Standing[]): string[] {
  const among = (all: readonly Standing[], s: Standing) => all.some((x) => x.is === s.is);
  return [
    ...from.filter((s) => !among(to, s)).map((s) => s.undo),
    ...to.filter((s) => !among(from, s)).map((s) => s.is),
  ];
}

/** What is otherwise than as it was left while a station stands in a setting. */
export const standingIn = (world: World, setting: Setting | null): Standing[] =>
  setting === null ? [] : standing(actsOf(world, setting).reduce(perform, atRest(world)));

/** What is put back after a test, in words: the station stands again as it does in its setting, for there the next one begins. */
export function toPutBack(world: World, { test, setting }: FaultTest): string[] {
  const end = [...test.needs, ...test.parts.flatMap((x) => x.acts)].reduce(perform, atRest(world));
  const again = actsOf(world, setting).reduce(perform, atRest(world));
  const stays = standing(again).map((s) => s.is);
  return [
    ...standing(end)
      .filter((s) => !stays.includes(s.is))
      .map((s) => s.undo),
    ...resetsOnWay(end, again),
  ];
}

/** Suspects of whom a card says what they would show; and how likely one is at least that is added because it would show something else. */
const LEADING = 4;
const ANOTHER = 0.005;

const probesOf = (o: Observation): Probes | null => (o.kind === 'volts' || o.kind === 'ohms' ? o.probes : null);

/** The same answers together. */
function answersOf(all: readonly { readonly under: string; readonly shows: string }[]): Answer[] {
  const texts = [...new Set(all.map((a) => a.shows))];
  return texts.map((shows) => ({ shows, under: all.filter((a) => a.shows === shows).map((a) => a.under) }));
}

/** What the leading suspects would show; where that is all the same, the likeliest that would show something else as well. */
function expectedOf(board: Board, o: Observation, index: number, ranked: readonly number[], p: readonly number[]) {
  const shows = (i: number) => sayExpect(board, o, board.rows[i]?.expects[index] ?? null);
  // Of whom it cannot be told is not somebody who would show something else.
  const told = (i: number) => (board.rows[i]?.expects[index] ?? null) !== null;
  const leading = ranked.slice(0, LEADING);
  const first = leading.length > 0 ? shows(leading[0]!) : '';
  const other = leading.every((i) => shows(i) === first)
    ? ranked.slice(LEADING).find((i) => p[i]! >= ANOTHER && told(i) && shows(i) !== first)
    : undefined;
  const all = other === undefined ? leading : [...leading, other];
  return answersOf(all.map((i) => ({ under: board.suspects[i]!.label, shows: shows(i) })));
}

/** How an observation is answered. */
function fieldOf(
  board: Board,
  test: FaultTest,
  o: Observation,
  ranked: readonly number[],
  p: readonly number[],
): Field {
  const index = board.place.get(keyOf(test.test.id, o.id))!;
  const format = formatOf(o);
  const words = wordsOf(board.rows, index);
  const sound = board.rows[board.suspects.findIndex((s) => s.id === HEALTHY)]?.expects[index] ?? null;
  const as: Field['as'] =
    o.kind === 'happens'
      ? {
          kind: 'happens',
          outcomes: board.asking.panel.outcomes.flatMap((x) =>
            x.kind === 'call' ? [] : [{ id: x.id, label: x.label }],
          ),
        }
      : format
        ? { kind: 'figure', format }
        : { kind: 'words', choices: words };
  return {
    id: o.id,
    label: o.label,
    probes: probesOf(o),
    as,
    expects: expectedOf(board, o, index, ranked, p),
    sound: sound === null || sound.kind === 'turns' ? null : asFound(sound, format),
  };
}

/** What each answer would leave. */
function leavesOf(board: Board, q: Question, p: readonly number[], seen: ReadonlySet<string>): Card['leaves'] {
  const chance = Array.from({ length: q.count }, (_, k) => p.reduce((sum, x, i) => sum + x * givesOf(q, i, k), 0));
  return chance
    .map((c, k) => ({ c, k }))
    .filter(({ c }) => c > 0.02)
    .sort((a, b) => b.c - a.c)
    .slice(0, 4)
    .map(({ c, k }) => {
      const own = p.map((x, i) => ({ x: x * givesOf(q, i, k), i })).filter(({ x }) => x > 0);
      own.sort((a, b) => b.x - a.x);
      const left = [...new Set(own.map(({ i }) => board.suspects[i]!.label))].slice(0, 3);
      const first = own[0]!.i;
      const turn = q.answers.findIndex((a) => a[first] === k);
      return { answer: answerWords(board, q, first, turn, seen), chance: c, left };
    });
}

/** What a suspect would answer to a question by the turn of one pump, in few words. */
function answerWords(board: Board, q: Question, suspect: number, turn: number, seen: ReadonlySet<string>): string {
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
  const sound = board.rows[board.suspects.findIndex((s) => s.id === HEALTHY)]!;
  const all = test.parts.flatMap((part) =>
    part.observes.map((o) => {
      const at = board.place.get(keyOf(q.id, o.id))!;
      const [own, should] = [row, sound].map((r) => sayWay(board, o, atTurn(r.expects[at] ?? null, turn)));
      return { own: own!, otherwise: own !== should, label: o.label };
    }),
  );
  if (all.length === 1) return all[0]!.own;
  const otherwise = all.filter((a) => a.otherwise);
  return otherwise.length === 0
    ? 'all as it should be'
    : otherwise
        .slice(0, 3)
        .map((a) => `${a.label}: ${a.own}`)
        .join('; ');
}

/** A question as a card. */
export function cardOf(board: Board, told: Told, p: readonly number[], id: string): Card | null {
  const { world } = board.asking;
  const seen = seenOf(told);
  const q = questionsOf(board, seen).find((x) => x.id === id);
  if (!q) return null;
  const common = {
    id,
    risk: RISKS[q.risk],
    minutes: q.minutes,
    before: minutesBetween(world, told.setting, q.setting),
    setting: q.setting,
    tells: tells(q, p),
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
      first: [],
      state: [],
      actions: ['Say of each yes or no; leave out what nobody knows.'],
      cautions: ['Look and listen only: from outside, dry, hands off.'],
      restores: [],
      fields: [],
      looks: board.asking.symptoms.flatMap((s) =>
        roundOf(s) === round && !seen.has(s.id)
          ? [{ id: s.id, says: saysOf(s, world), ofTheTrade: s.ofTheTrade !== undefined }]
          : [],
      ),
    };
  const test = board.asking.tests.find((t) => t.test.id === id)!;
  const system = systemOf(board.asking.station.profile);
  const ranked = standings(board, p)
    .map((g) => board.suspects.indexOf(g.suspects[0]!.suspect))
    .filter((i) => board.rows[i]);
  const start = test.test.needs.reduce(perform, atRest(world));
  return {
    ...common,
    kind: 'test',
    title: test.test.title,
    people: test.test.people,
    about: test.test.about,
    first: [...between(standingIn(world, told.setting), standing(start)), ...bringing(world, told.setting, q.setting)],
    state: standing(start).map((s) => s.is),
    actions: test.test.actions.map((a) => sayPhrase(a, system)),
    cautions: test.test.cautions,
    restores: toPutBack(world, test),
    fields: test.test.parts.flatMap((x) => x.observes.map((o) => fieldOf(board, test, o, ranked, p))),
    looks: [],
  };
}
