import { faultsOf } from '../faults';
import { randomFrom } from '../numeric';
import {
  catalogueOf,
  ownId,
  ownTest,
  predict,
  RISKS,
  worldOf,
  type FaultTest,
  type OwnReading,
  type Risk,
  type Setting,
  type World,
} from '../tests';
import {
  askingOf,
  formatOf,
  minutesBetween,
  PROBED,
  roundOf,
  ROUNDS,
  saysOf,
  sayFound,
  settingWords,
  truly,
  type Asking,
  type Evidence,
  type Row,
  type Suspect,
} from '../trace';
import { quantity, say, sayPhrase, systemOf } from '../units';
import type { Drill, DrillAct } from './drill';
import { hiddenIn } from './hidden';
import { DRILL_LEVELS } from './level';
import { dangerOf, type Incident } from './unsafe';
import { waterAfter, type Off, type WaterNow } from './water';

/** A drill made ready: what is hidden, and the model that answers for it. */
export interface Ready {
  readonly drill: Drill;
  readonly asking: Asking;
  readonly hidden: Suspect;
  readonly row: Row;
  /** The station with it in, and how it is proved dead. */
  readonly world: World;
}

/** One thing that was done, and what it showed. Minutes since the learner came. */
export interface Entry {
  readonly act: DrillAct;
  readonly at: number;
  readonly minutes: number;
  readonly title: string;
  readonly found: readonly { readonly label: string; readonly words: string }[];
  readonly evidence: readonly Evidence[];
  readonly risk: Risk;
  readonly incident: Incident | null;
}

/** A bench as it stands after everything that was done. */
export interface Bench {
  readonly entries: readonly Entry[];
  readonly minutes: number;
  readonly setting: Setting | null;
  readonly proved: boolean;
  readonly water: WaterNow | null;
  /** Faults that were named: then it is over. */
  readonly named: readonly string[] | null;
  /** Classes of risk, counted by their places, as in a trace. */
  readonly hazard: number;
}

/** @returns why it cannot be drilled: no panel, no rehearsal, or no fault of it that fits the level */
export function readyFor(drill: Drill): { ok: true; ready: Ready } | { ok: false; reasons: readonly string[] } {
  const made = askingOf(drill.station);
  if (!made.ok) return { ok: false, reasons: made.reasons.map((r) => sayPhrase(r, systemOf(drill.station.profile))) };
  const { asking } = made;
  const found = hiddenIn(asking, drill.level, drill.seed);
  if (!found) return { ok: false, reasons: [`no fault of this station fits “${DRILL_LEVELS[drill.level].words}”`] };
  const world = worldOf(asking.station, found.suspect.faults, 'designed', asking.world);
  return { ok: true, ready: { drill, asking, hidden: found.suspect, row: found.row, world } };
}

type Done = Pick<Entry, 'title' | 'minutes' | 'risk'> & Partial<Pick<Entry, 'found' | 'evidence' | 'incident'>>;
type State = Pick<Bench, 'minutes' | 'setting' | 'proved' | 'named'>;
type Step = Done & { readonly then?: Partial<State> };

const ORDER = Object.keys(RISKS) as Risk[];
const REFUSED = (title: string): Step => ({ title, minutes: 0, risk: 'look' });

/** How the station stands where nobody has done anything yet: as it was found, the water at the call. */
const FOUND: Setting = 'called';

/** What a test shows of what is hidden: by the model, each figure within its spread. */
function shown({ asking, row }: Ready, { test }: FaultTest, seed: number): Pick<Entry, 'found' | 'evidence'> {
  const random = randomFrom(seed);
  const answers = asking.asked.flatMap(({ test: of, observation }, i) => {
    const expect = row.expects[i];
    if (of.test.id !== test.id || !expect) return [];
    return [{ observation, found: truly(expect, formatOf(observation), random) }];
  });
  return {
    found: answers.map(({ observation, found }) => ({
      label: observation.label,
      words: sayFound(asking, observation, found),
    })),
    evidence: answers.map(({ observation, found }) => ({
      kind: 'reading',
      test: test.id,
      observation: observation.id,
      found,
    })),
  };
}

