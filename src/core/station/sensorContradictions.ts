import { phrase, quantity, type Phrase } from '../units';
import type { Contradiction } from './contradiction';
import { depthOf } from './depthOf';
import type { Sensor, SensorOf, SensorRole, Station } from './schema';

const mm = (value: number) => quantity('height', value);
type Said = readonly [field: string, says: Phrase];

const outside = (what: string, at: number, depth: number): Phrase =>
  phrase`the ${what} at ${mm(at)} is outside the vessel, whose rim is at ${mm(depth)}`;

/** What a sensor of each kind may not contradict in itself, in a vessel so deep. */
const OWN: { readonly [K in Sensor['kind']]: (sensor: SensorOf<K>, depth: number) => Generator<Said> } = {
  *tilt(s, depth) {
    if (s.clip > depth) yield ['clip', outside('clip', s.clip, depth)];
    if (s.tether + s.body > depth)
      yield [
        'tether',
        phrase`the tether and body together are ${mm(s.tether + s.body)}: longer than the pit, which is ${mm(depth)} deep`,
      ];
    if (s.cordLength < s.tether)
      yield ['cordLength', phrase`the cord is shorter than its own tether of ${mm(s.tether)}`];
    if (s.thickness > s.body)
      yield [
        'thickness',
        phrase`the body is thicker than it is long, ${mm(s.body)}: a tilt float is longer than thick`,
      ];
  },
  *rod(s, depth) {
    if (s.upperStop > depth) yield ['upperStop', outside('upper stop', s.upperStop, depth)];
    if (s.lowerStop >= s.upperStop)
      yield ['lowerStop', phrase`the lower stop must be below the upper stop at ${mm(s.upperStop)}`];
  },
  *side(s, depth) {
    if (s.height > depth) yield ['height', outside('switch', s.height, depth)];
    if (s.differential > s.height)
      yield ['differential', phrase`it would go back below the floor: the differential is more than its height`];
  },
  *bell(s, depth) {
    if (s.mouth > depth) yield ['mouth', outside('mouth of the bell', s.mouth, depth)];
    if (s.off >= s.on)
      yield ['off', phrase`the pressure off must be below the pressure on, ${quantity('pressure', s.on)}`];
    if (s.air < s.area * s.height * 0.999)
      yield [
        'air',
        phrase`the trapped air is less than the bell alone holds, ${quantity('volume', s.area * s.height)}: it is bell and tube together`,
      ];
  },
  *transmitter(s, depth) {
    if (s.zero > depth) yield ['zero', outside('transmitter', s.zero, depth)];
    if (s.off >= s.on) yield ['off', phrase`the lower threshold must be below the upper one at ${mm(s.on)}`];
  },
};

const ROLE_WORDS: Readonly<Record<SensorRole, string>> = {
  pump: 'a pump float',
  stop: 'a stop float',
  lead: 'a lead float',
  lag: 'a lag float',
  lag2: 'a second lag float',
  alarm: 'an alarm float',
  low: 'a redundant off or low alarm',
  peak: 'a peak float',
  cutoff: 'a cut-off',
};

/** Why a role has nothing to do at this station, or null. */
function idle(role: SensorRole, { duty, pumps }: Station): Phrase | null {
  const valve = duty.kind === 'fill' && duty.from.kind === 'valve';
  if (
    (role === 'lag' && pumps.length < 2) ||
    (role === 'lag2' && pumps.length < 3) ||
    (valve && (role === 'lag' || role === 'lag2'))
  )
    return phrase`${ROLE_WORDS[role]} calls a pump that is not there: ${valve ? 'the tank is filled through a valve' : `this station has ${pumps.length}`}`;
  if (role === 'peak' && !(duty.kind === 'dose' && duty.mode === 'timed'))
    return phrase`a peak float shortens the rest of a dosing timer; there is none here`;
  if (role === 'cutoff' && duty.kind === 'fill')
    return phrase`a cut-off stops what makes the water; a tank that is filled has its stop for that`;
  return null;
}

/** A float that controls the pump must close its contact when the pump is wanted: on the rise to empty, on the fall to fill. */
function wrongWay({ role, contact }: Sensor, { duty }: Station): Phrase | null {
  if (!['pump', 'stop', 'lead', 'lag', 'lag2'].includes(role)) return null;
  if (duty.kind === 'fill')
    return contact === 'closes-on-rise'
      ? phrase`a float that closes on rise (NO hanging) would fill a full tank and leave an empty one: filling needs one that opens on rise (NC hanging)`
      : null;
  return contact === 'opens-on-rise'
    ? phrase`a float that opens on rise (NC hanging) would run the pump dry and stop it as the water comes: an emptying pump needs one that closes on rise (NO hanging)`
    : null;
}

function* oneSensor(sensor: Sensor, station: Station): Generator<Contradiction> {
  const depth = depthOf(station.vessel.shape);
  const own = OWN[sensor.kind] as (s: Sensor, depth: number) => Generator<Said>;
  for (const [field, says] of own(sensor, depth)) yield { path: [field], says };
  const none = idle(sensor.role, station);
  if (none) yield { path: ['role'], says: none };
  const wrong = wrongWay(sensor, station);
  if (wrong) yield { path: ['contact'], says: wrong };
}

/** Everything that contradicts itself among the sensors, and what is missing to start and stop the pump. */
export function* sensorContradictions(station: Station): Generator<Contradiction> {
  const ids = new Set<string>();
  const roles = new Set<SensorRole>();
  for (const [i, sensor] of station.sensors.entries()) {
    if (ids.has(sensor.id)) yield { path: ['sensors', i, 'id'], says: phrase`two floats are called “${sensor.id}”` };
    ids.add(sensor.id);
    if (roles.has(sensor.role))
      yield { path: ['sensors', i, 'role'], says: phrase`there is already ${ROLE_WORDS[sensor.role]}: one of each` };
    roles.add(sensor.role);
    for (const c of oneSensor(sensor, station)) yield { ...c, path: ['sensors', i, ...c.path] };
  }
  if (roles.has('pump') && (roles.has('stop') || roles.has('lead'))) {
    yield {
      path: ['sensors'],
      says: phrase`a pump float starts and stops the pump with its two trips; stop and lead floats do it with two: have one or the other`,
    };
  } else if (!roles.has('pump') && !(roles.has('stop') && roles.has('lead'))) {
    yield {
      path: ['sensors'],
      says: roles.has('stop')
        ? phrase`nothing starts the pump: a lead float is missing`
        : roles.has('lead')
          ? phrase`nothing stops the pump: a stop float is missing`
          : phrase`no float runs the pump`,
    };
  }
}
