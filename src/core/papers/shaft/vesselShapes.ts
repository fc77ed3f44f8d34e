import { traitsOf } from '../../duties';
import type { LevelContext } from '../../levels';
import type { Vessel } from '../../vessel';
import type { Layout } from './layout';
import { line, path, polygon, type Shape } from './shape';

const WAVE = 14;

type Point = readonly [number, number];

/** The surface as a row of small waves from left to right. */
function waves(left: number, right: number, y: number): string {
  const count = Math.max(Math.round((right - left) / WAVE), 1);
  const step = (right - left) / count;
  let d = `M${left.toFixed(2)} ${y.toFixed(2)}`;
  for (let i = 0; i < count; i++) d += ` q${(step / 2).toFixed(2)} ${i % 2 === 0 ? -3 : 3} ${step.toFixed(2)} 0`;
  return d;
}

/** Heights of the drawn cut up to `level`, from the floor, the level itself last. */
const heightsTo = ({ outline }: Vessel, level: number) => [
  ...outline.map((p) => p.height).filter((h) => h < level),
  level,
];

/** Both faces of the cut up to `level`: up the right, down the left, as points. A step is drawn as one. */
function faces(layout: Layout, vessel: Vessel, level: number): { right: Point[]; left: Point[] } {
  const at = (h: number, side: 'left' | 'right'): Point => [layout.sidesAt(h)[side], layout.yOf(h)];
  const seen = new Set<number>();
  const points = heightsTo(vessel, level).flatMap((h) => {
    // The first of two points at one height is the top of the part below.
    const step = vessel.outline.filter((p) => p.height === h).length > 1 && !seen.has(h);
    seen.add(h);
    return step ? [h - 1e-9] : [h];
  });
  return { right: points.map((h) => at(h, 'right')), left: points.map((h) => at(h, 'left')) };
}

/** Water in the vessel up to `level`. */
export function waterShapes(layout: Layout, { vessel }: LevelContext, level: number): Shape[] {
  if (level <= 0) return [];
  const { left, right } = faces(layout, vessel, Math.min(level, vessel.depth));
  const top = waves(left.at(-1)![0], right.at(-1)![0], layout.yOf(level));
  const down = [...right.slice(0, -1).reverse(), ...left.slice(0, -1)]
    .map(([x, y]) => `L${x.toFixed(2)} ${y.toFixed(2)}`)
    .join(' ');
  return [path('water', `${top} ${down} Z`), path('surface', top)];
}

/** Walls, floor and ground, with the inlet let into the left wall and the overflow into the right. The wall is a heavy line along the cut whose inner half the inside covers. */
export function wallShapes(layout: Layout, { station, vessel }: LevelContext): Shape[] {
  const { left, right, rim, floor, wall, cut, cutLeft, detail } = layout;
  const ground = detail === 'thumb' ? 6 : 16;
  const inlet = layout.yOf(station.vessel.inletInvert);
  const pipe = Math.max(Math.min(0.1 * layout.scale, inlet - rim, (floor - rim) * 0.07), 3);
  const overflow = layout.yOf(station.vessel.overflow);
  const inletX = layout.sidesAt(station.vessel.inletInvert).left;
  const overflowX = layout.sidesAt(station.vessel.overflow).right;
  const inner = faces(layout, vessel, vessel.depth);
  const top = layout.sidesAt(vessel.depth);
  const shapes: Shape[] = [
    line('wall', ...inner.left.slice().reverse(), ...inner.right),
    polygon('inside', ...inner.left.slice().reverse(), ...inner.right),
    line('ground', [left - wall - ground, rim + 2], [top.left - wall, rim + 2]),
    line('ground', [top.right + wall, rim + 2], [right + wall + ground, rim + 2]),
    ...(traitsOf(station).direction === 'fill'
      ? []
      : [
          polygon(
            'pipe',
            [inletX - wall - 6, inlet - pipe],
            [inletX + 4, inlet - pipe],
            [inletX + 4, inlet],
            [inletX - wall - 6, inlet],
          ),
        ]),
    polygon(
      'pipe',
      [overflowX - 3, overflow],
      [overflowX + wall + 6, overflow + 2],
      [overflowX + wall + 6, overflow - 5],
      [overflowX - 3, overflow - 5],
    ),
  ];
  const mid = (rim + floor) / 2 - 20;
  const tear = (from: number, to: number) =>
    polygon(
      'break',
      [from, mid + 3],
      [from + 8, mid - 5],
      [to - 6, mid + 5],
      [to, mid - 2],
      [to, mid + 4],
      [to - 6, mid + 11],
      [from + 8, mid + 1],
      [from, mid + 9],
    );
  if (cut) shapes.push(tear(right - 8, right + wall + 6));
  if (cutLeft) shapes.push(tear(left - wall - 6, left + 8));
  return shapes;
}
