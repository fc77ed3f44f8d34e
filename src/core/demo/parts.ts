import { FLOAT_ANGLES, type Sensor, type SensorOf, type SensorRole } from '../sensors';
import { newStation, type Station } from '../station';
import { GALLON } from '../units';

/** Shorthand that the demo stations share; all of it invented. */

export const LITRES = 1e-3;
export const GPM = GALLON / 60;
export const LANDING = 'Skerry Landing';
export const DEPOT = 'Cutbank Depot';

type Metric = Omit<SensorOf<'tilt'>, 'kind' | 'id' | 'role'>;

const NARROW: Metric = {
  duty: 'control',
  contact: 'closes-on-rise',
  changeover: false,
  contactRating: 1,
  cordLength: 10,
  place: { from: 'pole', bearing: 0, offset: 0.02 },
  clip: 0.5,
  tether: 0.1,
  body: 0.1,
  thickness: 0.08,
  riseDeg: FLOAT_ANGLES.control,
  fallDeg: FLOAT_ANGLES.control,
  measured: null,
  weight: null,
};

/** A tilt float on the pole: narrow unless said otherwise. */
export function float(role: SensorRole, clip: number, bearing: number, more: Partial<Metric> = {}): SensorOf<'tilt'> {
  return { ...NARROW, id: role, role, kind: 'tilt', clip, place: { from: 'pole', bearing, offset: 0.02 }, ...more };
}

/** A bracket of its own on the wall or a rail, and the way the tether leads from it. */
export const bracket = (bearing: number, offset: number, facing: number): { place: Metric['place'] } => ({
  place: { from: 'axis', bearing, offset, facing },
});

/** A tilt float that carries the motor. */
export const motorFloat = (
  clip: number,
  tether: number,
  bearing: number,
  contactRating: number,
  more: Partial<Metric> = {},
): SensorOf<'tilt'> =>
  float('pump', clip, bearing, {
    duty: 'motor',
    contactRating,
    tether,
    riseDeg: FLOAT_ANGLES.motor,
    fallDeg: FLOAT_ANGLES.motor,
    ...more,
  });

/** What a sensor of another kind shares with the floats. */
export const sensorBase = (
  role: SensorRole,
  bearing: number,
): Omit<Sensor, 'kind' | keyof Metric> &
  Pick<Metric, 'duty' | 'contact' | 'changeover' | 'contactRating' | 'cordLength' | 'place'> => ({
  id: role,
  role,
  duty: NARROW.duty,
  contact: NARROW.contact,
  changeover: NARROW.changeover,
  contactRating: NARROW.contactRating,
  cordLength: NARROW.cordLength,
  place: { from: 'pole', bearing, offset: 0.02 },
});

const CONTACTS: Readonly<Record<string, string>> = {
  [LANDING]: 'harbour office, extension 14',
  [DEPOT]: 'yard foreman, board 2',
};

/** A new station of a site with its contact and a note, ready to be changed. */
export function begin(name: string, site: string, note: string): Station {
  const s = newStation(name, site, site === DEPOT ? 'us-120' : 'metric-230');
  return { ...s, identity: { ...s.identity, contact: CONTACTS[site] ?? '', note } };
}

/** Drawn plastic pipe with its fittings by name and count. */
export function plastic(
  name: string,
  length: number,
  bore: number,
  fittings: Readonly<Record<string, readonly [k: number, count: number]>>,
): Station['discharge']['segments'][number] {
  return {
    name,
    length,
    bore,
    roughness: 1.5e-6,
    hazenWilliams: 150,
    material: null,
    wall: null,
    fittings: Object.entries(fittings).map(([n, [k, count]]) => ({ name: n, k, count })),
  };
}

/** A curve from pairs of flow and head, in units given as SI. */
export const curve = (
  flow: number,
  head: number,
  points: readonly (readonly [number, number])[],
): Station['pumps'][number]['curve'] => points.map(([q, h]) => ({ flow: q * flow, head: h * head }));