function lookAct({ asking, row }: Ready, id: 'round' | 'cycles', seed: number): Step {
  const random = randomFrom(seed);
  const round = ROUNDS.find((r) => r.id === id)!;
  const seen = asking.symptoms.flatMap((s, i) => {
    if (roundOf(s) !== round) return [];
    const is = row.symptoms[i]! && random.even() < (s.ofTheTrade ?? 1);
    return [{ s, is }];
  });
  return {
    title: round.title,
    minutes: round.minutes,
    risk: 'look',
    found: seen.filter((x) => x.is).map(({ s }) => ({ label: 'seen', words: saysOf(s, asking.world) })),
    evidence: seen.map(({ s, is }) => ({ kind: 'symptom', symptom: s.id, shown: is })),
  };
}

const isolateAct = ({ setting }: State): Step =>
  setting === 'dead'
    ? REFUSED('It is isolated already')
    : {
        title: 'Isolate and lock everything that goes to the pit',
        minutes: 3,
        risk: 'outside',
        then: { setting: 'dead', proved: false },
      };

function proveAct({ asking, world }: Ready, state: State): Step {
  if (state.setting !== 'dead') return REFUSED('Nothing is isolated that could be proved dead');
  const isolate = catalogueOf(asking.world).find((t) => t.id === 'isolate');
  const dead = isolate && predict(world, isolate).get('dead');
  if (dead?.kind !== 'value') return REFUSED('Whether it is dead cannot be told of this panel');
  // At most so much is nothing; a figure with a least is what still stands there.
  const volts = dead.least === null ? 0 : dead.value.value;
  return {
    title: 'Prove dead: on a known source, on every pair, on the known source again',
    minutes: 3,
    risk: 'probes',
    found: [
      { label: 'highest of all pairs', words: volts > 0 ? say(quantity('voltage', volts), 'metric') : 'nothing' },
    ],
    // What still stands there is not dead, however carefully it was proved.
    then: { proved: volts === 0 },
  };
}

/** A test, or a reading of one’s own, as things stand. */
function testAct(ready: Ready, state: State, test: FaultTest, seed: number): Step {
  const { asking, world } = ready;
  const setting = state.setting ?? FOUND;
  const { title } = test.test;
  const incident = dangerOf(test, world, asking.world, setting, state.proved);
  if (incident?.stopped) return { title, minutes: 1, risk: test.test.risk, incident };
  if (setting === 'dead' && test.setting !== 'dead')
    return REFUSED(`${title}: everything is off. Give the supply back first`);
  const moves = test.setting === 'dead' ? 0 : minutesBetween(state.setting, test.setting);
  return {
    title: `${title}, ${test.setting === 'dead' && !state.proved ? 'isolated, not proved dead' : settingWords(asking.station)[test.setting]}`,
    minutes: test.test.minutes + moves,
    risk: test.test.risk,
    ...shown(ready, test, seed),
    incident,
    then: { setting: test.setting },
  };
}

/** A reading between two points or round a core, as things stand; ohms want everything dead. */
function ownAct(ready: Ready, state: State, of: OwnReading, seed: number): Step {
  const { points, cores } = offersOf(ready);
  const strange =
    'core' in of ? (cores.includes(of.core) ? [] : [of.core]) : [of.a, of.b].filter((p) => !points.includes(p));
  if (strange.length > 0) return REFUSED(`There is no ${strange.join(' and no ')} at this station`);
  const ohms = !('core' in of) && /ohms|continuity|insulation/.test(of.mode);
  const setting = ohms ? 'dead' : (state.setting ?? FOUND);
  const known = ready.asking.tests.find((t) => t.test.id === ownId(of, setting));
  const asking = known ? ready.asking : ready.asking.with(ownTest(ready.asking.world, of, setting, PROBED));
  const test = known ?? asking.tests.at(-1)!;
  const row = asking.row(ready.hidden)!;
  const step = testAct({ ...ready, asking, row }, { ...state, setting: state.setting ?? FOUND }, test, seed);
  return { ...step, minutes: step.incident?.stopped ? step.minutes : 1 };
}

