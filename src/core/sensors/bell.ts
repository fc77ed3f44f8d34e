import { line, path, type Shape } from '../drawing';
import { height, positive, type ValuesOf } from '../form';
import { brentRoot } from '../numeric';
import { GRAVITY } from '../physics';
import { phrase, quantity } from '../units';
import type { SensorWith } from './common';
import { body, eye, number, type Drawn } from './drawn';
import { over, sensorKind, under, type Surrounds } from './kind';

const mm = (value: number) => quantity('height', value);

const fields = {
  mouth: height('mouth, floor up', 0.2, 'the mouth of the bell', { about: 'm above the floor' }),
  height: positive('height of the bell', 'height', 0.15, 'the bell', 5, {
    about: 'height of the bell from its mouth, m',
  }),
  area: positive('area of the bell', 'area', 0.00785, 'the area of the bell', 1, { about: 'm²' }),
  air: positive('air in bell and tube', 'volume', 0.0014, 'the trapped air', 1, {
    about: 'air in bell and tube at the moment the water closes the mouth, m³',
  }),
  on: positive('switch on', 'pressure', 3000, 'the pressure on', 1e6, { about: 'Pa above the air of the pit' }),
  off: positive('switch off', 'pressure', 1500, 'the pressure off', 1e6, { about: 'Pa above the air of the pit' }),
};

type Bell = SensorWith<'bell', typeof fields>;

/** The parts of a bell that say how its air and the water stand. */
type Dome = Pick<ValuesOf<typeof fields>, 'air' | 'area' | 'mouth'>;

/**
 * How far the water has come up inside a bell whose air is at `pressure` Pa above the pit's air, m. Boyle's law for the trapped
 * air: (p₀ + p)·(V − A·x) = p₀·V, so x = V/A·p/(p₀ + p).
 * Source: any text on gases, as H. D. Young and R. A. Freedman, "University Physics", 13th ed., section 18.1.
 */
export const waterInBell = (b: Pick<Dome, 'air' | 'area'>, pressure: number, airPressure: number): number =>
  ((b.air / b.area) * pressure) / (airPressure + pressure);

/**
 * The level of the water at which the air in a bell stands at `pressure` Pa above the pit's air, m above the floor: the mouth, what has
 * come up inside, and the head above that which holds the pressure, p/(ρ·g).
 */
export const levelForPressure = (b: Dome, pressure: number, { density, airPressure }: Surrounds): number =>
  b.mouth + waterInBell(b, pressure, airPressure) + pressure / (density * GRAVITY);

/** The pressure that the air in a bell has with the water at `level`, Pa above the pit's air: the inverse of `levelForPressure`; none below its mouth. */
export const pressureForLevel = (b: Dome, level: number, surrounds: Surrounds): number =>
  level <= b.mouth
    ? 0
    : brentRoot(
        (p) => levelForPressure(b, p, surrounds) - level,
        0,
        (level - b.mouth) * surrounds.density * GRAVITY,
        1e-6,
      );

/**
 * How far a trip of a bell moves, m, when a blocked breather holds `trapped` Pa behind its switch: the switch then acts
 * at so much more pressure in the bell.
 */
export const breatherShift = (b: Dome & Pick<Bell, 'on'>, trapped: number, surrounds: Surrounds): number =>
  levelForPressure(b, b.on + trapped, surrounds) - levelForPressure(b, b.on, surrounds);

/** A dome with its mouth down on a tube to the rim, and the water as far as it has come up inside. */
function draw(d: Drawn<Bell>): Shape[] {
  const { layout, pole, sensor, level, order } = d;
  const small = layout.detail === 'thumb';
  const x = pole + (layout.right - layout.left) * (0.1 + 0.16 * (order % 2));
  const [mouth, crown] = [layout.yOf(sensor.mouth), layout.yOf(sensor.mouth + sensor.height)];
  const half = small ? 4 : Math.max(Math.sqrt(sensor.area / Math.PI) * layout.scale, 10);
  const at = (px: number, py: number) => `${px.toFixed(1)} ${py.toFixed(1)}`;
  const shoulder = crown + half * 0.8;
  const dome = [
    `M${at(x - half, mouth)} L${at(x - half, shoulder)}`,
    `Q${at(x - half, crown)} ${at(x, crown)}`,
    `Q${at(x + half, crown)} ${at(x + half, shoulder)} L${at(x + half, mouth)} Z`,
  ].join(' ');
  const wet = level > sensor.mouth && !d.ghost && !small;
  return [
    line(body(d, 'tether'), [x, layout.rim], [x, crown]),
    path(body(d, 'float'), dome),
    ...(wet ? [line('surface', [x - half + 2, mouth - 4], [x + half - 2, mouth - 4])] : []),
    ...number(d, x, (mouth + crown) / 2),
    ...eye(d, x + half + 12, (mouth + crown) / 2),
  ];
}

