import { FLOAT_ANGLES, type Sensor, type SensorOf, type SensorRole } from '../sensors';
import type { Station } from '../station';
import { FOOT, GALLON, INCH, type Profile } from '../units';

/*
 * What the examples share. Each figure is given twice, in millimetres or metres and in inches or feet, so that both profiles begin with round ones.
 */

/** Figures of a profile: the metric one, or the other. */
export interface Figures {
  readonly us: boolean;
  /** m: millimetres, or inches. */
  small(millimetres: number, inches: number): number;
  /** m: metres, or feet. */
  long(metres: number, feet: number): number;
  /** m³/s: litres a second, or gallons a minute. */
  flow(litres: number, gallons: number): number;
  /** m³: litres, or gallons. */
  volume(litres: number, gallons: number): number;
}

export function figuresOf(profile: Profile): Figures {
  const us = profile === 'us-120';
  return {
    us,
    small: (millimetres, inches) => (us ? inches * INCH : millimetres / 1000),
    long: (metres, feet) => (us ? feet * FOOT : metres),
    flow: (litres, gallons) => (us ? (gallons * GALLON) / 60 : litres / 1000),
    volume: (litres, gallons) => (us ? gallons * GALLON : litres / 1000),
  };
}

type Bracket = Pick<SensorOf<'tilt'>, 'place'>;

/** A bracket on the wall, away from the pump. */
export const bracket = (bearing: number, offset: number, facing: number): Bracket => ({
  place: { from: 'axis', bearing, offset, facing },
});

/** A narrow tilt float that works the panel. */
export function pilot(
  f: Figures,
  role: SensorRole,
  clip: number,
  place: Bracket,
  over: Partial<SensorOf<'tilt'>> = {},
): Sensor {
  return {
    id: role,
    role,
    kind: 'tilt',
    duty: 'control',
    contact: 'closes-on-rise',
    changeover: false,
    contactRating: 1,
    cordLength: f.long(10, 30),
    clip,
    tether: f.small(100, 4),
    body: f.small(100, 4),
    thickness: f.small(80, 3),
    riseDeg: FLOAT_ANGLES.control,
    fallDeg: FLOAT_ANGLES.control,
    measured: null,
    weight: null,
    ...place,
    ...over,
  };
}

/** A float on a rod with stops. */
export function onRod(
  f: Figures,
  role: SensorRole,
  [lowerStop, upperStop]: readonly [number, number],
  place: Bracket,
  over: Partial<SensorOf<'rod'>> = {},
): Sensor {
  return {
    id: role,
    role,
    kind: 'rod',
    duty: 'control',
    contact: 'closes-on-rise',
    changeover: false,
    contactRating: 3,
    cordLength: f.long(3, 10),
    latch: 'snap',
    lowerStop,
    upperStop,
    ...place,
    ...over,
  };
}

/** The one length of a line. */
export const oneLength = (s: Station, over: Partial<Station['discharge']['segments'][number]>) => [
  { ...s.discharge.segments[0]!, ...over },
];
