import type { SensorTrips } from '../../levels';
import { contactClosed, hasRisen, kindOf, leanOf } from '../../sensing';
import type { Sensor, SensorOf } from '../../station';
import type { Layout } from './layout';
import { disc, line, path, polygon, rectangle, text, type Role, type Shape } from './shape';

type Point = readonly [number, number];

/** Where the floats' common pole stands: right of the middle, clear of the risers, or, where there are none, about in the middle. */
export const poleX = ({ left, right }: Layout, riser: number | null): number =>
  riser === null ? left + (right - left) * 0.45 : Math.max(left + (right - left) * 0.58, riser + (right - left) * 0.16);

/** One sensor to be drawn: where the pole is, how the water stands, and as what: itself, or the ghost of where it would be. */
interface Drawn<S extends Sensor> {
  readonly layout: Layout;
  readonly pole: number;
  readonly sensor: S;
  readonly order: number;
  readonly level: number;
  readonly closed: boolean;
  readonly ghost: boolean;
}

/** An eye: filled while the contact is closed, an outline while it is open. */
function eye({ closed, ghost, layout }: Drawn<Sensor>, x: number, y: number): Shape[] {
  if (ghost || layout.detail === 'thumb') return [];
  const almond = `M${x - 7} ${y} Q${x} ${y - 6.5} ${x + 7} ${y} Q${x} ${y + 6.5} ${x - 7} ${y} Z`;
  return closed ? [path('eye-closed', almond)] : [path('eye-open', almond), disc('eye-open', x, y, 1.6)];
}

const number = ({ layout, order }: Drawn<Sensor>, x: number, y: number): Shape[] =>
  layout.detail === 'thumb' ? [] : [text('float-number', x, y + 4, String(order), 'middle', 12)];

const body = (d: Drawn<Sensor>, role: Role): Role => (d.ghost ? 'ghost' : role);

