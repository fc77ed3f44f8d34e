import type { SensorTrips } from '../../levels';
import { contactClosed, hasRisen } from '../../sensing';
import { kindOf, type Drawn, type Sensor } from '../../sensors';
import type { Layout } from './layout';
import { line, polygon, type Shape } from './shape';

/** Where the floats' common pole stands: right of the middle, clear of the risers, or, where there are none, about in the middle. */
export const poleX = ({ left, right }: Layout, riser: number | null): number =>
  riser === null ? left + (right - left) * 0.45 : Math.max(left + (right - left) * 0.58, riser + (right - left) * 0.16);

const drawSensor = (drawn: Drawn<Sensor>): Shape[] => kindOf(drawn.sensor).draw(drawn);

/** The pole that tilt floats are clipped to, from the rim to under the lowest clip. */
export function poleShapes(layout: Layout, x: number, sensors: readonly SensorTrips[]): Shape[] {
  const clips = sensors.flatMap(({ sensor }) =>
    sensor.place.from === 'pole' ? (kindOf(sensor).clipped(sensor) ?? []) : [],
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
