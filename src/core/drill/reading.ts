import { randomFrom } from '../numeric';
import {
  actsOf,
  isolationOf,
  minutesBetween,
  opensPipe,
  ownTest,
  test,
  type Act,
  type FaultTest,
  type OwnReading,
} from '../tests';
import { atTurn, formatOf, PROBED, sayFound, settingWords, truly, type Asking, type Row } from '../trace';
import { byHand, leftAfter, leftWords, type HandAct } from './hands';
import type { Ready } from './ready';
import { FOUND, refused, type Entry, type State, type Step } from './step';
import { dangerOf, handDanger, sceneIn } from './unsafe';

/** A station that can be asked one test more. */
interface Asked {
  readonly asking: Asking;
  readonly row: Row;
  readonly test: FaultTest;
  readonly own: FaultTest | null;
}

/** What hands have left, as acts that come before a test. */
const before = ({ left }: State): Act[] => left.map((l) => l.act);

/** A test made with everything as hands have left it: by that name it is another. */
function asLeft(ready: Ready, state: State, made: FaultTest): Asked {
  const { asking, hidden } = ready;
  const acts = before(state);
  const known = acts.length === 0 ? asking.tests.find((t) => t.test.id === made.test.id) : undefined;
  if (known) return { asking, row: ready.row, test: known, own: null };
  const own: FaultTest =
    acts.length === 0
      ? made
      : {
          ...made,
          test: {
            ...made.test,
            id: `${made.test.id} with ${JSON.stringify(acts)}`,
            needs: [...made.test.needs, ...acts],
          },
        };
  const more = asking.with(own);
  return { asking: more, row: more.row(hidden)!, test: own, own };
}

/** Whose turn it is at a drill, from 0: as from new, from where its water is rehearsed too. */
const TURN = 0;

/** What a test shows of what is hidden: by the model, each figure within its spread. */
function shown({ asking, row, test: { test: made } }: Asked, seed: number): Pick<Entry, 'found' | 'evidence'> {
  const random = randomFrom(seed);
  const answers = asking.asked.flatMap(({ test: of, observation }, i) => {
    const expect = atTurn(row.expects[i] ?? null, TURN);
    if (of.test.id !== made.id || !expect) return [];
    return [{ observation, found: truly(expect, formatOf(observation), random) }];
  });
  return {
    found: answers.map(({ observation, found }) => ({
      label: observation.label,
      words: sayFound(asking, observation, found),
    })),
    evidence: answers.map(({ observation, found }) => ({
      kind: 'reading',
      test: made.id,
      observation: observation.id,
      found,
    })),
  };
}

/** What is seen of the check valves where the pipe is opened. */
export function valvesSeen(
  { asking, row }: Ready,
  seed: number,
): { found: Entry['found']; evidence: Entry['evidence'] } {
  const all = asking.tests
    .filter((t) => opensPipe(t.test))
    .map((test) => shown({ asking, row, test, own: null }, seed));
  return { found: all.flatMap((s) => s.found), evidence: all.flatMap((s) => s.evidence) };
}

/** What hands have left, said beside what is read. */
const withLeft = ({ asking: { panel } }: Ready, { left }: State): string =>
  left.length === 0 ? '' : `; with ${left.map((l) => leftWords(panel, l)).join(', ')}`;

/** A test, or a reading of one’s own, as things stand. */
export function testStep(ready: Ready, state: State, made: FaultTest, seed: number): Step {
  const { asking, world } = ready;
  const setting = state.setting ?? FOUND;
  const { title, risk } = made.test;
  const incidents = dangerOf(made, world, asking.world, { ...state, setting });
  if (incidents.some((i) => i.stopped)) return { title, minutes: 1, risk, incidents };
  if (setting === 'dead' && made.setting !== 'dead')
    return refused(`${title}: everything is off. Give the supply back first`);
  const moves = made.setting === 'dead' ? 0 : minutesBetween(asking.world, setting, made.setting);
  const of = asLeft(ready, state, made);
  const how =
    made.setting === 'dead' && !state.proved ? 'isolated, not proved dead' : settingWords(asking.station)[made.setting];
  return {
    title: `${title}, ${how}${withLeft(ready, state)}`,
    minutes: made.test.minutes + moves,
    risk,
    ...shown(of, seed),
    own: of.own,
    incidents,
    then: { setting: made.setting },
  };
}

/** A reading between two points or round a core, as things stand; ohms want everything dead. */
export function ownStep(ready: Ready, state: State, of: OwnReading, seed: number): Step {
  const { panel, world } = ready.asking;
  const { wired } = world.wiring({ cores: [], links: [] });
  const strange =
    'core' in of
      ? [of.core].filter((c) => !panel.cores.some((x) => x.id === c))
      : [of.a, of.b].filter((p) => p !== 'earth' && !wired.points.has(p));
  if (strange.length > 0) return refused(`There is no ${strange.join(' and no ')} at this station`);
  const ohms = !('core' in of) && /ohms|continuity|insulation/.test(of.mode);
  const setting = ohms ? 'dead' : (state.setting ?? FOUND);
  const made = ownTest(world, of, setting, PROBED);
  const step = testStep(ready, { ...state, setting: state.setting ?? FOUND }, made, seed);
  return { ...step, minutes: step.incidents?.some((i) => i.stopped) ? step.minutes : 1 };
}

/** Something that hands do, and what happens then, by the circuit. */
export function handStep(ready: Ready, state: State, act: HandAct, seed: number): Step {
  const { asking, world } = ready;
  const done = byHand(asking, act);
  if (typeof done === 'string') return refused(done);
  const setting = state.setting ?? FOUND;
  const locked = setting === 'dead' ? (isolationOf(asking.world)?.open ?? []) : [];
  if (act.do === 'put' && locked.some((d) => d.tag === act.device))
    return refused(`${act.device} is locked off: locks off and supply back first`);
  const { title, acts, risk } = done;
  const incidents = handDanger(done, sceneIn(world, asking.world, setting, before(state)), asking.world, {
    ...state,
    setting,
  });
  if (incidents.some((i) => i.stopped)) return { title, minutes: 1, risk, incidents };
  const of = asLeft(ready, state, {
    setting,
    test: {
      ...test({
        id: `hand ${JSON.stringify(acts)} ${setting}`,
        phase: 'work',
        title,
        actions: [],
        minutes: 1,
        risk,
        parts: [{ acts, observes: [{ id: 'now', label: 'what happens', kind: 'happens' }] }],
      }),
      needs: actsOf(asking.world, setting),
    },
  });
  return {
    title: `${title}, ${settingWords(asking.station)[setting]}${withLeft(ready, state)}`,
    minutes: 1,
    risk,
    ...shown(of, seed),
    own: of.own,
    incidents,
    hands: acts,
    then: { left: acts.reduce((left, a) => leftAfter(asking.panel, left, a), state.left) },
  };
}
