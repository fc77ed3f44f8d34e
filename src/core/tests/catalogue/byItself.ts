import { phrase } from '../../units';
import type { Observation } from '../observation';
import type { World } from '../world';

/** A panel that only alarms: the pump has a switch of its own. */
export const runsNoPump = ({ panel }: World): boolean =>
  panel !== null && !panel.outcomes.some((o) => o.kind === 'pump');

/** What a pump does by a switch that its panel has no part in. */
export const byItself = (id: string, label: string, does: 'starts' | 'stops'): Observation => ({
  id,
  label,
  kind: 'sense',
  good: phrase`${does} by its own switch: this panel has no part in it`,
});
