import { traitsOf } from '../../duties';
import type { LevelContext, SensorTrips } from '../../levels';
import { kindOf, ROLE } from '../../sensors';
import { quantity, say, type UnitSystem } from '../../units';
import { floatShapes, ghostShapes, poleShapes, poleX } from './floatShapes';
import { layoutOf, type Detail, type Layout } from './layout';
import { levelGroups } from './levelShapes';
import { obstacleShapes } from './obstacleShapes';
import { pipeShapes, pumpShapes, riserX } from './pumpShapes';
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
  /** Sensors that a hand holds up or down, by id, whatever the water does. */
  readonly held?: Readonly<Record<string, 'up' | 'down'>>;
  /** Sensors as they would be, drawn as outlines. */
  readonly ghosts?: readonly SensorTrips[];
}

/** The shaft as shapes in painting order: vessel, water, levels, pipe, pump, floats, tape. */
/** What it takes to paint a scene. */
export interface Drawing {
  readonly layout: Pick<Layout, 'width' | 'height' | 'wall'>;
  readonly groups: readonly Group[];
}

export interface ShaftScene extends Drawing {
  readonly layout: Layout;
  readonly groups: readonly Group[];
}

/** How far past its trip a float is held, m. */
const PAST = 0.002;

/**
 * Draws a station to scale from its document alone: a tall cut through vessel, pump, pipe and floats with a tape down its
 * edge. The result is plain shapes with roles; a screen, a page or a file paints them.
 */
export function shaftScene(
  context: LevelContext,
  { width, height, detail, system, level, held = {}, ghosts = [] }: ShaftOptions,
): ShaftScene {
  const layout = layoutOf(context, width, height, detail);
  const { station } = context;
  const pole = poleX(layout, riserX(layout, context));
  return {
    layout,
    groups: [
      { part: null, label: 'vessel', shapes: [...wallShapes(layout, context), ...waterShapes(layout, context, level)] },
      ...levelGroups(layout, context, system),
      ...station.obstacles.map((o, i): Group => ({
        part: `obstacle:${i}`,
        label: o.name,
        shapes: obstacleShapes(layout, o),
      })),
      {
        part: 'pipe',
        label: traitsOf(station).words.pipes,
        shapes: pipeShapes(layout, context),
      },
      {
        part: 'pump',
        label: `pump: ${station.pumps.map((p) => p.name).join('; ')}`,
        shapes: pumpShapes(layout, context),
      },
      { part: 'pole', label: 'float pole', shapes: poleShapes(layout, pole, context.sensors) },
      { part: null, label: 'tape', shapes: tapeShapes(layout, context.vessel.depth, system) },
      ...ghosts.map((s): Group => ({
        part: null,
        label: `would be: ${ROLE[s.sensor.role].word} ${kindOf(s.sensor).noun} at ${say(quantity('height', kindOf(s.sensor).setting(s.sensor)), system)}`,
        shapes: ghostShapes(layout, pole, s),
      })),
      ...context.sensors.map((s): Group => ({
        part: `float:${s.sensor.id}`,
        label: `${kindOf(s.sensor).noun} ${s.order}, ${ROLE[s.sensor.role].word}: acts at ${say(quantity('height', s.rise), system)}, goes back at ${say(quantity('height', s.fall), system)}`,
        shapes: floatShapes(
          layout,
          pole,
          s,
          held[s.sensor.id] === 'up' ? s.rise + PAST : held[s.sensor.id] === 'down' ? s.fall - PAST : level,
        ),
      })),
    ],
  };
}
