import { segmentArea } from '../numeric';
import { phrase, quantity } from '../units';
import type { Contradiction } from './contradiction';
import { depthOf } from './depthOf';
import type { Vessel, VesselShape } from './schema';

const height = (value: number) => quantity('height', value);

function* tableContradictions(shape: Extract<VesselShape, { kind: 'table' }>): Generator<Contradiction> {
  const at = (i: number) => ['vessel', 'shape', 'rows', i, 'height'];
  const first = shape.rows[0]!;
  if (first.height !== 0)
    yield {
      path: at(0),
      sentence: phrase`the depth table begins at ${height(first.height)}: its first row is the floor, at no height`,
    };
  for (let i = 1; i < shape.rows.length; i++) {
    const [below, here] = [shape.rows[i - 1]!, shape.rows[i]!];
    if (here.height <= below.height) {
      yield {
        path: at(i),
        sentence: phrase`row ${String(i + 1)} is at ${height(here.height)}, not above the ${height(below.height)} of the row before: a depth table runs from the floor up`,
      };
    }
  }
}

/** Smallest plan area of a shape over [from, to], m², what a piece of equipment there must fit in; of one that closes, its mean. */
function leastArea(shape: VesselShape, from: number, to: number): number {
  const round = (d: number) => (Math.PI / 4) * d * d;
  switch (shape.kind) {
    case 'cylinder':
      return round(shape.diameter);
    case 'box':
      return shape.length * shape.width;
    case 'frustum': {
      const at = (h: number) => shape.bottomDiameter + ((shape.topDiameter - shape.bottomDiameter) * h) / shape.depth;
      return round(Math.min(at(from), at(to)));
    }
    case 'lying':
      // It closes at its floor: what stands there takes its share of the room over its own height.
      return (shape.length * (segmentArea(shape.diameter, to) - segmentArea(shape.diameter, from))) / (to - from);
    case 'stacked': {
      let floor = 0;
      return Math.min(
        ...shape.sections.map((s) => {
          const [bottom, top] = [floor, (floor += s.depth)];
          return top > from && bottom < to ? leastArea(s, 0, s.depth) : Infinity;
        }),
      );
    }
    case 'table': {
      const at = (h: number) => {
        const i = Math.max(
          shape.rows.findIndex((r) => r.height >= h),
          1,
        );
        const [a, b] = [shape.rows[i - 1]!, shape.rows[i]!];
        return a.area + ((b.area - a.area) * (h - a.height)) / (b.height - a.height);
      };
      return Math.min(
        at(from),
        at(to),
        ...shape.rows.filter((r) => r.height > from && r.height < to).map((r) => r.area),
      );
    }
  }
}

function* displacementContradictions({ shape, displacement }: Vessel): Generator<Contradiction> {
  const depth = depthOf(shape);
  let sound = true;
  for (const [i, d] of displacement.entries()) {
    const at = (field: string) => ['vessel', 'displacement', i, field];
    if (d.to <= d.from)
      yield { path: at('to'), sentence: phrase`the head of ${d.name} must be above its foot at ${height(d.from)}` };
    if (d.to > depth)
      yield {
        path: at('to'),
        sentence: phrase`${d.name} stands out of the vessel, whose rim is at ${height(depth)}: give only what is inside`,
      };
    sound &&= d.to > d.from && d.to <= depth;
  }
  if (!sound) return;
  for (const [i, d] of displacement.entries()) {
    // Each as a share of the room: of its own over its height where the vessel closes, else of the least there is beside this one.
    const room = (o: typeof d) =>
      shape.kind === 'lying' ? leastArea(shape, o.from, o.to) : leastArea(shape, d.from, d.to);
    const taken = displacement
      .filter((o) => o.from < d.to && o.to > d.from)
      .reduce((sum, o) => sum + o.volume / (o.to - o.from) / room(o), 0);
    if (taken >= 1)
      yield {
        path: ['vessel', 'displacement', i, 'volume'],
        sentence: phrase`${d.name} takes up ${quantity('volume', d.volume)} between ${height(d.from)} and ${height(d.to)}: no room for water is left there`,
      };
  }
}

/** What contradicts itself in the shape of a vessel and in what stands in it. */
export function* shapeContradictions(vessel: Vessel): Generator<Contradiction> {
  const { shape } = vessel;
  if (shape.kind === 'table') {
    const problems = [...tableContradictions(shape)];
    yield* problems;
    if (problems.length > 0) return;
  }
  yield* displacementContradictions(vessel);
}
