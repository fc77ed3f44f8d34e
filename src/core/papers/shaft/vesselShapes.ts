import type { LevelContext } from '../../levels';
import type { Layout } from './layout';
import { line, path, polygon, type Shape } from './shape';

const WAVE = 14;

/** The surface as a row of small waves from left to right. */
function waves(left: number, right: number, y: number): string {
  const count = Math.max(Math.round((right - left) / WAVE), 1);
  const step = (right - left) / count;
  let d = `M${left.toFixed(2)} ${y.toFixed(2)}`;
  for (let i = 0; i < count; i++) d += ` q${(step / 2).toFixed(2)} ${i % 2 === 0 ? -3 : 3} ${step.toFixed(2)} 0`;
  return d;
}

/** Water in the vessel up to `level`. */
export function waterShapes(layout: Layout, level: number): Shape[] {
  if (level <= 0) return [];
  const { left, right, floor } = layout;
  const top = waves(left, right, layout.yOf(level));
  return [path('water', `${top} L${right.toFixed(2)} ${floor.toFixed(2)} L${left.toFixed(2)} ${floor.toFixed(2)} Z`), path('surface', top)];
}

/** Walls, floor and ground, with the inlet let into the left wall and the overflow into the right. */
export function wallShapes(layout: Layout, { station }: LevelContext): Shape[] {
  const { left, right, rim, floor, wall, cut, detail } = layout;
  const ground = detail === 'thumb' ? 6 : 16;
  const inlet = layout.yOf(station.vessel.inletInvert);
  const pipe = Math.max(Math.min(0.1 * layout.scale, inlet - rim), 3);
  const overflow = layout.yOf(station.vessel.overflow);
  const shapes: Shape[] = [
    polygon('wall', [left - wall, rim], [left, rim], [left, floor], [right, floor], [right, rim], [right + wall, rim], [right + wall, floor + wall], [left - wall, floor + wall]),
    line('ground', [left - wall - ground, rim + 2], [left - wall, rim + 2]),
    line('ground', [right + wall, rim + 2], [right + wall + ground, rim + 2]),
    polygon('pipe', [left - wall - 6, inlet - pipe], [left + 4, inlet - pipe], [left + 4, inlet], [left - wall - 6, inlet]),
    polygon('pipe', [right - 3, overflow], [right + wall + 6, overflow + 2], [right + wall + 6, overflow - 5], [right - 3, overflow - 5]),
  ];
  if (cut) {
    const mid = (rim + floor) / 2 - 20;
    const [from, to] = [right - 8, right + wall + 6];
    shapes.push(polygon('break', [from, mid + 3], [from + 8, mid - 5], [to - 6, mid + 5], [to, mid - 2], [to, mid + 4], [to - 6, mid + 11], [from + 8, mid + 1], [from, mid + 9]));
  }
  return shapes;
}
