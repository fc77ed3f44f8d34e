import type { SensorTrips } from '../../levels';
import { contactClosed, hasRisen, leanOf } from '../../sensing';
import type { RodFloat, TiltFloat } from '../../station';
import type { Layout } from './layout';
import { disc, line, path, polygon, text, type Shape } from './shape';

/** Where the floats' common pole stands: right of the middle, clear of the riser. */
export const poleX = ({ left, right }: Layout, riser: number): number => Math.max(left + (right - left) * 0.58, riser + (right - left) * 0.16);

type Point = readonly [number, number];

/** An eye: filled while the contact is closed, an outline while it is open. */
function eye(x: number, y: number, closed: boolean): Shape[] {
  const almond = `M${x - 7} ${y} Q${x} ${y - 6.5} ${x + 7} ${y} Q${x} ${y + 6.5} ${x - 7} ${y} Z`;
  return closed ? [path('eye-closed', almond)] : [path('eye-open', almond), disc('eye-open', x, y, 1.6)];
}

/** A lozenge from `from` along (ux, uy), `long` by `thick`. */
function lozenge([x, y]: Point, ux: number, uy: number, long: number, thick: number): Shape {
  const at = (along: number, across: number): Point => [x + ux * along - uy * across, y + uy * along + ux * across];
  return polygon('float', at(0, 0), at(long * 0.3, thick / 2), at(long * 0.7, thick / 2), at(long, 0), at(long * 0.7, -thick / 2), at(long * 0.3, -thick / 2));
}

function tiltShapes(layout: Layout, pole: number, float: TiltFloat, order: number, level: number, closed: boolean): Shape[] {
  const side = order % 2 === 1 ? 1 : -1;
  const lean = leanOf(float, level);
  const [ux, uy] = [side * Math.cos(lean), -Math.sin(lean)];
  const clip: Point = [pole, layout.yOf(float.clip)];
  const small = layout.detail === 'thumb';
  const long = Math.max(float.body * layout.scale, small ? 9 : 24);
  const reach = float.tether * layout.scale;
  const near: Point = [clip[0] + ux * reach, clip[1] + uy * reach];
  const middle: Point = [near[0] + (ux * long) / 2, near[1] + (uy * long) / 2];
  return [
    line('tether', clip, near),
    lozenge(near, ux, uy, long, long * 0.56),
    disc('clip', clip[0], clip[1], small ? 1.6 : 3.2),
    ...(small ? [] : [text('float-number', middle[0], middle[1] + 4, String(order), 'middle', 12), ...eye(clip[0] - side * 15, clip[1], closed)]),
  ];
}

function rodShapes(layout: Layout, pole: number, float: RodFloat, order: number, level: number, closed: boolean): Shape[] {
  const small = layout.detail === 'thumb';
  const x = pole + (layout.right - layout.left) * 0.25;
  const [upper, lower] = [layout.yOf(float.upperStop), layout.yOf(float.lowerStop)];
  const y = layout.yOf(Math.min(Math.max(level, float.lowerStop), float.upperStop));
  const size = small ? 7 : 20;
  return [
    line('tether', [x, layout.rim], [x, lower + 6]),
    line('clip', [x - size / 2, upper - size / 2], [x + size / 2, upper - size / 2]),
    line('clip', [x - size / 2, lower + size / 2], [x + size / 2, lower + size / 2]),
    polygon('float', [x - size / 2, y], [x, y - size / 2], [x + size / 2, y], [x, y + size / 2]),
    ...(small ? [] : [text('float-number', x, y + 4, String(order), 'middle', 12), ...eye(x + 22, y, closed)]),
  ];
}

/** The pole that the tilt floats are clipped to, from the rim to under the lowest clip. */
export function poleShapes(layout: Layout, x: number, sensors: readonly SensorTrips[]): Shape[] {
  const clips = sensors.flatMap(({ sensor }) => (sensor.kind === 'tilt' ? [sensor.clip] : []));
  if (clips.length === 0) return [];
  return [line('pole', [x, layout.rim], [x, layout.yOf(Math.min(...clips)) + 6])];
}

/** A pointer on the tape at the height by which the float is set. */
function marker(layout: Layout, y: number): Shape[] {
  const { tape } = layout;
  if (!tape) return [];
  const x = tape.x + tape.width;
  return [polygon('marker', [x, y], [x + 9, y - 5], [x + 9, y + 5])];
}

/** One float as it stands with the water at `level`: leaning as it would lean, numbered from the floor, its contact as an eye. */
export function floatShapes(layout: Layout, pole: number, { sensor, order }: SensorTrips, level: number): Shape[] {
  const closed = contactClosed(sensor, hasRisen(sensor, level, false));
  return sensor.kind === 'tilt'
    ? [...tiltShapes(layout, pole, sensor, order, level, closed), ...marker(layout, layout.yOf(sensor.clip))]
    : [...rodShapes(layout, pole, sensor, order, level, closed), ...marker(layout, layout.yOf(sensor.upperStop))];
}
