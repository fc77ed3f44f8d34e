import type { Solid } from './solid';

/** A cone cut off: V = π·h/12·(d₀² + d₀·d + d²) below the diameter d at height h (the prismoidal rule). */
export function frustum(bottom: number, top: number, depth: number): Solid {
  const diameter = (h: number) => bottom + ((top - bottom) * h) / depth;
  return {
    plan: (h) => ({ kind: 'round', radius: diameter(h) / 2 }),
    depth,
    area: (h) => (Math.PI / 4) * diameter(h) ** 2,
    volume(h) {
      const d = diameter(h);
      return ((Math.PI * h) / 12) * (bottom * bottom + bottom * d + d * d);
    },
    width: diameter,
    breaks: [0, depth],
    outline: [
      { height: 0, width: bottom },
      { height: depth, width: top },
    ],
  };
}
