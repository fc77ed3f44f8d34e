import { traitsOf } from '../../duties';
import { kindOf, ROLE } from '../../sensors';
import { phrase } from '../../units';
import type { Act } from '../act';
import type { Observation } from '../observation';
import { perform } from '../perform';
import { resetsIn, sayResets } from '../resets';
import { atRest } from '../scene';
import { test, type Test } from '../test';
import type { World } from '../world';
import { called } from './water';

const reacts = (id: string, label: string): Observation => ({ id, label, kind: 'reacts', pumps: true });

/**
 * The float that guards a pump from running dry, held down while the pump runs: what stops, and whether it starts again by itself or waits for
 * a person, is asked of the panel. Nothing without one, nor where no rod holds it down.
 */
export function lowWater(world: World): Test[] {
  const { station, panel } = world;
  const sensor = station.sensors.find((s) => s.role === 'low');
  const device = panel?.devices.find((d) => d.sensor !== undefined && d.sensor === sensor?.id)?.tag;
  if (!sensor || device === undefined || traitsOf(station).direction === 'fill') return [];
  const { lowered } = kindOf(sensor).hand;
  if (lowered === null) return [];
  const word = `${ROLE[sensor.role].word} ${kindOf(sensor).noun}`;
  const held: Act = { kind: 'put', device, to: 'down' };
  const free: Act = { kind: 'let go', device };
  const reset = resetsIn([...called(world), held, free].reduce(perform, atRest(world)));
  return [
    test({
      id: 'low-water',
      phase: 'wet',
      title: 'Low water stops it',
      actions: [
        phrase`While it runs, as if the water were gone from the ${word}: ${lowered}, and hold it; then let it go.`,
        ...(reset.length > 0 ? [phrase`Then ${sayResets(world, reset)}.`] : []),
      ],
      cautions: [
        'Live: hands out of the water, off whatever is wet.',
        `It may start again as soon as it is let go${reset.length > 0 ? ', or at the reset' : ''}: nobody at the pump.`,
      ],
      needs: called(world),
      parts: [
        { acts: [held], observes: [reacts('held', `${word} held down`)] },
        { acts: [free], observes: [reacts('free', `${word} let go`)] },
        ...(reset.length > 0 ? [{ acts: reset, observes: [reacts('reset', 'when it is reset')] }] : []),
      ],
      minutes: 3,
      risk: 'rod',
      about: [`float:${sensor.id}`, 'pump'],
    }),
  ];
}
