import type { LevelContext } from '../levels';
import { clipPoint, swingOf, type BodyPlan, type Swing } from '../sensing';
import { disc, line, path, polygon, text, type Group, type Shape } from './shaft/shape';

export interface PlanLayout {
  readonly width: number;
  readonly height: number;
  readonly wall: number;
  /** px per metre */
  readonly scale: number;
  /** Where the axis of the pit is, px. */
  readonly x: number;
  readonly y: number;
}

export interface PlanScene {
  readonly layout: PlanLayout;
  readonly groups: readonly Group[];
  readonly swing: Swing;
}

const MARGIN = 22;

function bodyShape(
  { x, y, scale }: PlanLayout,
  plan: BodyPlan,
  role: 'pump' | 'pipe' | 'obstacle' | 'water' | 'pole',
): Shape {
  if (plan.kind === 'round')
    return disc(
      role === 'pole' ? 'obstacle' : role,
      x + plan.x * scale,
      y - plan.y * scale,
      Math.max(plan.radius * scale, 2),
    );
  return polygon(role, ...plan.corners.map(([px, py]) => [x + px * scale, y - py * scale] as const));
}

const roleOf = (part: string): Parameters<typeof bodyShape>[2] =>
  part.startsWith('pump:')
    ? 'pump'
    : part.startsWith('riser:')
      ? 'pipe'
      : part === 'inlet'
        ? 'water'
        : part === 'pole'
          ? 'pole'
          : 'obstacle';

/**
 * The pit from above, bearing 0° at the top: walls, pumps, risers, what stands in the way, and each float lying level the way it faces,
 * with the sweep that moving water can give it.
 */
export function planScene(context: LevelContext, width: number, height: number): PlanScene {
  const { station, vessel, sensors } = context;
  const swing = swingOf(station, vessel);
  const rim = vessel.planAt(vessel.depth);
  const widest = rim.kind === 'round' ? [rim.radius, rim.radius] : [rim.length / 2, rim.width / 2];
  // A basin wider than its floats need is shown round them only.
  const shown =
    Math.max(
      ...swing.arms.map((a) => Math.hypot(a.clip.x, a.clip.y) + a.reach),
      ...swing.bodies.flatMap((b) =>
        b.plan.kind === 'round'
          ? [Math.hypot(b.plan.x, b.plan.y) + b.plan.radius]
          : b.plan.corners.map(([x, y]) => Math.hypot(x, y)),
      ),
      0.2,
    ) * 1.3;
  const half = [Math.min(widest[0]!, shown), Math.min(widest[1]!, shown)];
  const scale = Math.min((width / 2 - MARGIN) / half[0]!, (height / 2 - MARGIN) / half[1]!);
  const layout: PlanLayout = { width, height, wall: 3, scale, x: width / 2, y: height / 2 };
  const { x, y } = layout;
  const wall: Shape =
    rim.kind === 'round'
      ? disc('wall-plan', x, y, rim.radius * scale)
      : polygon(
          'wall-plan',
          [x - (rim.length / 2) * scale, y - (rim.width / 2) * scale],
          [x + (rim.length / 2) * scale, y - (rim.width / 2) * scale],
          [x + (rim.length / 2) * scale, y + (rim.width / 2) * scale],
          [x - (rim.length / 2) * scale, y + (rim.width / 2) * scale],
        );
  const compass = (['0°', '90°', '180°', '270°'] as const).map((words, i): Shape => {
    const [ux, uy] = [
      [0, -1],
      [1, 0],
      [0, 1],
      [-1, 0],
    ][i]!;
    return text('tape-head', x + ux! * (width / 2 - 12), y + uy! * (height / 2 - 8) + 4, words, 'middle', 10);
  });
  return {
    layout,
    swing,
    groups: [
      { part: null, label: 'walls from above, bearing 0° at the top', shapes: [wall, ...compass] },
      ...swing.bodies.map((b): Group => ({
        part: null,
        label: b.name,
        shapes: [bodyShape(layout, b.plan, roleOf(b.part))],
      })),
      ...sensors.flatMap(({ sensor, order }): Group[] => {
        const at = clipPoint(station, sensor.place);
        const [cx, cy] = [x + at.x * scale, y - at.y * scale];
        const arm = swing.arms.find((a) => a.id === sensor.id);
        if (!arm)
          return [
            {
              part: `float:${sensor.id}`,
              label: `${order}, ${sensor.role}`,
              shapes: [disc('float', cx, cy, 6), text('float-number', cx, cy + 4, String(order), 'middle', 11)],
            },
          ];
        const point = (along: number, turn: number) =>
          [cx + along * scale * Math.sin(arm.facing + turn), cy - along * scale * Math.cos(arm.facing + turn)] as const;
        const [left, right] = [point(arm.reach, -arm.side), point(arm.reach, arm.side)];
        const r = arm.reach * scale;
        const sweep = `M${cx.toFixed(1)} ${cy.toFixed(1)} L${left[0].toFixed(1)} ${left[1].toFixed(1)} A${r.toFixed(1)} ${r.toFixed(1)} 0 0 1 ${right[0].toFixed(1)} ${right[1].toFixed(1)} Z`;
        const [near, far] = [arm.near - arm.radius, arm.reach];
        const side = (along: number, across: number) => {
          const [px, py] = point(along, 0);
          return [px + across * scale * Math.cos(arm.facing), py + across * scale * Math.sin(arm.facing)] as const;
        };
        const middle = point((near + far) / 2, 0);
        return [
          {
            part: `float:${sensor.id}`,
            label: `float ${order}, ${sensor.role}, from above`,
            shapes: [
              path('sweep', sweep),
              line('tether', [cx, cy], point(near, 0)),
              polygon(
                'float',
                side(near, 0),
                side(near + (far - near) * 0.3, arm.radius),
                side(near + (far - near) * 0.7, arm.radius),
                side(far, 0),
                side(near + (far - near) * 0.7, -arm.radius),
                side(near + (far - near) * 0.3, -arm.radius),
              ),
              disc('clip', cx, cy, 3),
              text('float-number', middle[0], middle[1] + 4, String(order), 'middle', 11),
            ],
          },
        ];
      }),
    ],
  };
}
