import { traitsOf } from '../../duties';
import { phrase, quantity } from '../../units';
import { tapeCheck } from '../catalogue/dry';
import { alternation, drawdownTest, fillTank, pumpDown, fillToLead } from '../catalogue/wet';
import { drawdownAlone, fillAlone } from '../catalogue/alone';
import { restAtPeak } from '../catalogue/dose';
import { runTime, waitFor } from '../catalogue/water';
import { alarmTests } from '../catalogue/alarm';
import { carriedParts } from '../catalogue/carried';
import { rotation } from '../catalogue/dry';
import type { Observation } from '../observation';
import { test, type Test } from '../test';
import type { World } from '../world';
import { faultTest, type FaultTest } from './faultTest';

/** What a figure of another station, or a look that no model answers, tells nothing of here. */
const ANSWERED: ReadonlySet<Observation['kind']> = new Set([
  'level',
  'run time',
  'fall rate',
  'flow',
  'reacts',
  'turns',
  'kicks',
  'tape',
]);

/** A test of the proof, with only what the model answers. */
function asked(made: Test): Test | null {
  const parts = made.parts.map((p) => ({ ...p, observes: p.observes.filter((o) => ANSWERED.has(o.kind)) }));
  return parts.some((p) => p.observes.length > 0) ? { ...made, parts } : null;
}

/** What the water does after a stop, and with no pump running. */
function still(world: World): FaultTest[] {
  const { stop } = world.levels;
  if (traitsOf(world.station).direction === 'fill') return [];
  return [
    faultTest(world, 'called', {
      ...test({
        id: 'falls-back',
        phase: 'wet',
        title: 'What comes back after a stop',
        actions: [
          phrase`The inflow shut off. Let it pump down and stop, mark the water, and mark it again after two minutes.`,
        ],
        parts: [
          { acts: [{ kind: 'water', to: stop }], observes: [] },
          { acts: [{ kind: 'drain back' }], observes: [{ id: 'level', label: 'water then, rim down', kind: 'level' }] },
        ],
        minutes: 4 + Math.ceil(Math.min(1800, runTime(world, world.levels.lead, stop)) / 60),
        risk: 'water',
        about: ['pipe'],
      }),
    }),
    faultTest(world, 'resting', {
      ...test({
        id: 'inflow',
        phase: 'wet',
        title: 'What comes in',
        actions: [
          phrase`Every pump held off by its selector or breaker for some minutes: tape and watch. One ${quantity('height', 0.01)} is ${quantity('volume', world.levels.vessel.area(stop) * 0.01)}.`,
        ],
        parts: [{ acts: [], observes: [{ id: 'inflow', label: 'inflow by the rise', kind: 'inflow' }] }],
        minutes: 5,
        risk: 'water',
        about: ['level:stop'],
      }),
    }),
  ];
}

/** Tests of the proof by which a fault shows: water moved, turns, alarm, what the panel carries. */
export function moved(world: World): FaultTest[] {
  const fills = traitsOf(world.station).direction === 'fill';
  const { stop, lead } = world.levels;
  const drains = () => [
    fillToLead(world),
    pumpDown(world),
    ...drawdownAlone(world, drawdownTest(world)),
    ...restAtPeak(world),
  ];
  const wet = !world.panel ? [] : fills ? [...fillTank(world), ...fillAlone(world)] : drains();
  const all = [
    tapeCheck(world),
    ...rotation(world),
    ...wet,
    ...alternation(world),
    // Its battery is tried by hand, every feeder off.
    ...alarmTests(world).filter(({ id }) => id !== 'battery'),
    ...carriedParts(world),
  ];
  return [
    ...all.flatMap((made): FaultTest[] => {
      const test = asked(made);
      return test ? [{ test, setting: made.risk === 'outside' ? 'dead' : 'resting' }] : [];
    }),
    ...(Number.isFinite(waitFor(world, stop, lead)) ? still(world) : []),
  ];
}
