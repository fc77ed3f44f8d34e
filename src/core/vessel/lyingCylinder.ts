import type { Solid } from './solid';

/** Points of the drawn end, evenly round it. */
const POINTS = 32;

/**
 * A cylinder on its side with flat ends: the wetted segment of the end, r²/2·(θ − sin θ) with θ = 4·asin√(h/d), times the
 * length. Below a ten-thousandth of the diameter, where that difference loses its digits, its series
 * 4/3·h·√(dh)·(1 − 3/10·u − 3/56·u²), u = h/d, stands for it. It is drawn end on.
 */
export function lyingCylinder(diameter: number, length: number): Solid {
  const r = diameter / 2;
  const chord = (h: number) => 2 * Math.sqrt(Math.max(h * (diameter - h), 0));
  const segment = (h: number) => {
    const u = Math.min(h / diameter, 1);
    if (u < 1e-4) return (4 / 3) * h * Math.sqrt(diameter * h) * (1 - 0.3 * u - (3 / 56) * u * u);
    const angle = 4 * Math.asin(Math.sqrt(u));
    return (r * r * (angle - Math.sin(angle))) / 2;
  };
  return {
    plan: (h) => ({ kind: 'box', length, width: chord(h) }),
    depth: diameter,
    area: (h) => length * chord(h),
    volume: (h) => length * segment(h),
    width: (h) => Math.max(chord(h), length),
    breaks: [0, diameter],
    outline: Array.from({ length: POINTS + 1 }, (_, i) => {
      const height = r * (1 - Math.cos((Math.PI * i) / POINTS));
      return { height, width: chord(height) };
    }),
  };
}
