import type { LevelContext } from '../../levels';
import { quantity, say, type UnitSystem } from '../../units';
import { floatShapes, poleShapes, poleX } from './floatShapes';
import { layoutOf, type Detail, type Layout } from './layout';
import { levelGroups } from './levelShapes';
import { pumpShapes, riserShapes, riserX } from './pumpShapes';
import type { Group } from './shape';
import { tapeShapes } from './tapeShapes';
import { wallShapes, waterShapes } from './vesselShapes';

export interface ShaftOptions {
  readonly width: number;
  readonly height: number;
  readonly detail: Detail;
  readonly system: UnitSystem;
  /** Where the water stands, m above the floor. */
  readonly level: number;
}

/** The shaft as shapes in painting order: vessel, water, levels, pipe, pump, floats, tape. */
export interface ShaftScene {
  readonly layout: Layout;
  readonly groups: readonly Group[];
}

/**
 * Draws a station to scale from its document alone: a tall cut through vessel, pump, pipe and floats with a tape down its
 * edge. The result is plain shapes with roles; a screen, a page or a file paints them.
 */
export function shaftScene(context: LevelContext, { width, height, detail, system, level }: ShaftOptions): ShaftScene {
  const layout = layoutOf(context, width, height, detail);
  const pump = context.station.pumps[0]!;
  const pole = poleX(layout, riserX(layout, context));
  return {
    layout,
    groups: [
      { part: null, label: 'vessel', shapes: [...wallShapes(layout, context), ...waterShapes(layout, context, level)] },
      ...levelGroups(layout, context, system),
      { part: 'pipe', label: 'discharge pipe', shapes: riserShapes(layout, context) },
      { part: 'pump', label: `pump: ${pump.name}`, shapes: pumpShapes(layout, context) },
      { part: null, label: 'float pole', shapes: poleShapes(layout, pole, context.sensors) },
      { part: null, label: 'tape', shapes: tapeShapes(layout, context.vessel.depth, system) },
      ...context.sensors.map(
        (s): Group => ({
          part: `float:${s.sensor.id}`,
          label: `float ${s.order}, ${s.sensor.role}: acts at ${say(quantity('height', s.rise), system)}, goes back at ${say(quantity('height', s.fall), system)}`,
          shapes: floatShapes(layout, pole, s, level),
        }),
      ),
    ],
  };
}
