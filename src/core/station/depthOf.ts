import type { VesselShape } from './schema';

/** Floor to rim, m. */
export function depthOf(shape: VesselShape): number {
  switch (shape.kind) {
    case 'cylinder':
    case 'box':
    case 'frustum':
      return shape.depth;
    case 'lying':
      return shape.diameter;
    case 'stacked':
      return shape.sections.reduce((sum, s) => sum + s.depth, 0);
    case 'table':
      return shape.rows[shape.rows.length - 1]?.height ?? 0;
  }
}
