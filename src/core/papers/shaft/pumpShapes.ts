import type { LevelContext } from '../../levels';
import type { Layout } from './layout';
import { disc, line, polygon, rectangle, type Shape } from './shape';

/** Where the riser stands. */
export const riserX = ({ left, right }: Layout): number => left + (right - left) * 0.34;

/** The pump on its feet: volute below, motor above, to the heights that were surveyed. */
export function pumpShapes(layout: Layout, { station }: LevelContext): Shape[] {
  const pump = station.pumps[0]!;
  const { left, right, floor } = layout;
  const inside = right - left;
  const bottom = layout.yOf(pump.intake);
  const shoulder = layout.yOf(pump.volute);
  const top = layout.yOf(pump.motorTop);
  const x = left + inside * 0.18;
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
export function riserShapes(layout: Layout, { station, vessel }: LevelContext): Shape[] {
  const pump = station.pumps[0]!;
  const { discharge } = station;
  const x = riserX(layout);
  const thick = Math.max(discharge.segments[0]!.bore * layout.scale * 0.5, 1.5);
  const foot = layout.yOf((pump.intake + pump.volute) / 2);
  const out = layout.detail === 'thumb' ? layout.rim - 12 : layout.rim - 26;
  const elbow = layout.left + (layout.right - layout.left) * 0.18;
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
