import type { Solid } from './solid';

export interface Displacement {
  readonly volume: number;
  readonly from: number;
  readonly to: number;
}

/** A vessel with equipment standing in it: each piece takes its volume away evenly over its own height. */
export function displaced(solid: Solid, bodies: readonly Displacement[]): Solid {
  if (bodies.length === 0) return solid;
  const share = (b: Displacement, h: number) => Math.min(Math.max((h - b.from) / (b.to - b.from), 0), 1);
  return {
    ...solid,
    area: (h) =>
      bodies.reduce((area, b) => (h >= b.from && h < b.to ? area - b.volume / (b.to - b.from) : area), solid.area(h)),
    volume: (h) => bodies.reduce((volume, b) => volume - b.volume * share(b, h), solid.volume(h)),
    breaks: [...new Set([...solid.breaks, ...bodies.flatMap((b) => [b.from, b.to])])].sort((a, b) => a - b),
  };
}
