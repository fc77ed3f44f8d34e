import { GRAVITY } from '../../hydraulics';
import { brentRoot } from '../../numeric';
import type { SensorOf } from '../../station';
import type { SensorKind, World } from './kind';

/**
 * How far the water has come up inside a bell whose air is at `pressure` Pa above the pit's air, m. Boyle's law for the trapped
 * air: (p₀ + p)·(V − A·x) = p₀·V, so x = V/A·p/(p₀ + p).
 * Source: any text on gases, as H. D. Young and R. A. Freedman, "University Physics", 13th ed., section 18.1.
 */
export const waterInBell = (b: Pick<SensorOf<'bell'>, 'air' | 'area'>, pressure: number, airPressure: number): number =>
  ((b.air / b.area) * pressure) / (airPressure + pressure);

/** The parts of a bell that say how its air and the water stand. */
type Dome = Pick<SensorOf<'bell'>, 'air' | 'area' | 'mouth'>;

/**
 * The level of the water at which the air in a bell stands at `pressure` Pa above the pit's air, m above the floor: the mouth, what has
 * come up inside, and the head above that which holds the pressure, p/(ρ·g).
 */
export const levelForPressure = (b: Dome, pressure: number, { density, airPressure }: World): number =>
  b.mouth + waterInBell(b, pressure, airPressure) + pressure / (density * GRAVITY);

/** The pressure that the air in a bell has with the water at `level`, Pa above the pit's air: the inverse of `levelForPressure`; none below its mouth. */
export const pressureForLevel = (b: Dome, level: number, world: World): number =>
  level <= b.mouth
    ? 0
    : brentRoot((p) => levelForPressure(b, p, world) - level, 0, (level - b.mouth) * world.density * GRAVITY, 1e-6);

/**
 * How far a trip of a bell moves, m, when a blocked breather holds `trapped` Pa behind its switch: the switch then acts
 * at so much more pressure in the bell.
 */
export const breatherShift = (b: SensorOf<'bell'>, trapped: number, world: World): number =>
  levelForPressure(b, b.on + trapped, world) - levelForPressure(b, b.on, world);

/** A bell traps air; the water's head presses it against a switch that compares with the air of the pit. */
export const bell: SensorKind<SensorOf<'bell'>> = {
  name: 'pressure bell',
  noun: 'bell',
  trips: (b, world) => ({ rise: levelForPressure(b, b.on, world), fall: levelForPressure(b, b.off, world) }),
  moved: (b, by) => ({ ...b, mouth: b.mouth + by }),
  widened: () => null,
  setting: (b) => b.mouth,
  extent: (b) => [b.mouth, b.mouth + b.height],
  measures: (b) => [{ field: 'mouth', label: 'bell mouth', of: 'height', value: b.mouth }],
  hand: {
    how: 'Take the tube off the bell; blow gently into it, then let go; listen for the click.',
    low: 'let go',
    high: 'blown',
  },
};
