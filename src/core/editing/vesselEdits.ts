import { depthOf, type Station, type VesselShape } from '../station';

/** How wide a shape is across, as a starting value for another, m. */
function acrossOf(shape: VesselShape): number {
  switch (shape.kind) {
    case 'cylinder':
    case 'lying':
      return shape.diameter;
    case 'box':
      return Math.min(shape.length, shape.width);
    case 'frustum':
      return shape.topDiameter;
    case 'stacked':
      return acrossOf(shape.sections[0]!);
    case 'table':
      return Math.sqrt(shape.rows[0]!.area);
  }
}

function shapeOf(kind: VesselShape['kind'], across: number, depth: number): VesselShape {
  switch (kind) {
    case 'cylinder':
      return { kind, diameter: across, depth };
    case 'box':
      return { kind, length: across, width: across, depth };
    case 'frustum':
      return { kind, bottomDiameter: across, topDiameter: across, depth };
    case 'lying':
      return { kind, diameter: depth, length: Math.max(across, depth) };
    case 'stacked':
      return {
        kind,
        sections: [
          { kind: 'cylinder', diameter: across, depth: depth / 2 },
          { kind: 'cylinder', diameter: across, depth: depth / 2 },
        ],
      };
    case 'table':
      return {
        kind,
        rows: [
          { height: 0, area: across ** 2 },
          { height: depth, area: across ** 2 },
        ],
      };
  }
}

/** Another shape with the same depth, and about as wide as the one before. */
export function withShape(station: Station, kind: VesselShape['kind']): Station {
  const { shape } = station.vessel;
  if (shape.kind === kind) return station;
  return { ...station, vessel: { ...station.vessel, shape: shapeOf(kind, acrossOf(shape), depthOf(shape)) } };
}

/** One section of a stacked vessel as another shape, of the same height. */
export function withSection(station: Station, index: number, kind: 'cylinder' | 'box'): Station {
  const { shape } = station.vessel;
  if (shape.kind !== 'stacked') return station;
  const sections = shape.sections.map((s, i) =>
    i === index && s.kind !== kind ? (shapeOf(kind, acrossOf(s), s.depth) as typeof s) : s,
  );
  return { ...station, vessel: { ...station.vessel, shape: { kind: 'stacked', sections } } };
}