/** A lozenge from `from` along (ux, uy), `long` by `thick`. */
function lozenge(role: Role, [x, y]: Point, ux: number, uy: number, long: number, thick: number): Shape {
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

/** Which side of the pole a float is drawn on: the way it faces, right for bearings to the right. */
const sideOf = (sensor: SensorOf<'tilt'>, order: number): 1 | -1 => {
  const facing = sensor.place.from === 'pole' ? sensor.place.bearing : sensor.place.facing;
  if (facing % 180 === 0) return order % 2 === 1 ? 1 : -1;
  return facing < 180 ? 1 : -1;
};

/** A float on a bracket of its own is drawn from the right wall, that it is not taken to hang on the pole. */
function bracketed({ layout, pole, sensor }: Drawn<SensorOf<'tilt'>>): { x: number; bracket: Shape[] } {
  if (sensor.place.from === 'pole' || sensor.weight) return { x: pole, bracket: [] };
  const { left, right } = layout.sidesAt(sensor.clip);
  const x = Math.max(right - (right - left) * 0.16, pole + (right - pole) * 0.5);
  return { x, bracket: [line('pole', [x, layout.yOf(sensor.clip)], [right, layout.yOf(sensor.clip)])] };
}

function tilt(d: Drawn<SensorOf<'tilt'>>): Shape[] {
  const { layout, sensor, order, level } = d;
  const { x: pole, bracket } = bracketed(d);
  const wanted = bracket.length > 0 ? -1 : sideOf(sensor, order);
  // Drawn towards the other side where its tether would go through the drawn wall: how it really lies is told by the plan.
  const walls = layout.sidesAt(sensor.clip);
  const room = { 1: walls.right - pole, [-1]: pole - walls.left } as Record<1 | -1, number>;
  const side =
    room[wanted] < (sensor.tether + sensor.body) * layout.scale && room[wanted === 1 ? -1 : 1] > room[wanted]
      ? wanted === 1
        ? -1
        : 1
      : wanted;
  const lean = leanOf(sensor, level);
  const [ux, uy] = [side * Math.cos(lean), -Math.sin(lean)];
  const clip: Point = [pole, layout.yOf(sensor.clip)];
  const small = layout.detail === 'thumb';
  const long = Math.max(sensor.body * layout.scale, small ? 9 : 24);
  const reach = sensor.tether * layout.scale;
  const near: Point = [clip[0] + ux * reach, clip[1] + uy * reach];
  const middle: Point = [near[0] + (ux * long) / 2, near[1] + (uy * long) / 2];
  const weight =
    sensor.weight && !small
      ? [
          polygon(
            body(d, 'weight'),
            [pole - 6, clip[1]],
            [pole + 6, clip[1]],
            [pole + 9, clip[1] + sensor.weight.below * layout.scale],
            [pole - 9, clip[1] + sensor.weight.below * layout.scale],
          ),
          line(body(d, 'tether'), [pole, layout.rim], clip),
        ]
      : [];
  return [
    ...(d.ghost ? [] : bracket),
    ...weight,
    line(body(d, 'tether'), clip, near),
    lozenge(body(d, 'float'), near, ux, uy, long, long * 0.56),
    disc(body(d, 'clip'), clip[0], clip[1], small ? 1.6 : 3.2),
    ...number(d, ...middle),
    ...eye(d, clip[0] - side * 15, clip[1]),
  ];
}

function rod(d: Drawn<SensorOf<'rod'>>): Shape[] {
  const { layout, pole, sensor, level, order } = d;
  const small = layout.detail === 'thumb';
  const x = pole + (layout.right - layout.left) * (0.08 + 0.08 * (order % 2));
  const [upper, lower] = [layout.yOf(sensor.upperStop), layout.yOf(sensor.lowerStop)];
  const y = layout.yOf(Math.min(Math.max(level, sensor.lowerStop), sensor.upperStop));
  const half = (small ? 7 : 20) / 2;
  return [
    line(body(d, 'tether'), [x, layout.rim], [x, lower + 6]),
    line(body(d, 'clip'), [x - half, upper - half], [x + half, upper - half]),
    line(body(d, 'clip'), [x - half, lower + half], [x + half, lower + half]),
    polygon(body(d, 'float'), [x - half, y], [x, y - half], [x + half, y], [x, y + half]),
    ...number(d, x, y),
    ...eye(d, x + 22, y),
  ];
}

/** A stub through the right wall whose flap hangs, or lies level once the water is there. */
function side(d: Drawn<SensorOf<'side'>>): Shape[] {
  const { layout, sensor, level } = d;
  const small = layout.detail === 'thumb';
  const wall = layout.sidesAt(sensor.height).right;
  const y = layout.yOf(sensor.height);
  const long = small ? 8 : 22;
  const down = level >= sensor.height ? 0 : 1;
  const [ux, uy] = down ? [-0.42, 0.91] : [-1, 0];
  const root = wall - (small ? 3 : 9);
  return [
    rectangle(body(d, 'clip'), root, y - 3, wall + layout.wall - root, 6),
    lozenge(body(d, 'float'), [root, y], ux, uy, long, long * 0.56),
    ...number(d, root + (ux * long) / 2, y + (uy * long) / 2),
    ...eye(d, root - 12, y - 14),
  ];
}

/** A dome with its mouth down on a tube to the rim, and the water as far as it has come up inside. */
function bell(d: Drawn<SensorOf<'bell'>>): Shape[] {
  const { layout, pole, sensor, level, order } = d;
  const small = layout.detail === 'thumb';
  const x = pole + (layout.right - layout.left) * (0.1 + 0.16 * (order % 2));
  const [mouth, crown] = [layout.yOf(sensor.mouth), layout.yOf(sensor.mouth + sensor.height)];
  const half = small ? 4 : Math.max(Math.sqrt(sensor.area / Math.PI) * layout.scale, 10);
  const dome = `M${(x - half).toFixed(1)} ${mouth.toFixed(1)} L${(x - half).toFixed(1)} ${(crown + half * 0.8).toFixed(1)} Q${(x - half).toFixed(1)} ${crown.toFixed(1)} ${x.toFixed(1)} ${crown.toFixed(1)} Q${(x + half).toFixed(1)} ${crown.toFixed(1)} ${(x + half).toFixed(1)} ${(crown + half * 0.8).toFixed(1)} L${(x + half).toFixed(1)} ${mouth.toFixed(1)}`;
  const wet =
    level > sensor.mouth && !d.ghost && !small
      ? [line('surface', [x - half + 2, mouth - 4], [x + half - 2, mouth - 4])]
      : [];
  return [
    line(body(d, 'tether'), [x, layout.rim], [x, crown]),
    path(body(d, 'float'), `${dome} Z`),
    ...wet,
    ...number(d, x, (mouth + crown) / 2),
    ...eye(d, x + half + 12, (mouth + crown) / 2),
  ];
}

/** A capsule on its cord, and the two thresholds of the controller as ticks beside it. */
function transmitter(d: Drawn<SensorOf<'transmitter'>>): Shape[] {
  const { layout, pole, sensor, order } = d;
  const small = layout.detail === 'thumb';
  const x = pole + (layout.right - layout.left) * (0.14 + 0.12 * (order % 2));
  const zero = layout.yOf(sensor.zero);
  const half = small ? 2.5 : 6;
  const tick = (level: number) =>
    line(body(d, 'clip'), [x - half * 1.6, layout.yOf(level)], [x + half * 1.6, layout.yOf(level)]);
  return [
    line(body(d, 'tether'), [x, layout.rim], [x, zero - half * 3]),
    polygon(
      body(d, 'float'),
      [x - half, zero - half * 3],
      [x + half, zero - half * 3],
      [x + half, zero - half],
      [x, zero],
      [x - half, zero - half],
    ),
    tick(sensor.on),
    tick(sensor.off),
    ...number(d, x + 16, layout.yOf(sensor.on)),
    ...eye(d, x - 20, layout.yOf(sensor.on)),
  ];
}

const DRAW: { readonly [K in Sensor['kind']]: (drawn: Drawn<SensorOf<K>>) => Shape[] } = {
  tilt,
  rod,
  side,
  bell,
  transmitter,
};

const drawSensor = (drawn: Drawn<Sensor>): Shape[] => (DRAW[drawn.sensor.kind] as (d: Drawn<Sensor>) => Shape[])(drawn);

/** The pole that tilt floats are clipped to, from the rim to under the lowest clip. */
export function poleShapes(layout: Layout, x: number, sensors: readonly SensorTrips[]): Shape[] {
  const clips = sensors.flatMap(({ sensor }) =>
    sensor.kind === 'tilt' && !sensor.weight && sensor.place.from === 'pole' ? [sensor.clip] : [],
  );
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

/** One sensor as it stands with the water at `level`: leaning as it would lean, numbered from the floor, its contact as an eye. */
export function floatShapes(
  layout: Layout,
  pole: number,
  { sensor, order, rise, fall }: SensorTrips,
  level: number,
): Shape[] {
  const closed = contactClosed(sensor, hasRisen({ rise, fall }, level, false));
  return [
    ...drawSensor({ layout, pole, sensor, order, level, closed, ghost: false }),
    ...marker(layout, layout.yOf(kindOf(sensor).setting(sensor))),
  ];
}

/** Where a sensor would be with the water at `level`, as an outline; left out, level with where it is set. */
export const ghostShapes = (
  layout: Layout,
  pole: number,
  { sensor, order }: SensorTrips,
  level: number = kindOf(sensor).setting(sensor),
): Shape[] => drawSensor({ layout, pole, sensor, order, level, closed: false, ghost: true });
