import type { Station, TiltFloat } from '../../station';
import { armOf } from '../kinds/tilt';
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

/** The way a sensor's tether leads, degrees clockwise from the mark on the rim. */
export const facingOf = ({ place }: Pick<TiltFloat, 'place'>): number =>
  place.from === 'axis' ? place.facing : place.bearing;

/** Where a sensor is fixed, in plan, and the way it faces. */
export function clipPoint(
  { pole }: Pick<Station, 'pole'>,
  place: TiltFloat['place'],
): { x: number; y: number; facingDeg: number } {
  const own = polar(place.bearing, place.offset);
  if (place.from === 'axis') return { ...own, facingDeg: place.facing };
  const at = polar(pole.bearing, pole.offset);
  return { x: at.x + own.x, y: at.y + own.y, facingDeg: place.bearing };
}

export function armFor(station: Pick<Station, 'pole' | 'settings'>, float: TiltFloat): Arm {
  const { x, y, facingDeg } = clipPoint(station, float.place);
  const radius = Math.min(float.thickness, float.body) / 2;
  return {
    id: float.id,
    clip: { x, y, z: float.clip },
    facing: radians(facingDeg),
    side: radians(station.settings.sideSwingDeg),
    radius,
    near: float.tether + radius,
    far: float.tether + float.body - radius,
    arm: armOf(float),
    reach: float.tether + float.body,
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
