import type { Solid } from './solid';

export interface Displacement {
  readonly volume: number;
  readonly from: number;
  readonly to: number;
}

/**
 * A vessel with equipment standing in it: each piece takes its volume away evenly over its own height; where the vessel closes, in proportion to
 * the room it has there, for evenly there would be more of it at the floor than there is room.
 */
export function displaced(solid: Solid, bodies: readonly Displacement[]): Solid {
  if (bodies.length === 0) return solid;
  const volume = (h: number) => (solid.closes ? solid.volume(h) : h);
  /** Between its foot and its head, of each: the whole that its volume is a share of, m³ or m. */
  const parts = bodies.map((b) => ({ ...b, foot: volume(b.from), whole: volume(b.to) - volume(b.from) }));
  const below = (b: (typeof parts)[number], h: number) =>
    b.volume * Math.min(Math.max((volume(h) - b.foot) / b.whole, 0), 1);
  return {
    ...solid,
    area: (h) => {
      const area = solid.area(h);
      return parts.reduce(
        (left, b) => (h >= b.from && h < b.to ? left - (b.volume / b.whole) * (solid.closes ? area : 1) : left),
        area,
      );
    },
    volume: (h) => parts.reduce((left, b) => left - below(b, h), solid.volume(h)),
    breaks: [...new Set([...solid.breaks, ...bodies.flatMap((b) => [b.from, b.to])])].sort((a, b) => a - b),
  };
}
