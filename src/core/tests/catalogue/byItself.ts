import { traitsOf } from '../../duties';
import type { Sensor } from '../../sensors';
import { phrase } from '../../units';
import type { Observation } from '../observation';
import type { World } from '../world';

/** A panel that only alarms: the pump has switches of its own. */
export const runsNoPump = ({ panel }: World): boolean =>
  panel !== null && !panel.outcomes.some((o) => o.kind === 'pump');

/**
 * What a pump does by a switch that its panel has no part in.
 * @param does null: no model here answers it, and that is said
 */
const byItself = (id: string, label: string, does: 'starts' | 'stops' | null): Observation => ({
  id,
  label,
  kind: 'sense',
  good: does
    ? phrase`${does} by its own switch: this panel has no part in it`
    : phrase`this panel has no part in it; what a pump does by it is not asked here, because its own control is not surveyed: it may start`,
});

const timed = ({ station }: World): boolean => traitsOf(station).timer !== null;

/** A pump that is called by its water; by a timer of its own nobody here can say when. */
export const calledByItself = (world: World, id: string): Observation =>
  byItself(id, 'pump', timed(world) ? null : 'starts');

/** A float of its own control, lifted or let back: one float alone is its switch, and its contact says which way. */
export function workedByItself(world: World, { role, contact }: Sensor, id: string, label: string, to: 'up' | 'down') {
  const alone = role === 'pump' && !timed(world);
  return byItself(id, label, alone ? ((to === 'up') === (contact === 'closes-on-rise') ? 'starts' : 'stops') : null);
}
