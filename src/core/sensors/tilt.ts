import { disc, line, polygon, type Shape } from '../drawing';
import { atLeastZero, between, height, part, positive } from '../form';
import { INCH, phrase, quantity, type Quantity } from '../units';
import { facingOf, type SensorWith } from './common';
import { body, eye, lozenge, number, type Drawn, type Point } from './drawn';
import { over, sensorKind, under } from './kind';

const sinDeg = (degrees: number) => Math.sin((degrees * Math.PI) / 180);
const mm = (value: number): Quantity => quantity('height', value);

/** Angles of tilt float bodies by duty, degrees each side of level: wide for pump duty, narrow for control. Defaults, to be overridden by the float's own figures. */
export const FLOAT_ANGLES = { motor: 45, control: 10 } as const;

const fields = {
  clip: height('clip, floor up', 0.5, 'the clip', { about: 'height of the tether clip above the floor, m' }),
  tether: positive('tether', 'height', 0.1, 'the tether', 30, {
    hint: 'clip to near end',
    about: 'clip to the near end of the body, m',
  }),
  body: positive('body length', 'height', 0.1, 'the float body', 1, { about: 'length of the float body, m' }),
  thickness: positive('body, across', 'height', 0.08, 'the float body', 1, { about: 'diameter of the float body, m' }),
  riseDeg: between(
    'acts above level by',
    'angle',
    FLOAT_ANGLES.control,
    [0, 'the rise angle must be more than zero', false],
    [85, 'the rise angle must be 85° or less'],
  ),
  fallDeg: between(
    'goes back below by',
    'angle',
    FLOAT_ANGLES.control,
    [0, 'the fall angle must be more than zero', false],
    [85, 'the fall angle must be 85° or less'],
  ),
  measured: part(
    'range is measured, or from its maker’s table',
    {
      above: positive('measured, above clip', 'height', 0.05, 'the measured rise above the clip', 10, {
        about: 'from the clip up to the rise trip, m',
      }),
      below: positive('measured, below clip', 'height', 0.05, 'the measured fall below the clip', 10, {
        about: 'from the clip down to the fall trip, m',
      }),
    },
    {
      about:
        "the range as measured, or from the maker's table, at this tether; it overrides the one worked out from the angles",
    },
  ),
  weight: part(
    'on a counterweight of its own cord',
    {
      mass: positive('weight', 'mass', 1.6, 'the weight', 100, { about: 'kg' }),
      volume: positive('its volume', 'volume', 0.0002, 'the volume of the weight', 0.1, {
        about: 'water it displaces, m³',
      }),
      below: atLeastZero('hangs below by', 'height', 0.08, 'how far the weight hangs', 5, {
        about: 'm from the clip point down to its foot',
      }),
      lift: positive('float pulls up', 'mass', 0.4, 'the lift of the float', 100, {
        about: 'pull of the float held under water, kg',
      }),
    },
    { about: 'a counterweight on the cord is the clip; null when it is clipped to a pole or wall' },
  ),
};

type Tilt = SensorWith<'tilt', typeof fields>;

/** From the clip to the middle of the body, m: the arm that the float turns on. */
export const armOf = (float: Pick<Tilt, 'tether' | 'body'>): number => float.tether + float.body / 2;

/**
 * How a tilt float stands with the water at `level`: the angle of its arm above level, radians. Its middle lies at the
 * surface while the arm can reach it; below that it hangs straight down, above it stands straight up.
 */
export function leanOf(float: Pick<Tilt, 'clip' | 'tether' | 'body'>, level: number): number {
  const share = (level - float.clip) / armOf(float);
  return Math.asin(Math.min(Math.max(share, -1), 1));
}

function trips(float: Pick<Tilt, 'clip' | 'tether' | 'body' | 'riseDeg' | 'fallDeg' | 'measured'>) {
  if (float.measured) return { rise: float.clip + float.measured.above, fall: float.clip - float.measured.below };
  return {
    rise: float.clip + armOf(float) * sinDeg(float.riseDeg),
    fall: float.clip - armOf(float) * sinDeg(float.fallDeg),
  };
}

/** Which side of the pole a float is drawn on: the way it faces, right for bearings to the right. */
const sideOf = (sensor: Tilt, order: number): 1 | -1 => {
  const facing = facingOf(sensor);
  if (facing % 180 === 0) return order % 2 === 1 ? 1 : -1;
  return facing < 180 ? 1 : -1;
};

