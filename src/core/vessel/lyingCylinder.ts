import type { Solid } from './solid';

/** Points of the drawn end, evenly round it. */
const POINTS = 32;

/**
 * A cylinder on its side with flat ends: the wetted segment of the end, r²·acos((r − h)/r) − (r − h)·√(2rh − h²), times the
 * length. Below a millionth of the diameter, where that difference loses its digits, the parabola 4/3·h·√(2rh) stands for it.
 * It is drawn end on.
 */
export function lyingCylinder(diameter: number, length: number): Solid {
  const r = diameter / 2;
  const chord = (h: number) => 2 * Math.sqrt(Math.max(h * (diameter - h), 0));
  const segment = (h: number) => (h < diameter * 1e-6 ? (4 / 3) * h * Math.sqrt(diameter * h) : r * r * Math.acos(Math.min(Math.max((r - h) / r, -1), 1)) - ((r - h) * chord(h)) / 2);
  return {
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