/** A bell traps air; the water's head presses it against a switch that compares with the air of the pit. */
export const bell = sensorKind('bell', fields, {
  name: 'pressure bell',
  noun: 'pressure bell',
  picks: 'pressure bell',
  lead: 'tube',
  switchIn: 'panel',
  noMotor: 'a pressure switch is no float on a cord',
  cost: 2,
  faults: ['stuck-up', 'stuck-down', 'tube-leak', 'breather', 'welded'],
  settings: ['trappedPressure', 'airPressure'],
  note(sensor, settings, surrounds) {
    const shift = breatherShift(sensor, settings.trappedPressure, surrounds);
    return phrase`A blocked breather that holds so much moves this trip ${mm(Math.abs(shift))} ${shift < 0 ? 'down' : 'up'}: the breather is part of the float.`;
  },
  contradictions: (s, depth) => [
    ...(s.mouth > depth
      ? [
          [
            'mouth',
            phrase`the mouth of the bell at ${mm(s.mouth)} is outside the vessel, whose rim is at ${mm(depth)}`,
          ] as const,
        ]
      : []),
    ...(s.off >= s.on
      ? [['off', phrase`the pressure off must be below the pressure on, ${quantity('pressure', s.on)}`] as const]
      : []),
    ...(s.air < s.area * s.height * 0.999
      ? [
          [
            'air',
            phrase`the trapped air is less than the bell alone holds, ${quantity('volume', s.area * s.height)}: it is bell and tube together`,
          ] as const,
        ]
      : []),
  ],
  trips: (b, surrounds) => ({
    rise: levelForPressure(b, b.on, surrounds),
    fall: levelForPressure(b, b.off, surrounds),
  }),
  moved: (b, by) => ({ ...b, mouth: b.mouth + by }),
  widened: () => null,
  possible: () => true,
  range: 'mouth',
  setting: (b) => b.mouth,
  extent: (b) => [b.mouth, b.mouth + b.height],
  measures: (b) => [{ field: 'mouth', label: 'bell mouth', of: 'height', value: b.mouth }],
  cord: (b) => ({ from: b.mouth, own: 0 }),
  reach(b, called, { depth, ...surrounds }) {
    const [rise, fall] = [levelForPressure(b, b.on, surrounds), levelForPressure(b, b.off, surrounds)];
    const inside = waterInBell(b, b.on, surrounds.airPressure);
    return [
      under(
        mm(rise),
        depth,
        depth,
        phrase`The ${called} acts with the water at ${mm(rise)}; the rim is at ${mm(depth)}.`,
      ),
      over(
        mm(fall),
        b.mouth,
        b.height,
        phrase`The ${called} goes back with the water at ${mm(fall)}; below its mouth, at ${mm(b.mouth)}, it lets its air go.`,
      ),
      under(
        mm(inside),
        b.height,
        b.height,
        phrase`At its trip the water has come up ${mm(inside)} inside the ${called}, which is ${mm(b.height)} high; higher, it would enter the tube.`,
      ),
    ];
  },
  standing: (b) => [{ name: 'bell', diameter: 2 * Math.sqrt(b.area / Math.PI), from: b.mouth, to: b.mouth + b.height }],
  swings: () => null,
  clipped: () => null,
  hung({ common, rise, fall, surrounds, tape }) {
    const area = (Math.PI / 4) * 0.01;
    const dome = { area, height: 0.15, air: area * 0.15 + 0.0002, mouth: tape(Math.max(fall - 0.1, 0)) };
    const pascals = (level: number) => Math.round(pressureForLevel(dome, level, surrounds));
    return { ...common, kind: 'bell', ...dome, on: pascals(rise), off: pascals(fall) };
  },
  ranges: (b) => [b],
  draw,
  trapped: (b, pascals) => ({ ...b, on: b.on + pascals, off: b.off + pascals }),
  hand: {
    how: 'Take the tube off the bell; blow gently into it, then let go; listen for the click.',
    low: 'let go',
    high: 'blown',
    lifts: false,
    lowered: null,
  },
});
