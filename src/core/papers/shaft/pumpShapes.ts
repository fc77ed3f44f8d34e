import { traitsOf } from '../../duties';
import type { LevelContext } from '../../levels';
import type { Layout } from './layout';
import { disc, line, path, polygon, rectangle, type Shape } from './shape';

const standsInVessel = (station: LevelContext['station']): boolean => {
  const { mover } = traitsOf(station);
  return mover.kind === 'pump' && mover.stands === 'in-vessel';
};

/** Where each pump and its riser stand, and how wide the bed is there: pumps must fit between the walls at their own height. */
function bedOf(
  layout: Layout,
  { station }: LevelContext,
): { at: (i: number) => { pump: number; riser: number }; width: number } {
  const { left, right } = layout.sidesAt(station.pumps[0]!.intake);
  const width = right - left;
  const many = station.pumps.length;
  const pitch = many === 1 ? 0 : many === 2 ? 0.23 : 0.16;
  const [pump, riser] = many === 1 ? [0.18, 0.34] : [0.11, 0.11 + pitch * 0.52];
  return {
    at: (i) => ({ pump: left + width * (pump + pitch * i), riser: left + width * (riser + pitch * i) }),
    width: many === 1 ? width : width * (many === 2 ? 0.72 : 0.5),
  };
}

/** Where the last riser stands, px; a tank that is filled has none. */
export function riserX(layout: Layout, context: LevelContext): number | null {
  const { station } = context;
  return standsInVessel(station) ? bedOf(layout, context).at(station.pumps.length - 1).riser : null;
}

/** A pump on its feet: volute below, motor above, to the heights that were surveyed. */
function pumpAt(layout: Layout, context: LevelContext, index: number): Shape[] {
  const pump = context.station.pumps[index]!;
  const { floor } = layout;
  const { at, width: inside } = bedOf(layout, context);
  const x = at(index).pump;
  const bottom = layout.yOf(pump.intake);
  const shoulder = layout.yOf(pump.volute);
  const top = layout.yOf(pump.motorTop);
  const volute = Math.min(Math.max((bottom - top) * 0.42, 4), inside * 0.13);
  const motor = volute * 0.72;
  return [
    line('pump', [x - volute * 0.8, floor], [x - volute * 0.8, bottom]),
    line('pump', [x + volute * 0.8, floor], [x + volute * 0.8, bottom]),
    rectangle('pump', x - volute, shoulder, volute * 2, bottom - shoulder),
    polygon(
      'pump-motor',
      [x - motor, shoulder],
      [x - motor, top + 4],
      [x - motor + 4, top],
      [x + motor - 4, top],
      [x + motor, top + 4],
      [x + motor, shoulder],
    ),
  ];
}

/** Every pump that stands in the vessel. */
export const pumpShapes = (layout: Layout, context: LevelContext): Shape[] =>
  standsInVessel(context.station) ? context.station.pumps.flatMap((_, i) => pumpAt(layout, context, i)) : [];

/** Jets of a dosed bed at the end of the line. */
function jets(x: number, y: number): Shape[] {
  return [0, 1, 2].map((i) => path('jet', `M${x + i * 9} ${y} q0 -10 4 -10 q4 0 4 6`));
}

/** One riser up and out, with its check valve and weep hole where they are. */
function riserAt(layout: Layout, context: LevelContext, index: number, out: number, end: number): Shape[] {
  const { station, vessel } = context;
  const pump = station.pumps[index]!;
  const { discharge } = station;
  const { pump: elbow, riser: x } = bedOf(layout, context).at(index);
  const bore = (pump.riser[0] ?? discharge.segments[0]!).bore;
  const thick = Math.min(Math.max(bore * layout.scale * 0.5, 1.5), 9);
  const foot = layout.yOf((pump.intake + pump.volute) / 2);
  const shapes: Shape[] = [
    polygon(
      'pipe',
      [elbow, foot - thick],
      [x - thick, foot - thick],
      [x - thick, out - thick],
      [end, out - thick],
      [end, out + thick],
      [x + thick, out + thick],
      [x + thick, foot + thick],
      [elbow, foot + thick],
    ),
  ];
  if (discharge.checkValve) {
    const height = Math.min(
      (pump.intake + pump.volute) / 2 + discharge.checkValve.pipeBefore,
      vessel.depth + 12 / layout.scale,
    );
    const y = layout.yOf(height);
    const r = thick + (layout.detail === 'thumb' ? 1.5 : 4);
    shapes.push(rectangle('valve', x - r, y - r, r * 2, r * 2), line('valve', [x - r, y - r], [x + r, y + r * 0.4]));
  }
  if (discharge.weepHole && layout.detail !== 'thumb')
    shapes.push(disc('weep', x + thick, layout.yOf(discharge.weepHole.height), 2.2));
  return shapes;
}

/** What leaves: the risers, joined above the rim, and where the water goes; or, of a tank being filled, what comes in over the rim or from below and what is drawn. */
export function pipeShapes(layout: Layout, context: LevelContext): Shape[] {
  const small = layout.detail === 'thumb';
  const out = small ? layout.rim - 12 : layout.rim - 26;
  const end = layout.right + layout.wall + (small ? 2 : 14);
  const { station } = context;
  if (!standsInVessel(station)) return fillShapes(layout, context, out);
  const arrow =
    station.discharge.laterals && !small
      ? jets(end + 2, out)
      : [polygon('pipe', [end, out - 7], [end + 7, out], [end, out + 7])];
  return [...station.pumps.flatMap((_, i) => riserAt(layout, context, i, out, end)), ...arrow];
}

/** The fill pipe, over the water or drowned, its valve or the way to its pump; and the draw at the foot of the tank. */
function fillShapes(layout: Layout, { station, vessel }: LevelContext, out: number): Shape[] {
  const { mover, drowned } = traitsOf(station);
  const { left, wall } = layout;
  const x = left + 16;
  const thick = Math.min(Math.max(station.discharge.segments[0]!.bore * layout.scale * 0.5, 1.5), 7);
  const mouth = layout.yOf(Math.min(Math.max(station.discharge.outlet, 0), vessel.depth));
  const to = drowned ? layout.yOf(Math.min(0.06, vessel.depth)) : Math.max(mouth, out + 10);
  const draw = layout.yOf(Math.min(0.05, vessel.depth));
  const right = layout.sidesAt(0).right;
  return [
    polygon(
      'pipe',
      [left - wall - 6, out - thick],
      [x + thick, out - thick],
      [x + thick, to],
      [x - thick, to],
      [x - thick, out + thick],
      [left - wall - 6, out + thick],
    ),
    ...(mover.kind === 'valve'
      ? [polygon('valve', [x - 7, out - 7], [x + 7, out + 7], [x + 7, out - 7], [x - 7, out + 7])]
      : [disc('pump', x, out, layout.detail === 'thumb' ? 4 : 9)]),
    polygon(
      'pipe',
      [right - 4, draw - 4],
      [right + wall + 10, draw - 4],
      [right + wall + 10, draw + 4],
      [right - 4, draw + 4],
    ),
  ];
}
