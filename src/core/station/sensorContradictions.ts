import { traitsOf, wayOf } from '../duties';
import { kindOf, ROLE, type Sensor, type SensorRole } from '../sensors';
import { phrase, type Phrase } from '../units';
import type { Contradiction } from './contradiction';
import { depthOf } from './depthOf';
import type { Station } from './schema';

/** Why a role has nothing to do at this station, or null. */
function idle(role: SensorRole, station: Station): Phrase | null {
  const { one, calls } = ROLE[role];
  const { mover, roles, timer } = traitsOf(station);
  const valve = mover.kind === 'valve';
  if (calls !== null && calls > 1 && (valve || calls > station.pumps.length))
    return phrase`${one} calls a pump that is not there: ${valve ? 'the tank is filled through a valve' : `this station has ${station.pumps.length}`}`;
  if (ROLE[role].controls || roles.includes(role)) return null;
  if (role === 'peak' && timer === null)
    return phrase`a peak float shortens the rest of a dosing timer; there is none here`;
  return phrase`a cut-off stops what makes the water; a tank that is filled has its stop for that`;
}

/** A float that controls the pump must close its contact when the pump is wanted: on the rise to empty, on the fall to fill. */
const WRONG_WAY = {
  empty: phrase`a float that opens on rise (NC hanging) would run the pump dry and stop it as the water comes: an emptying pump needs one that closes on rise (NO hanging)`,
  fill: phrase`a float that closes on rise (NO hanging) would fill a full tank and leave an empty one: filling needs one that opens on rise (NC hanging)`,
} as const;

function wrongWay({ role, contact }: Sensor, station: Station): Phrase | null {
  const way = wayOf(station);
  return ROLE[role].controls && contact !== way.contact ? WRONG_WAY[way.direction] : null;
}

function* oneSensor(sensor: Sensor, station: Station): Generator<Contradiction> {
  const depth = depthOf(station.vessel.shape);
  for (const [field, sentence] of kindOf(sensor).contradictions(sensor, depth)) yield { path: [field], sentence };
  const none = idle(sensor.role, station);
  if (none) yield { path: ['role'], sentence: none };
  const wrong = wrongWay(sensor, station);
  if (wrong) yield { path: ['contact'], sentence: wrong };
}

/** Everything that contradicts itself among the sensors, and what is missing to start and stop the pump. */
export function* sensorContradictions(station: Station): Generator<Contradiction> {
  const ids = new Set<string>();
  const roles = new Set<SensorRole>();
  for (const [i, sensor] of station.sensors.entries()) {
    if (ids.has(sensor.id))
      yield { path: ['sensors', i, 'id'], sentence: phrase`two floats are called “${sensor.id}”` };
    ids.add(sensor.id);
    if (roles.has(sensor.role))
      yield { path: ['sensors', i, 'role'], sentence: phrase`there is already ${ROLE[sensor.role].one}: one of each` };
    roles.add(sensor.role);
    for (const c of oneSensor(sensor, station)) yield { ...c, path: ['sensors', i, ...c.path] };
  }
  if (roles.has('pump') && (roles.has('stop') || roles.has('lead'))) {
    yield {
      path: ['sensors'],
      sentence: phrase`a pump float starts and stops the pump with its two trips; stop and lead floats do it with two: have one or the other`,
    };
  } else if (!roles.has('pump') && !(roles.has('stop') && roles.has('lead'))) {
    yield {
      path: ['sensors'],
      sentence: roles.has('stop')
        ? phrase`nothing starts the pump: a lead float is missing`
        : roles.has('lead')
          ? phrase`nothing stops the pump: a stop float is missing`
          : phrase`no float runs the pump`,
    };
  }
}
