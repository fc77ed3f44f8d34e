import type { LevelContext } from '../../levels';
import type { Layout } from './layout';
import { disc, line, polygon, rectangle, type Shape } from './shape';

/** Where the pump and its riser stand, and how wide the bed is there: the pump must fit between the walls at its own height. */
function bedOf(layout: Layout, { station }: LevelContext): { pump: number; riser: number; width: number } {
  const { left, right } = layout.sidesAt(station.pumps[0]!.intake);
  const width = right - left;
  return { pump: left + width * 0.18, riser: left + width * 0.34, width };
}

/** Where the riser stands, px. */
export const riserX = (layout: Layout, context: LevelContext): number => bedOf(layout, context).riser;

/** The pump on its feet: volute below, motor above, to the heights that were surveyed. */
export function pumpShapes(layout: Layout, context: LevelContext): Shape[] {
  const pump = context.station.pumps[0]!;
  const { floor } = layout;
  const { pump: x, width: inside } = bedOf(layout, context);
  const bottom = layout.yOf(pump.intake);
  const shoulder = layout.yOf(pump.volute);
  const top = layout.yOf(pump.motorTop);
  const volute = Math.min(Math.max((bottom - top) * 0.42, 5), inside * 0.15);
  const motor = volute * 0.72;
  return [
    line('pump', [x - volute * 0.8, floor], [x - volute * 0.8, bottom]),
    line('pump', [x + volute * 0.8, floor], [x + volute * 0.8, bottom]),
    rectangle('pump', x - volute, shoulder, volute * 2, bottom - shoulder),
    polygon('pump-motor', [x - motor, shoulder], [x - motor, top + 4], [x - motor + 4, top], [x + motor - 4, top], [x + motor, top + 4], [x + motor, shoulder]),
  ];
}

/** The riser up and out, with its check valve and weep hole where they are. */
export function riserShapes(layout: Layout, context: LevelContext): Shape[] {
  const { station, vessel } = context;
  const pump = station.pumps[0]!;
  const { discharge } = station;
  const { pump: elbow, riser: x } = bedOf(layout, context);
  const thick = Math.max(discharge.segments[0]!.bore * layout.scale * 0.5, 1.5);
  const foot = layout.yOf((pump.intake + pump.volute) / 2);
  const out = layout.detail === 'thumb' ? layout.rim - 12 : layout.rim - 26;
  const end = layout.right + layout.wall + (layout.detail === 'thumb' ? 2 : 14);
  const shapes: Shape[] = [
    polygon('pipe', [elbow, foot - thick], [x - thick, foot - thick], [x - thick, out - thick], [end, out - thick], [end, out + thick], [x + thick, out + thick], [x + thick, foot + thick], [elbow, foot + thick]),
    polygon('pipe', [end, out - thick - 4], [end + 7, out], [end, out + thick + 4]),
  ];
  if (discharge.checkValve) {
    const height = Math.min((pump.intake + pump.volute) / 2 + discharge.checkValve.pipeBefore, vessel.depth + 12 / layout.scale);
    const y = layout.yOf(height);
    const r = thick + (layout.detail === 'thumb' ? 1.5 : 4);
    shapes.push(rectangle('valve', x - r, y - r, r * 2, r * 2), line('valve', [x - r, y - r], [x + r, y + r * 0.4]));
  }
  if (discharge.weepHole && layout.detail !== 'thumb') shapes.push(disc('weep', x + thick, layout.yOf(discharge.weepHole.height), 2.2));
  return shapes;
}
