import type { Obstacle } from '../../station';
import type { Layout } from './layout';
import { line, rectangle, type Shape } from './shape';

/** Something that stands in the pit, where it is across the cut: a bar, or a ladder's rungs. */
export function obstacleShapes(layout: Layout, o: Obstacle): Shape[] {
  const { left, right } = layout.sidesAt(o.from);
  const middle = (left + right) / 2 + o.offset * Math.sin((o.bearing * Math.PI) / 180) * layout.scale;
  const [top, bottom] = [layout.yOf(o.to), layout.yOf(o.from)];
  if (o.kind === 'round') {
    const half = Math.max((o.diameter * layout.scale) / 2, 1.5);
    return [rectangle('obstacle', middle - half, top, 2 * half, bottom - top)];
  }
  const half = Math.max(
    (Math.abs(Math.cos((o.facing * Math.PI) / 180)) * o.width * layout.scale) / 2,
    (o.thickness * layout.scale) / 2,
    3,
  );
  const rungs = Math.max(Math.floor((bottom - top) / 24), 1);
  return [
    line('obstacle', [middle - half, top], [middle - half, bottom]),
    line('obstacle', [middle + half, top], [middle + half, bottom]),
    ...Array.from({ length: rungs }, (_, i) =>
      line('obstacle', [middle - half, top + 12 + i * 24], [middle + half, top + 12 + i * 24]),
    ),
  ];
}
