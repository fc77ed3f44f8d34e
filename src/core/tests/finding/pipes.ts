import { traitsOf } from '../../duties';
import { LOOKED_AT } from '../../faults';
import { columnOver } from '../../levels';
import { phrase, quantity } from '../../units';
import { test, type Test } from '../test';
import type { World } from '../world';
import { faultTest, type FaultTest } from './faultTest';

/* What of the line is told by looking alone: its check valves, opened, and its end. */

const VALVE = 'valve-';

/** Whether a test opens the line over the pumps. */
export const opensPipe = ({ id }: Test): boolean => id.startsWith(VALVE);

/** Each check valve, opened: no reading tells one that is stuck from a line that is blocked beyond it. */
function valves(world: World): FaultTest[] {
  const { station, levels } = world;
  if (station.discharge.checkValve === null || traitsOf(station).mover.kind !== 'pump') return [];
  const column = columnOver(levels);
  const several = station.pumps.length > 1;
  const { direction, words } = traitsOf(station);
  const into = direction === 'fill' ? '' : ` back into the ${words.vessel}`;
  return station.pumps.map((_, i) =>
    faultTest(
      world,
      'dead',
      test({
        id: `${VALVE}${i + 1}`,
        phase: 'bench',
        title: several ? `Check valve of pump ${i + 1}, opened` : 'Check valve, opened',
        actions: [
          phrase`Drain the line over it${into}${column > 0 ? phrase` (about ${quantity('volume', column)} by the survey)` : phrase``}, then open its cap or the union over it.`,
          phrase`Move the flap with a tool: it swings open, and falls shut by itself.`,
        ],
        cautions: [
          'Isolated, locked, proved dead: a pump that starts blows the open pipe out.',
          'Drained before it is opened: what stands over it comes down on whoever opens it.',
        ],
        parts: [
          {
            acts: [],
            observes: [
              {
                id: 'seen',
                label: several ? `flap of the check valve of pump ${i + 1}` : 'its flap',
                kind: 'seen',
                of: LOOKED_AT.check(i + 1),
                clear: 'swings open, falls shut',
              },
            ],
          },
        ],
        minutes: 20,
        people: 2,
        risk: 'pit',
        about: ['pipe'],
      }),
    ),
  );
}

/** Where the line ends: what stands over it comes back. */
const end = (world: World): FaultTest[] =>
  traitsOf(world.station).direction === 'fill'
    ? []
    : [
        faultTest(
          world,
          'resting',
          test({
            id: 'outlet',
            phase: 'look',
            title: 'Look where it comes out',
            actions: [phrase`Go to the end of the line, if it can be seen: does it stand free, or under water?`],
            parts: [
              {
                acts: [],
                observes: [
                  {
                    id: 'seen',
                    label: 'the end of the line',
                    kind: 'seen',
                    of: LOOKED_AT.outlet,
                    clear: 'stands free',
                  },
                ],
              },
            ],
            minutes: 5,
            risk: 'look',
            about: ['pipe'],
          }),
        ),
      ];

export const pipes = (world: World): FaultTest[] => [...valves(world), ...end(world)];
