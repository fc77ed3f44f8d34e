import type { VesselShape } from '../station';

/** A vessel as its water sees it. Heights in m above the floor, areas in m², volumes in m³. */
export interface Vessel {
  /** Floor to rim, m. */
  readonly depth: number;
  /** Volume to the rim, m³. */
  readonly capacity: number;
  /** Widest inside distance across, m: what a float has to lie level in. */
  readonly width: number;
  /** Plan area at height h, m². */
  area(h: number): number;
  /** Water below height h, m³; h below the floor counts as the floor, above the rim as the rim. */
  volume(h: number): number;
  /** The height that holds volume V, m: the exact inverse of `volume` between floor and rim, held to these ends outside. */
  height(V: number): number;
}

const hold = (x: number, least: number, most: number) => Math.min(Math.max(x, least), most);

/** A vessel of one plan area throughout. */
function prism(area: number, depth: number, width: number): Vessel {
  const capacity = area * depth;
  return {
    depth,
    capacity,
    width,
    area: () => area,
    volume: (h) => area * hold(h, 0, depth),
    height: (V) => hold(V, 0, capacity) / area,
  };
}

/** The vessel of a surveyed shape: an upright cylinder, or a box. */
export function vesselOf(shape: VesselShape): Vessel {
  switch (shape.kind) {
    case 'cylinder':
      return prism((Math.PI / 4) * shape.diameter ** 2, shape.depth, shape.diameter);
    case 'box':
      return prism(shape.length * shape.width, shape.depth, Math.max(shape.length, shape.width));
  }
}