function stepOf(ready: Ready, act: DrillAct, state: State, seed: number): Step {
  const { asking } = ready;
  const words = settingWords(asking.station);
  switch (act.do) {
    case 'look':
      return lookAct(ready, act.round, seed);
    case 'isolate':
      return isolateAct(state);
    case 'prove dead':
      return proveAct(ready, state);
    case 'give back':
      return state.setting === 'dead'
        ? { title: 'Locks off, supply back', minutes: 3, risk: 'outside', then: { setting: FOUND, proved: false } }
        : REFUSED('Nothing is isolated');
    case 'water':
      if (state.setting === 'dead') return REFUSED('Everything is off: give the supply back first');
      return {
        title: `Bring it to: ${words[act.to]}`,
        minutes: minutesBetween(state.setting ?? FOUND, act.to),
        risk: 'water',
        then: { setting: act.to },
      };
    case 'test': {
      const test = asking.tests.find((t) => t.test.id === act.id);
      return test ? testAct(ready, state, test, seed) : REFUSED(`There is no such test at this station: ${act.id}`);
    }
    case 'meter':
      return ownAct(ready, state, { a: act.a, b: act.b, mode: act.mode }, seed);
    case 'clamp':
      return ownAct(ready, state, { core: act.core }, seed);
    case 'wait':
      return { title: 'Wait and watch', minutes: act.minutes, risk: 'look' };
    case 'name':
      return { title: 'Said what it is', minutes: 0, risk: 'look', then: { named: act.faults } };
  }
}

/** In which minutes everything was off; without end where it still is. */
function offsOf(entries: readonly Entry[]): Off[] {
  const offs: Off[] = [];
  let from: number | null = null;
  for (const e of entries) {
    const done = e.at + e.minutes;
    if (e.act.do === 'isolate' && from === null) from = done;
    if (e.act.do === 'give back' && from !== null && e.minutes > 0) {
      offs.push({ from, to: done });
      from = null;
    }
  }
  return from === null ? offs : [...offs, { from, to: Infinity }];
}

/** A bench at which nothing was done. */
const UNTOUCHED: Bench = {
  entries: [],
  minutes: 0,
  setting: null,
  proved: false,
  water: null,
  named: null,
  hazard: 0,
};

/** Whether a bench is the beginning of what some acts make. */
const begins = ({ entries }: Bench, acts: readonly DrillAct[]): boolean =>
  entries.length <= acts.length && entries.every((e, n) => JSON.stringify(e.act) === JSON.stringify(acts[n]));

/**
 * The bench after some acts: the same on any machine. What is done after it was named does nothing.
 * @param before a bench of the same drill after fewer acts: where it is the beginning of these it is gone on from, and not begun anew
 */
export function benchAfter(ready: Ready, acts: readonly DrillAct[], before: Bench | null = null): Bench {
  const { asking, hidden, drill } = ready;
  const from = before && begins(before, acts) ? before : UNTOUCHED;
  let state: State = from;
  let { hazard } = from;
  const entries: Entry[] = [...from.entries];
  for (let n = entries.length; n < acts.length && !state.named; n++) {
    const act = acts[n]!;
    const seed = drill.seed * 1009 + n + 1;
    const { then = {}, found = [], evidence = [], incident = null, ...done } = stepOf(ready, act, state, seed);
    entries.push({ act, at: state.minutes, found, evidence, incident, ...done });
    hazard += done.minutes > 0 ? ORDER.indexOf(done.risk) : 0;
    state = { ...state, minutes: state.minutes + done.minutes, ...then };
  }
  const { minutes, setting, proved, named } = state;
  const { inflow } = DRILL_LEVELS[drill.level];
  const offs = offsOf(entries);
  return {
    ...{ minutes, setting, proved, named },
    entries,
    hazard,
    water: waterAfter(asking.world.levels, asking.panel, hidden.faults, inflow, minutes, offs),
  };
}

/** What a bench has on it: tests, points for the probes, cores for the clamp, and what may be named. */
export interface Offers {
  readonly tests: readonly Offer[];
  readonly points: readonly string[];
  readonly cores: readonly string[];
  readonly faults: readonly { readonly id: string; readonly label: string; readonly part: string }[];
  readonly settings: Readonly<Record<Setting, string>>;
}

/** Something that can be done next. */
export interface Offer {
  readonly id: string;
  readonly title: string;
  readonly setting: Setting;
  readonly minutes: number;
  readonly risk: string;
}

/** Everything that a bench offers, in the order of the catalogue. */
export function offersOf({ asking }: Ready): Offers {
  const { station, panel, world } = asking;
  const { wired } = world.wiring({ cores: [], links: [] });
  return {
    tests: asking.tests.map(({ test, setting }) => ({
      id: test.id,
      title: test.title,
      setting,
      minutes: test.minutes,
      risk: RISKS[test.risk],
    })),
    points: ['earth', ...wired.points.keys()],
    cores: panel.cores.map((c) => c.id),
    faults: faultsOf(station, panel).map(({ id, label, part }) => ({ id, label, part })),
    settings: settingWords(station),
  };
}
