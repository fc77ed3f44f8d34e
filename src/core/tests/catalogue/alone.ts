import { phrase } from '../../units';
import type { Device } from '../../schemes';
import type { Act } from '../act';
import { putBack } from '../standing';
import { test, type Test } from '../test';
import type { World } from '../world';
import { minutesOf, runTime, water } from './water';

/* What each of several pumps moves by itself: in Hand by its selector, the others at Off. Nothing where one of them has none. */

/** The selector of each pump, where every one has Hand and Off. */
function selectorsOf({ panel, station }: World): readonly Device[] {
  const found = station.pumps.map((_, i) =>
    panel?.devices.find(
      (d) =>
        d.function === 'selector' &&
        d.pump === i + 1 &&
        ['hand', 'off'].every((s) => d.positions.some((p) => p.state === s)),
    ),
  );
  return found.every((d) => d !== undefined) ? found : [];
}

/** A test made of water that one pump moves alone. */
function alone(made: Test, all: readonly Device[], own: Device, [from, to]: readonly [number, number]): Test {
  return {
    ...made,
    actions: [...made.actions, ...putBack(all)],
    cautions: ['In Hand nothing stops the pump: stay at it until it is off again.'],
    needs: [...all.map(({ tag }): Act => ({ kind: 'put', device: tag, to: 'off' })), water(from)],
    parts: [
      {
        acts: [{ kind: 'put', device: own.tag, to: 'hand' }, water(to), { kind: 'put', device: own.tag, to: 'off' }],
        observes: made.parts[0]!.observes,
      },
    ],
    restores: all.map(({ tag, initial }): Act => ({ kind: 'put', device: tag, to: initial })),
    risk: 'rod',
    about: ['level:lead', 'level:stop', 'pump', 'pipe'],
  };
}

/** The drawdown of each pump: which of them is called in Auto is a matter of whose turn it is. @param called of the one that is called */
export function drawdownAlone(world: World, called: Test): Test[] {
  const { lead, stop } = world.levels;
  const selectors = world.station.pumps.length > 1 ? selectorsOf(world) : [];
  if (selectors.length === 0) return [called];
  return selectors.map((own, i) =>
    alone(
      {
        ...called,
        id: i === 0 ? called.id : `${called.id}-${i + 1}`,
        title: `Drawdown of pump ${i + 1}`,
        actions: [
          phrase`Every pump at Off, the water at the start. ${own.tag} to Hand: measure how far the water falls down to the stop and for how long, no hose; then ${own.tag} to Off.`,
          called.actions[1]!,
        ],
      },
      selectors,
      own,
      [lead, stop],
    ),
  );
}

/** A tank filled by each of its pumps: which of them fills it in Auto is a matter of whose turn it is. Nothing where one pump is all. */
export function fillAlone(world: World): Test[] {
  const { lead, stop } = world.levels;
  const selectors = world.station.pumps.length > 1 ? selectorsOf(world) : [];
  return selectors.map((own, i) =>
    alone(
      test({
        id: `fill-alone-${i + 1}`,
        phase: 'wet',
        title: `Filling by pump ${i + 1} alone`,
        actions: [
          phrase`Every pump at Off, the water at the start, draws shut. ${own.tag} to Hand: watch in hand from there up to the stop; then ${own.tag} to Off.`,
        ],
        parts: [
          {
            acts: [],
            observes: [
              { id: 'run', label: 'from start to stop', kind: 'run time' },
              { id: 'flow', label: 'flow from it', kind: 'flow' },
            ],
          },
        ],
        minutes: minutesOf(runTime(world, lead, stop), 3),
        risk: 'rod',
      }),
      selectors,
      own,
      [lead, stop],
    ),
  );
}
