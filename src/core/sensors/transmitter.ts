import { line, polygon } from '../drawing';
import { height, positive } from '../form';
import { phrase, quantity } from '../units';
import { body, eye, number } from './drawn';
import { over, sensorKind, under } from './kind';

const mm = (value: number) => quantity('height', value);

const fields = {
  zero: height('reads zero, floor up', 0, 'the transmitter', { about: 'where its reading is zero, m above the floor' }),
  span: positive('span', 'height', 2, 'the span', 50, { about: 'm of water over its zero that it can tell' }),
  on: height('threshold on, floor up', 0.5, 'the upper threshold', { about: 'level set in the controller, m' }),
  off: height('threshold off, floor up', 0.3, 'the lower threshold', { about: 'level set in the controller, m' }),
};

/** A transmitter tells the level; the controller acts at its two thresholds. */
export const transmitter = sensorKind('transmitter', fields, {
  name: 'level transmitter',
  noun: 'transmitter',
  picks: 'level transmitter',
  lead: 'cord',
  switchIn: 'panel',
  noMotor: 'a transmitter is no float on a cord',
  cost: 3,
  faults: ['stuck-up', 'stuck-down', 'deposit', 'welded'],
  contradictions: (s, depth) => [
    ...(s.zero > depth
      ? [
          [
            'zero',
            phrase`the transmitter at ${mm(s.zero)} is outside the vessel, whose rim is at ${mm(depth)}`,
          ] as const,
        ]
      : []),
    ...(s.off >= s.on
      ? [['off', phrase`the lower threshold must be below the upper one at ${mm(s.on)}`] as const]
      : []),
  ],
  trips: (s) => ({ rise: s.on, fall: s.off }),
  moved: (s, by) => ({ ...s, on: s.on + by, off: s.off + by }),
  widened: (s, by) => ({ ...s, on: s.on + by }),
  possible: (s, depth, _, least) => s.on - s.off >= least && s.on <= depth,
  range: 'on',
  setting: (s) => s.on,
  extent: (s) => [s.off, s.on],
  measures: (s) => [
    { field: 'on', label: 'threshold on', of: 'height', value: s.on },
    { field: 'off', label: 'threshold off', of: 'height', value: s.off },
    { field: 'zero', label: 'transmitter', of: 'height', value: s.zero },
  ],
  cord: (s) => ({ from: s.zero, own: 0 }),
  reach: (s, called, { depth }) => [
    under(
      mm(s.on),
      Math.min(s.zero + s.span, depth),
      s.span,
      phrase`The upper threshold of the ${called} is at ${mm(s.on)}; its span, or the vessel, ends at ${mm(Math.min(s.zero + s.span, depth))}.`,
    ),
    over(
      mm(s.off),
      s.zero,
      s.span,
      phrase`The lower threshold of the ${called} is at ${mm(s.off)}; below ${mm(s.zero)} it reads nothing.`,
    ),
  ],
  standing: (s) => [{ name: 'transmitter', diameter: 0.04, from: s.zero, to: s.on }],
  swings: () => null,
  clipped: () => null,
  hung: ({ common, rise, fall, depth, step, tape }) => ({
    ...common,
    kind: 'transmitter',
    zero: 0,
    span: depth,
    on: tape(rise),
    off: Math.min(tape(fall), tape(rise) - step),
  }),
  ranges: (s, { depth, step, marks }) => marks(step, depth).map((span) => ({ ...s, off: 0, on: span })),
  /** A capsule on its cord, and the two thresholds of the controller as ticks beside it. */
  draw(d) {
    const { layout, pole, sensor, order } = d;
    const small = layout.detail === 'thumb';
    const x = pole + (layout.right - layout.left) * (0.14 + 0.12 * (order % 2));
    const zero = layout.yOf(sensor.zero);
    const half = small ? 2.5 : 6;
    const tick = (level: number) =>
      line(body(d, 'clip'), [x - half * 1.6, layout.yOf(level)], [x + half * 1.6, layout.yOf(level)]);
    return [
      line(body(d, 'tether'), [x, layout.rim], [x, zero - half * 3]),
      polygon(
        body(d, 'float'),
        [x - half, zero - half * 3],
        [x + half, zero - half * 3],
        [x + half, zero - half],
        [x, zero],
        [x - half, zero - half],
      ),
      tick(sensor.on),
      tick(sensor.off),
      ...number(d, x + 16, layout.yOf(sensor.on)),
      ...eye(d, x - 20, layout.yOf(sensor.on)),
    ];
  },
  hand: {
    how: 'Lower it into a bucket of water to a known depth, then lift it out; watch the reading and the output.',
    low: 'in the air',
    high: 'under water',
    lifts: false,
    lowered: 'draw it up by its cable until it is out of the water',
  },
});
