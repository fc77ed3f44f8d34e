import { segmentArea } from '../numeric';
import type { Solid } from './solid';

/** Points of the drawn end, evenly round it. */
const POINTS = 32;

/**
 * A cylinder on its side with flat ends: the wetted segment of the end times the length. It closes at floor and rim: what stands in it takes its
 * share of the room there is. It is drawn end on.
 */
export function lyingCylinder(diameter: number, length: number): Solid {
  const r = diameter / 2;
  const chord = (h: number) => 2 * Math.sqrt(Math.max(h * (diameter - h), 0));
  return {
    plan: (h) => ({ kind: 'box', length, width: chord(h) }),
    depth: diameter,
    closes: true,
    area: (h) => length * chord(h),
    volume: (h) => length * segmentArea(diameter, h),
    width: (h) => Math.max(chord(h), length),
    breaks: [0, diameter],
    outline: Array.from({ length: POINTS + 1 }, (_, i) => {
      const height = r * (1 - Math.cos((Math.PI * i) / POINTS));
      return { height, width: chord(height) };
    }),
  };
}
