import { traitsOf } from '../duties';
import { columnOver } from '../levels';
import { randomFrom } from '../numeric';
import { catalogueOf, GIVING_BACK, levelOf, minutesBetween, predictByTurn, type Height } from '../tests';
import { ROUNDS, roundOf, saysOf, settingWords } from '../trace';
import { quantity, say, systemOf } from '../units';
import type { DrillAct } from './drill';
import { handStep, ownStep, testStep, valvesSeen } from './reading';
import type { Ready } from './ready';
import { FOUND, refused, type State, type Step, type StepOf } from './step';
import { leaving, pipeDanger } from './unsafe';

function look({ asking, row }: Ready, id: 'round' | 'cycles', seed: number): Step {
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

/** What somebody who lives with it has noticed: what shows, and nothing of the trade’s own. What is not told may be all the same. */
function ask({ asking, row }: Ready): Step {
  const told = asking.symptoms.filter((s, i) => s.ofTheTrade === undefined && row.symptoms[i]);
  return {
    title: 'Ask the owner what was noticed',
    minutes: 3,
    risk: 'look',
    found:
      told.length > 0
        ? told.map((s) => ({ label: 'the owner', words: saysOf(s, asking.world) }))
        : [{ label: 'the owner', words: 'nothing that was noticed' }],
    evidence: told.map((s) => ({ kind: 'symptom', symptom: s.id, shown: true })),
  };
}

function proveDead({ asking, world }: Ready, state: State): Step {
  if (state.setting !== 'dead') return refused('Nothing is isolated that could be proved dead');
  const isolate = catalogueOf(asking.world).find((t) => t.id === 'isolate');
  const left = state.left.map((l) => l.act);
  const dead = isolate && predictByTurn(world, { ...isolate, needs: [...isolate.needs, ...left] }).get('dead')?.[0];
  if (dead?.kind !== 'value') return refused('Whether it is dead cannot be told of this panel');
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

/** Minutes in which the pipe is drained. */
const DRAINS = 4;

function drainPipe({ asking, world }: Ready): Step {
  if (columnOver(asking.world.levels) === 0)
    return refused('Nothing is made to hold water over the pump here: there is no column to drain');
  // What comes is what stands there: a check valve that leaks has let it go.
  const column = columnOver(world.levels);
  const litres = say(quantity('volume', column), systemOf(asking.station.profile));
  return {
    title: 'Drain the pipe over the check valve back into the pit',
    minutes: DRAINS,
    risk: 'outside',
    found: [{ label: 'what comes', words: column > 0 ? `about ${litres}` : 'nothing' }],
    poured: column / (60 * DRAINS),
    then: { drained: true },
  };
}

function openPipe(ready: Ready, state: State, seed: number): Step {
  const { asking, world } = ready;
  if (traitsOf(asking.station).mover.kind !== 'pump') return refused('No pump stands under a pipe here');
  const incidents = pipeDanger(world, asking.world, { ...state, setting: state.setting ?? FOUND });
  const stopped = incidents.some((i) => i.stopped);
  return {
    title: 'The pipe over the check valve opened, looked into, and closed',
    minutes: stopped ? 1 : 10,
    risk: 'pit',
    ...(stopped ? {} : valvesSeen(ready, seed)),
    incidents,
  };
}

function hose({ asking: { station } }: Ready, minutes: number): Step {
  const { hoseFlow } = station.settings;
  const system = systemOf(station.profile);
  if (traitsOf(station).direction === 'fill') return refused('A tank that is filled is not hosed: open a tap');
  return {
    title: `Hose in, ${say(quantity('flow', hoseFlow), system)}`,
    minutes,
    risk: 'water',
    poured: hoseFlow,
  };
}

function bring({ asking: { station, world } }: Ready, { setting }: State, { to }: { to: Height }): Step {
  const words = settingWords(station)[to];
  if (setting === 'dead') return refused('Everything is off: give the supply back first');
  if (levelOf(world, to) === null) return refused(`Nothing acts there at this station: ${words}`);
  return {
    title: `Bring it to: ${words}`,
    minutes: minutesBetween(world, setting ?? FOUND, to),
    risk: 'water',
    then: { setting: to },
  };
}

/** Every act that is possible at a bench. */
export const STEPS: { readonly [D in DrillAct['do']]: StepOf<Extract<DrillAct, { do: D }>> } = {
  look: (ready, _, { round }, seed) => look(ready, round, seed),
  ask,
  isolate: (_, { setting }) =>
    setting === 'dead'
      ? refused('It is isolated already')
      : {
          title: 'Isolate and lock everything that goes to the pit',
          minutes: 3,
          risk: 'outside',
          then: { setting: 'dead', proved: false },
        },
  'prove dead': proveDead,
  'give back': (_, { setting }) =>
    setting === 'dead'
      ? {
          title: 'Locks off, supply back',
          minutes: GIVING_BACK,
          risk: 'outside',
          then: { setting: FOUND, proved: false },
        }
      : refused('Nothing is isolated'),
  water: bring,
  test: (ready, state, { id }, seed) => {
    const made = ready.asking.tests.find((t) => t.test.id === id);
    return made ? testStep(ready, state, made, seed) : refused(`There is no such test at this station: ${id}`);
  },
  meter: (ready, state, { a, b, mode }, seed) => ownStep(ready, state, { a, b, mode }, seed),
  clamp: (ready, state, { core }, seed) => ownStep(ready, state, { core }, seed),
  put: handStep,
  'let go': handStep,
  press: handStep,
  land: handStep,
  bridge: handStep,
  plug: handStep,
  hose: (ready, _, { minutes }) => hose(ready, minutes),
  'test air': () => ({
    title: 'Test the air of the pit, from the top down',
    minutes: 2,
    risk: 'outside',
    found: [{ label: 'air', words: 'good, as a drill takes it: there is no model of gas' }],
    then: { aired: true },
  }),
  'drain pipe': drainPipe,
  'open pipe': (ready, state, _, seed) => openPipe(ready, state, seed),
  wait: (_, __, { minutes }) => ({ title: 'Wait and watch', minutes, risk: 'look' }),
  name: ({ asking }, { left, setting }, { faults, mends = [] }) => ({
    title: 'Said what it is',
    minutes: 0,
    risk: 'look',
    incidents: leaving(asking.world, left, setting),
    then: { named: faults, mends },
  }),
};
