import { brentRoot } from '../numeric';
import type { VesselDocument, VesselShape } from '../station';
import { displaced } from './displaced';
import { frustum } from './frustum';
import { lyingCylinder } from './lyingCylinder';
import { box, cylinder } from './prism';
import type { OutlinePoint, Plan, Solid } from './solid';
import { stacked } from './stacked';
import { table } from './table';

/** A vessel as its water sees it. Heights in m above the floor, areas in m², volumes in m³. */
export interface Vessel {
  /** Floor to rim, m. */
  readonly depth: number;
  /** Water it holds to the rim, m³. */
  readonly capacity: number;
  /** Widest inside distance across at height h, m: what a float there has to lie level in. */
  widthAt(h: number): number;
  /** Whether the plan is the same at every height. */
  readonly straight: boolean;
  /** The plan of the empty vessel seen from above at height h. */
  planAt(h: number): Plan;
  /** Free plan area at height h, m². */
  area(h: number): number;
  /** Water below height h, m³; h below the floor counts as the floor, above the rim as the rim. */
  volume(h: number): number;
  /** The height that holds volume V, m: the inverse of `volume` between floor and rim (to 1e-9), held to these ends outside. */
  height(V: number): number;
  /** Heights at which the plan changes its rule, floor and rim among them. */
  readonly breaks: readonly number[];
  /** The cut that is drawn, from the floor up. */
  readonly outline: readonly OutlinePoint[];
}

function solidOf(shape: VesselShape): Solid {
  switch (shape.kind) {
    case 'cylinder':
      return cylinder(shape.diameter, shape.depth);
    case 'box':
      return box(shape.length, shape.width, shape.depth);
    case 'frustum':
      return frustum(shape.bottomDiameter, shape.topDiameter, shape.depth);
    case 'lying':
      return lyingCylinder(shape.diameter, shape.length);
    case 'stacked':
      return stacked(shape.sections.map(solidOf));
    case 'table':
      return table(shape.rows);
  }
}

const hold = (x: number, least: number, most: number) => Math.min(Math.max(x, least), most);

/** Where a solid holds V. Between two breaks volume rises smoothly, so the piece is found first and the root in it. */
function heightFor(solid: Solid, V: number): number {
  const { breaks } = solid;
  let i = 1;
  while (i < breaks.length - 1 && solid.volume(breaks[i]!) < V) i++;
  return brentRoot((h) => solid.volume(h) - V, breaks[i - 1]!, breaks[i]!, 1e-15 * solid.depth);
}

/**
 * The vessel of a surveyed shape, less what stands in it.
 * @example
 * // 800 mm across: half a metre of it holds π·0.4²·0.5 m³.
 * vesselOf(newStation('Sump', 'Yard', 'metric-230').vessel).volume(0.5).toFixed(4) // → '0.2513'
 */
export function vesselOf({ shape, displacement }: Pick<VesselDocument, 'shape' | 'displacement'>): Vessel {
  const solid = displaced(solidOf(shape), displacement);
  const { depth, breaks } = solid;
  const capacity = solid.volume(depth);
  return {
    depth,
    capacity,
    breaks,
    outline: solid.outline,
    straight: shape.kind === 'cylinder' || shape.kind === 'box',
    planAt: (h) => solid.plan(hold(h, 0, depth)),
    widthAt: (h) => solid.width(hold(h, 0, depth)),
    area: (h) => solid.area(hold(h, 0, depth)),
    volume: (h) => solid.volume(hold(h, 0, depth)),
    height(V) {
      if (V <= 0) return 0;
      return V >= capacity ? depth : heightFor(solid, V);
    },
  };
}
