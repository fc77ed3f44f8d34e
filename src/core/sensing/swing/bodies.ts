import { traitsOf } from '../../duties';
import { kindOf, type Sensor } from '../../sensors';
import type { Station } from '../../station';
import { clipPoint } from './arm';
import { polar, radians, type Vec } from './vector';

/** What a float can swing against, by what it is in the drawing. */
export type SwingPart =
  `float:${string}` | `pump:${number}` | `riser:${number}` | `obstacle:${number}` | 'inlet' | 'pole' | 'wall';

/** Something solid and convex that stands upright in the pit. */
export interface Body {
  readonly part: SwingPart;
  readonly name: string;
  readonly from: number;
  readonly to: number;
  /** Distance of a point from its face, m; negative inside. A convex function of the point. */
  distance(point: Vec): number;
  /** Where its axis stands, when it is round: then the nearest turn of an arm is known beforehand. */
  readonly axis: { readonly x: number; readonly y: number } | null;
  readonly plan: BodyPlan;
}

/** How a body is seen from above. */
export type BodyPlan =
  | { readonly kind: 'round'; readonly x: number; readonly y: number; readonly radius: number }
  | { readonly kind: 'flat'; readonly corners: readonly (readonly [number, number])[] };

const outside = (across: number, along: number): number =>
  Math.min(Math.max(across, along), 0) + Math.hypot(Math.max(across, 0), Math.max(along, 0));

export function upright(
  part: SwingPart,
  name: string,
  at: { x: number; y: number },
  diameter: number,
  from: number,
  to: number,
): Body {
  const radius = diameter / 2;
  return {
    part,
    name,
    from,
    to,
    axis: at,
    plan: { kind: 'round', x: at.x, y: at.y, radius },
    distance: (p) => outside(Math.hypot(p.x - at.x, p.y - at.y) - radius, Math.max(p.z - to, from - p.z)),
  };
}

function panel(
  part: SwingPart,
  name: string,
  at: { x: number; y: number },
  width: number,
  thickness: number,
  facingDeg: number,
  from: number,
  to: number,
): Body {
  const [sin, cos] = [Math.sin(radians(facingDeg)), Math.cos(radians(facingDeg))];
  const corner = (across: number, deep: number): [number, number] => [
    at.x + (across * width * cos) / 2 + (deep * thickness * sin) / 2,
    at.y - (across * width * sin) / 2 + (deep * thickness * cos) / 2,
  ];
  return {
    part,
    name,
    from,
    to,
    axis: null,
    plan: { kind: 'flat', corners: [corner(-1, -1), corner(1, -1), corner(1, 1), corner(-1, 1)] },
    distance(p) {
      const [dx, dy] = [p.x - at.x, p.y - at.y];
      const dw = Math.abs(dx * cos - dy * sin) - width / 2;
      const dt = Math.abs(dx * sin + dy * cos) - thickness / 2;
      return outside(outside(dw, dt), Math.max(p.z - to, from - p.z));
    },
  };
}

/** Room that a sensor takes which does not swing, m; what a float beside it can touch. */
export function standing(station: Pick<Station, 'pole'>, sensor: Sensor): Body[] {
  const at = clipPoint(station, sensor.place);
  return kindOf(sensor)
    .standing(sensor)
    .map(({ name, diameter, from, to }) => upright(`float:${sensor.id}`, name, at, diameter, from, to));
}

/** Everything that stands in the pit wherever its sensors are set, and that a float can touch. */
export function fixedBodies(station: Station, rim: number): Body[] {
  const { vessel, pumps, discharge, obstacles, pole, sensors } = station;
  const { mover } = traitsOf(station);
  const inPit = mover.kind === 'pump' && mover.stands === 'in-vessel';
  const onPole = sensors.some((s) => s.place.from === 'pole' && kindOf(s).clipped(s) !== null);
  return [
    ...(inPit
      ? pumps.map((p, i) =>
          upright(
            `pump:${i}`,
            pumps.length > 1 ? `pump ${i + 1}` : 'the pump',
            polar(p.bearing, p.offset),
            p.diameter,
            p.intake,
            p.motorTop,
          ),
        )
      : []),
    ...(inPit
      ? pumps.map((p, i) =>
          upright(
            `riser:${i}`,
            pumps.length > 1 ? `riser ${i + 1}` : 'the riser',
            polar(p.riserBearing, p.riserOffset),
            (p.riser[0] ?? discharge.segments[0]!).bore + 0.008,
            p.intake,
            rim,
          ),
        )
      : []),
    ...(vessel.inletStream
      ? [
          upright(
            'inlet',
            'the inlet stream',
            polar(vessel.inletStream.bearing, vessel.inletStream.offset),
            vessel.inletStream.diameter,
            0,
            vessel.inletInvert,
          ),
        ]
      : []),
    ...(onPole ? [upright('pole', 'the pole', polar(pole.bearing, pole.offset), pole.diameter, 0, rim)] : []),
    ...obstacles.map((o, i): Body => {
      const at = polar(o.bearing, o.offset);
      return o.kind === 'round'
        ? upright(`obstacle:${i}`, o.name, at, o.diameter, o.from, o.to)
        : panel(`obstacle:${i}`, o.name, at, o.width, o.thickness, o.facing, o.from, o.to);
    }),
  ];
}

/** Everything that stands in the pit and that a float can touch, the sensors that do not swing among it. */
export const bodiesOf = (station: Station, rim: number): Body[] => [
  ...fixedBodies(station, rim),
  ...station.sensors.flatMap((s) => standing(station, s)),
];