/** A float on a bracket of its own is drawn from the right wall, that it is not taken to hang on the pole. */
function bracketed({ layout, pole, sensor }: Drawn<Tilt>): { x: number; bracket: Shape[] } {
  if (sensor.place.from === 'pole' || sensor.weight) return { x: pole, bracket: [] };
  const { left, right } = layout.sidesAt(sensor.clip);
  const x = Math.max(right - (right - left) * 0.16, pole + (right - pole) * 0.5);
  return { x, bracket: [line('pole', [x, layout.yOf(sensor.clip)], [right, layout.yOf(sensor.clip)])] };
}

/** The side it is drawn on: the other one where its tether would go through the drawn wall; how it really lies is told by the plan. */
function drawnSide({ layout, sensor, order }: Drawn<Tilt>, pole: number, hasBracket: boolean): 1 | -1 {
  const wanted = hasBracket ? -1 : sideOf(sensor, order);
  const other = wanted === 1 ? -1 : 1;
  const walls = layout.sidesAt(sensor.clip);
  const room = { 1: walls.right - pole, [-1]: pole - walls.left } as Record<1 | -1, number>;
  return room[wanted] < (sensor.tether + sensor.body) * layout.scale && room[other] > room[wanted] ? other : wanted;
}

function draw(d: Drawn<Tilt>): Shape[] {
  const { layout, sensor, level } = d;
  const { x: pole, bracket } = bracketed(d);
  const side = drawnSide(d, pole, bracket.length > 0);
  const lean = leanOf(sensor, level);
  const [ux, uy] = [side * Math.cos(lean), -Math.sin(lean)];
  const clip: Point = [pole, layout.yOf(sensor.clip)];
  const small = layout.detail === 'thumb';
  const long = Math.max(sensor.body * layout.scale, small ? 9 : 24);
  const reach = sensor.tether * layout.scale;
  const near: Point = [clip[0] + ux * reach, clip[1] + uy * reach];
  const middle: Point = [near[0] + (ux * long) / 2, near[1] + (uy * long) / 2];
  const weight =
    sensor.weight && !small
      ? [
          polygon(
            body(d, 'weight'),
            [pole - 6, clip[1]],
            [pole + 6, clip[1]],
            [pole + 9, clip[1] + sensor.weight.below * layout.scale],
            [pole - 9, clip[1] + sensor.weight.below * layout.scale],
          ),
          line(body(d, 'tether'), [pole, layout.rim], clip),
        ]
      : [];
  return [
    ...(d.ghost ? [] : bracket),
    ...weight,
    line(body(d, 'tether'), clip, near),
    lozenge(body(d, 'float'), near, ux, uy, long, long * 0.56),
    disc(body(d, 'clip'), clip[0], clip[1], small ? 1.6 : 3.2),
    ...number(d, ...middle),
    ...eye(d, clip[0] - side * 15, clip[1]),
  ];
}

/**
 * A tilt float turns about its clip with its body's middle at the surface: it acts where its arm stands at its rise angle above
 * level and at its fall angle below, so rise = z + (L + b/2)·sin θr and fall = z − (L + b/2)·sin θf; a measured
 * range overrides this.
 */
