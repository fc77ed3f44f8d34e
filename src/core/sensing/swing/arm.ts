import { armOf, kindOf, type Place, type Sensor } from '../../sensors';
import type { Station } from '../../station';
import { polar, radians, type Vec } from './vector';

/** A tilt float as it swings: a body (a capsule) on an arm about its clip. */
export interface Arm {
  readonly id: string;
  readonly clip: Vec;
  /** Azimuth that it faces, radians clockwise from y. */
  readonly facing: number;
  /** How far to each side moving water swings it, radians. */
  readonly side: number;
  /** Radius of the body, and where the axis of the capsule begins and ends along the arm, m. */
  readonly radius: number;
  readonly near: number;
  readonly far: number;
  /** Clip to the middle of the body. */
  readonly arm: number;
  /** Clip to the tip. */
  readonly reach: number;
}

/** Where a sensor is fixed, in plan, and the way it faces. */
export function clipPoint({ pole }: Pick<Station, 'pole'>, place: Place): { x: number; y: number; facingDeg: number } {
  const own = polar(place.bearing, place.offset);
  if (place.from === 'axis') return { ...own, facingDeg: place.facing };
  const at = polar(pole.bearing, pole.offset);
  return { x: at.x + own.x, y: at.y + own.y, facingDeg: place.bearing };
}

/** How a sensor swings; null for what does not. */
export function armFor(station: Pick<Station, 'pole' | 'settings'>, sensor: Sensor): Arm | null {
  const swings = kindOf(sensor).swings(sensor);
  if (!swings) return null;
  const { clip, tether, body, thickness } = swings;
  const { x, y, facingDeg } = clipPoint(station, sensor.place);
  const radius = Math.min(thickness, body) / 2;
  return {
    id: sensor.id,
    clip: { x, y, z: clip },
    facing: radians(facingDeg),
    side: radians(station.settings.sideSwingDeg),
    radius,
    near: tether + radius,
    far: tether + body - radius,
    arm: armOf({ tether, body }),
    reach: tether + body,
  };
}

/** Elevation of the arm with the water at `level`, radians: its middle at the surface while it can be. */
export const elevationAt = ({ clip, arm }: Arm, level: number): number =>
  Math.asin(Math.min(Math.max((level - clip.z) / arm, -1), 1));

/** The point of an arm `along` m from its clip, at an elevation and turned `turn` radians from where it faces. */
export function pointOn({ clip, facing }: Arm, along: number, elevation: number, turn: number): Vec {
  const flat = along * Math.cos(elevation);
  return {
    x: clip.x + flat * Math.sin(facing + turn),
    y: clip.y + flat * Math.cos(facing + turn),
    z: clip.z + along * Math.sin(elevation),
  };
}
