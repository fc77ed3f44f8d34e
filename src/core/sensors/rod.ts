import { line, polygon } from '../drawing';
import { choice, height } from '../form';
import { phrase, quantity } from '../units';
import { body, eye, number } from './drawn';
import { over, sensorKind, under } from './kind';

const mm = (value: number) => quantity('height', value);

const fields = {
  latch: choice(
    'snaps by',
    [
      ['magnet', 'a magnet'],
      ['snap', 'a spring'],
    ],
    'magnet',
  ),
  upperStop: height('upper stop, floor up', 0.5, 'the upper stop', {
    about: 'level at which the float lifts the upper stop, m',
  }),
  lowerStop: height('lower stop, floor up', 0.3, 'the lower stop', {
    about: 'level at which the float rests on the lower stop, m',
  }),
};

/** A float on a rod acts at its stops. */
export const rod = sensorKind('rod', fields, {
  name: 'rod float',
  noun: 'float',
  picks: 'slides on a rod',
  lead: 'cord',
  switchIn: 'pit',
  noMotor: null,
  cost: 2,
  faults: ['stuck-up', 'stuck-down', 'waterlogged', 'deposit', 'cord-cut', 'welded', 'leaking'],
  contradictions: (s, depth) => [
    ...(s.upperStop > depth
      ? [
          [
            'upperStop',
            phrase`the upper stop at ${mm(s.upperStop)} is outside the vessel, whose rim is at ${mm(depth)}`,
          ] as const,
        ]
      : []),
    ...(s.lowerStop >= s.upperStop
      ? [['lowerStop', phrase`the lower stop must be below the upper stop at ${mm(s.upperStop)}`] as const]
      : []),
  ],
  trips: (float) => ({ rise: float.upperStop, fall: float.lowerStop }),
  moved: (float, by) => ({ ...float, upperStop: float.upperStop + by, lowerStop: float.lowerStop + by }),
  widened: (float, by) => ({ ...float, upperStop: float.upperStop + by }),
  possible: (float, depth, _, least) => float.upperStop - float.lowerStop >= least && float.upperStop <= depth,
  range: 'upperStop',
  setting: (float) => float.upperStop,
  extent: (float) => [float.lowerStop, float.upperStop],
  measures: (float) => [
    { field: 'upperStop', label: 'upper stop', of: 'height', value: float.upperStop },
    { field: 'lowerStop', label: 'lower stop', of: 'height', value: float.lowerStop },
  ],
  cord: (float) => ({ from: float.upperStop, own: 0 }),
  reach(float, called, { depth }) {
    const travel = float.upperStop - float.lowerStop;
    return [
      under(
        mm(float.upperStop),
        depth,
        travel,
        phrase`The ${called} slides up its rod to ${mm(float.upperStop)}; the rim is at ${mm(depth)}.`,
      ),
      over(
        mm(float.lowerStop),
        0,
        travel,
        phrase`The lower stop of the ${called} is ${mm(float.lowerStop)} above the floor.`,
      ),
    ];
  },
  standing: (float) => [{ name: 'rod float', diameter: 0.07, from: float.lowerStop, to: float.upperStop }],
  swings: () => null,
  clipped: () => null,
  hung: ({ common, rise, fall, step, tape }) => ({
    ...common,
    kind: 'rod',
    latch: 'magnet',
    upperStop: tape(rise),
    lowerStop: Math.min(tape(fall), tape(rise) - step),
  }),
  ranges: (float, { depth, step, marks }) =>
    marks(step, depth).map((travel) => ({ ...float, lowerStop: 0, upperStop: travel })),
  draw(d) {
    const { layout, pole, sensor, level, order } = d;
    const small = layout.detail === 'thumb';
    const x = pole + (layout.right - layout.left) * (0.08 + 0.08 * (order % 2));
    const [upper, lower] = [layout.yOf(sensor.upperStop), layout.yOf(sensor.lowerStop)];
    const y = layout.yOf(Math.min(Math.max(level, sensor.lowerStop), sensor.upperStop));
    const half = (small ? 7 : 20) / 2;
    return [
      line(body(d, 'tether'), [x, layout.rim], [x, lower + 6]),
      line(body(d, 'clip'), [x - half, upper - half], [x + half, upper - half]),
      line(body(d, 'clip'), [x - half, lower + half], [x + half, lower + half]),
      polygon(body(d, 'float'), [x - half, y], [x, y - half], [x + half, y], [x, y + half]),
      ...number(d, x, y),
      ...eye(d, x + 22, y),
    ];
  },
  hand: {
    how: 'Hold the float at its lower stop, then slide it to the upper; listen for the click.',
    low: 'at the lower stop',
    high: 'at the upper stop',
    lifts: true,
    lowered: 'with a long non-conducting rod, its handle dry, push it down',
  },
});