export const tilt = sensorKind('tilt', fields, {
  name: 'tilt float',
  noun: 'float',
  picks: 'tilts on a tether',
  lead: 'cord',
  switchIn: 'pit',
  noMotor: null,
  cost: 1,
  faults: [
    'stuck-up',
    'stuck-down',
    'tangled',
    'waterlogged',
    'slipped',
    'cord-cut',
    'welded',
    'leaking',
    'upside-down',
  ],
  contradictions: (s, depth) => [
    ...(s.clip > depth
      ? [['clip', phrase`the clip at ${mm(s.clip)} is outside the vessel, whose rim is at ${mm(depth)}`] as const]
      : []),
    ...(s.tether + s.body > depth
      ? [
          [
            'tether',
            phrase`the tether and body together are ${mm(s.tether + s.body)}: longer than the pit, which is ${mm(depth)} deep`,
          ] as const,
        ]
      : []),
    ...(s.cordLength < s.tether
      ? [['cordLength', phrase`the cord is shorter than its own tether of ${mm(s.tether)}`] as const]
      : []),
    ...(s.thickness > s.body
      ? [
          [
            'thickness',
            phrase`the body is thicker than it is long, ${mm(s.body)}: a tilt float is longer than thick`,
          ] as const,
        ]
      : []),
  ],
  trips,
  moved: (float, by) => ({ ...float, clip: float.clip + by }),
  /** A range that was measured was true of another tether, and is given up. */
  widened: (float, by) => ({ ...float, tether: float.tether + by, measured: null }),
  possible: (float, depth) => float.tether >= 0.02 && float.tether + float.body <= depth,
  range: 'tether',
  setting: (float) => float.clip,
  extent: (float) => [float.clip, float.clip],
  measures: (float) => [
    { field: 'clip', label: float.weight ? 'weight' : 'clip', of: 'height', value: float.clip },
    { field: 'tether', label: 'tether', of: 'length', value: float.tether },
  ],
  measured: (float) => float.measured !== null,
  cord: (float) => ({ from: float.clip, own: float.tether }),
  reach(float, called, { depth, minimumTether, widthAt, density }) {
    const reach = float.tether + float.body;
    // At a trip the middle of the body is at the water; its tip is half a body further along the arm.
    const { rise, fall } = trips(float);
    const top = rise + (float.body / 2) * sinDeg(float.riseDeg);
    const bottom = fall - (float.body / 2) * sinDeg(float.fallDeg);
    const { weight } = float;
    return [
      under(
        mm(top),
        depth,
        reach,
        phrase`To act on the rise the tip of the ${called} comes up to ${mm(top)}; the rim is at ${mm(depth)}.`,
      ),
      over(
        mm(bottom),
        0,
        reach,
        phrase`To act on the fall the tip of the ${called} must sink to ${mm(bottom)} above the floor; on the floor it lies still and does not act.`,
      ),
      {
        sense: 'at-least',
        needs: mm(minimumTether),
        has: mm(float.tether),
        why: phrase`The tether of the ${called} is ${mm(float.tether)}; shorter than ${mm(minimumTether)} it cannot tilt.`,
      },
      {
        sense: 'at-most',
        needs: mm(widthAt(float.clip)),
        has: mm(reach),
        why: phrase`Lying level, the ${called} reaches ${mm(reach)} from its clip; the vessel is ${mm(widthAt(float.clip))} across there.`,
      },
      ...(weight
        ? [
            over(
              mm(float.clip - weight.below),
              0,
              reach,
              phrase`The weight of the ${called} hangs down to ${mm(float.clip - weight.below)}: it must hang clear of the floor, or its clip point is not where it is thought.`,
            ),
            {
              sense: 'at-least' as const,
              needs: quantity('mass', weight.lift),
              has: quantity('mass', weight.mass - weight.volume * density),
              why: phrase`Under water the weight of the ${called} still pulls ${quantity('mass', weight.mass - weight.volume * density)}; the float pulls up with ${quantity('mass', weight.lift)}. A weight that lifts moves both trips.`,
            },
          ]
        : []),
    ];
  },
  standing: ({ clip, weight }) =>
    weight
      ? [
          {
            name: 'its weight',
            diameter: 2 * Math.sqrt(weight.volume / (Math.PI * Math.max(weight.below, 0.02))),
            from: Math.max(clip - weight.below, 0),
            to: clip,
          },
        ]
      : [],
  swings: ({ clip, tether, body: long, thickness }) => ({ clip, tether, body: long, thickness }),
  clipped: (float) => (float.weight ? null : float.clip),
  hung({ common, rise, fall, system, tape }) {
    const us = system === 'us';
    const angle = FLOAT_ANGLES[common.duty];
    const long = us ? 4 * INCH : 0.1;
    const arm = (rise - fall) / 2 / sinDeg(angle);
    return {
      ...common,
      kind: 'tilt',
      clip: tape((rise + fall) / 2),
      tether: Math.max(tape(arm - long / 2), tape(us ? 3.25 * INCH : 0.08)),
      body: long,
      thickness: us ? 3 * INCH : 0.08,
      riseDeg: angle,
      fallDeg: angle,
      measured: null,
      weight: null,
    };
  },
  // A float that is longer than the vessel is wide never lies level.
  ranges: (float, { depth, widest, step, marks }) =>
    marks(step, Math.min(depth, widest) - float.body).map((tether) => ({
      ...float,
      tether,
      measured: Math.abs(tether - float.tether) < 1e-7 ? float.measured : null,
    })),
  begins: {
    measured(float) {
      const { rise, fall } = trips({ ...float, measured: null });
      const rounded = (x: number) => Number(x.toFixed(3));
      return { above: rounded(rise - float.clip), below: rounded(float.clip - fall) };
    },
    weight: () => ({ mass: 1.6, volume: 0.0002, below: 0.08, lift: 0.4 }),
  },
  draw,
  hand: {
    how: 'Hold the float hanging, then tip it up past level; listen for the click.',
    low: 'hanging',
    high: 'tipped up',
    lifts: true,
    lowered: 'with a long non-conducting rod, its handle dry, push it down',
  },
});
