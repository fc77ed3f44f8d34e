import { disc, path, polygon, text, type Layout, type Role, type Shape } from '../drawing';
import type { SensorCommon } from './common';

export type Point = readonly [number, number];

/** One sensor to be drawn: where the pole is, how the water stands, and as what: itself, or the ghost of where it would be. */
export interface Drawn<S extends SensorCommon> {
  readonly layout: Layout;
  readonly pole: number;
  readonly sensor: S;
  readonly order: number;
  readonly level: number;
  readonly closed: boolean;
  readonly ghost: boolean;
}

type Any = Drawn<SensorCommon>;

/** An eye: filled while the contact is closed, an outline while it is open. */
export function eye({ closed, ghost, layout }: Any, x: number, y: number): Shape[] {
  if (ghost || layout.detail === 'thumb') return [];
  const almond = `M${x - 7} ${y} Q${x} ${y - 6.5} ${x + 7} ${y} Q${x} ${y + 6.5} ${x - 7} ${y} Z`;
  return closed ? [path('eye-closed', almond)] : [path('eye-open', almond), disc('eye-open', x, y, 1.6)];
}

/** Its number, in the order from the floor. */
export const number = ({ layout, order }: Any, x: number, y: number): Shape[] =>
  layout.detail === 'thumb' ? [] : [text('float-number', x, y + 4, String(order), 'middle', 12)];

export const body = (d: Any, role: Role): Role => (d.ghost ? 'ghost' : role);

/** A lozenge from `from` along (ux, uy), `long` by `thick`. */
export function lozenge(role: Role, [x, y]: Point, ux: number, uy: number, long: number, thick: number): Shape {
  const at = (along: number, across: number): Point => [x + ux * along - uy * across, y + uy * along + ux * across];
  return polygon(
    role,
    at(0, 0),
    at(long * 0.3, thick / 2),
    at(long * 0.7, thick / 2),
    at(long, 0),
    at(long * 0.7, -thick / 2),
    at(long * 0.3, -thick / 2),
  );
}
