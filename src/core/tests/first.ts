import type { Act } from './act';
import type { World } from './world';

/*
 * Whose turn it is nobody who comes to a panel knows. What is read of one pump while one is called is read with that pump made the first, by the
 * toggle that says who goes first.
 */

/** What is to be known before it is turned. */
export const CHANGES_OVER = 'As the toggle is turned the pumps may change over: one stops and another starts, at once.';

/** What says who goes first. */
export const toggleOf = ({ panel }: World) => panel?.devices.find((d) => d.function === 'order');

/** A pump, from 1, made the first that is called. Nothing where no toggle does that. */
export function madeFirst(world: World, pump: number): Act[] {
  const toggle = toggleOf(world);
  const locks = toggle?.positions.filter((p) => p.state !== 'turns') ?? [];
  const at = locks[pump - 1];
  return toggle && at ? [{ kind: 'put', device: toggle.tag, to: at.state }] : [];
}

/** The toggle as it was left. */
export function turnsAgain(world: World): Act[] {
  const toggle = toggleOf(world);
  return toggle ? [{ kind: 'put', device: toggle.tag, to: toggle.initial }] : [];
}
