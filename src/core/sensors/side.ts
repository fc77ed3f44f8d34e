import { rectangle } from '../drawing';
import { height, positive } from '../form';
import { INCH, phrase, quantity } from '../units';
import { body, eye, lozenge, number } from './drawn';
import { over, sensorKind, under } from './kind';

const mm = (value: number) => quantity('height', value);

const fields = {
  height: height('switch, floor up', 0.5, 'the switch', { about: 'level at which it acts on the rise, m' }),
  differential: positive('goes back after', 'height', [0.01, INCH / 2], 'the differential', 2, {
    about: 'how far the water falls before it goes back, m',
  }),
};

/** A switch through the wall acts at one height and goes back as soon as the water is a little lower. */
export const side = sensorKind('side', fields, {
  name: 'side-mount switch',
  noun: 'switch',
  picks: 'switch through the wall',
  lead: 'cord',
  switchIn: 'pit',
  noMotor: null,
  cost: 2,
  faults: ['stuck-up', 'stuck-down', 'deposit', 'cord-cut', 'welded', 'leaking'],
  contradictions: (s, depth) => [
    ...(s.height > depth
      ? [['height', phrase`the switch at ${mm(s.height)} is outside the vessel, whose rim is at ${mm(depth)}`] as const]
      : []),
    ...(s.differential > s.height
      ? [['differential', phrase`it would go back below the floor: the differential is more than its height`] as const]
      : []),
  ],
  trips: (s) => ({ rise: s.height, fall: s.height - s.differential }),
  moved: (s, by) => ({ ...s, height: s.height + by }),
  widened: () => null,
  possible: () => true,
  range: 'height',
  setting: (s) => s.height,
  extent: (s) => [s.height - s.differential, s.height],
  measures: (s) => [{ field: 'height', label: 'switch', of: 'height', value: s.height }],
  cord: (s) => ({ from: s.height, own: 0 }),
  reach: (s, called, { depth }) => [
    under(mm(s.height), depth, depth, phrase`The ${called} sits at ${mm(s.height)}; the rim is at ${mm(depth)}.`),
    over(
      mm(s.height - s.differential),
      0,
      depth,
      phrase`The ${called} goes back at ${mm(s.height - s.differential)} above the floor.`,
    ),
  ],
  standing: () => [],
  swings: () => null,
  clipped: () => null,
  hung: ({ common, rise, system, tape }) => ({
    ...common,
    kind: 'side',
    height: tape(rise),
    differential: system === 'us' ? INCH / 2 : 0.01,
  }),
  ranges: (s) => [s],
  /** A stub through the right wall whose flap hangs, or lies level once the water is there. */
  draw(d) {
    const { layout, sensor, level } = d;
    const small = layout.detail === 'thumb';
    const wall = layout.sidesAt(sensor.height).right;
    const y = layout.yOf(sensor.height);
    const long = small ? 8 : 22;
    const [ux, uy] = level >= sensor.height ? [-1, 0] : [-0.42, 0.91];
    const root = wall - (small ? 3 : 9);
    return [
      rectangle(body(d, 'clip'), root, y - 3, wall + layout.wall - root, 6),
      lozenge(body(d, 'float'), [root, y], ux, uy, long, long * 0.56),
      ...number(d, root + (ux * long) / 2, y + (uy * long) / 2),
      ...eye(d, root - 12, y - 14),
    ];
  },
  hand: {
    how: 'Let its float hang, then lift it with a finger; listen for the click.',
    low: 'hanging',
    high: 'lifted',
    lifts: true,
    lowered: 'with a long non-conducting rod, its handle dry, push it down',
  },
});
