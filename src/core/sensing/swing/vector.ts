/** A point or a direction: x to bearing 90°, y to bearing 0°, z up from the floor; m. */
export interface Vec {
  readonly x: number;
  readonly y: number;
  readonly z: number;
}

export const radians = (degrees: number): number => (degrees * Math.PI) / 180;

/** A point in plan by bearing (degrees clockwise from y) and offset. */
export const polar = (bearingDeg: number, offset: number): { x: number; y: number } => ({
  x: offset * Math.sin(radians(bearingDeg)),
  y: offset * Math.cos(radians(bearingDeg)),
});

const clamp01 = (t: number) => (t < 0 ? 0 : t > 1 ? 1 : t);

/**
 * Least distance between two segments p₁q₁ and p₂q₂, m.
 * Source: C. Ericson, "Real-Time Collision Detection" (2005), section 5.1.9.
 */
export function segmentDistance(p1: Vec, q1: Vec, p2: Vec, q2: Vec): number {
  const [d1x, d1y, d1z] = [q1.x - p1.x, q1.y - p1.y, q1.z - p1.z];
  const [d2x, d2y, d2z] = [q2.x - p2.x, q2.y - p2.y, q2.z - p2.z];
  const [rx, ry, rz] = [p1.x - p2.x, p1.y - p2.y, p1.z - p2.z];
  const a = d1x * d1x + d1y * d1y + d1z * d1z;
  const e = d2x * d2x + d2y * d2y + d2z * d2z;
  const f = d2x * rx + d2y * ry + d2z * rz;
  const c = d1x * rx + d1y * ry + d1z * rz;
  const b = d1x * d2x + d1y * d2y + d1z * d2z;
  const denominator = a * e - b * b;
  let s = denominator > 1e-12 * a * e ? clamp01((b * f - c * e) / denominator) : 0;
  let t = e > 0 ? (b * s + f) / e : 0;
  if (t < 0 || e === 0) {
    t = 0;
    s = a > 0 ? clamp01(-c / a) : 0;
  } else if (t > 1) {
    t = 1;
    s = a > 0 ? clamp01((b - c) / a) : 0;
  }
  return Math.hypot(rx + d1x * s - d2x * t, ry + d1y * s - d2y * t, rz + d1z * s - d2z * t);
}
