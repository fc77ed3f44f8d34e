import { phrase, quantity } from '../units';
import type { Contradiction } from './contradiction';
import { curveProblems } from './curveProblems';
import { depthOf } from './depthOf';
import type { Sensor, Station } from './schema';
import { shapeContradictions } from './shapeContradictions';

const mm = (value: number) => quantity('height', value);

function* vesselContradictions({ vessel, pumps, discharge }: Station): Generator<Contradiction> {
  const depth = depthOf(vessel.shape);
  if (vessel.overflow > depth) {
    yield { path: ['vessel', 'overflow'], says: phrase`the overflow at ${mm(vessel.overflow)} is above the rim, which is ${mm(depth)} above the floor` };
  }
  if (vessel.inletInvert >= depth) {
    yield { path: ['vessel', 'inletInvert'], says: phrase`the inlet invert at ${mm(vessel.inletInvert)} is not below the rim at ${mm(depth)}` };
  }
  for (const [i, pump] of pumps.entries()) {
    if (pump.volute <= pump.intake) yield { path: ['pumps', i, 'volute'], says: phrase`the top of the volute must be above the intake at ${mm(pump.intake)}` };
    if (pump.motorTop < pump.volute) yield { path: ['pumps', i, 'motorTop'], says: phrase`the top of the motor cannot be below the top of the volute at ${mm(pump.volute)}` };
    if (pump.motorTop > depth) yield { path: ['pumps', i, 'motorTop'], says: phrase`the pump stands out of the vessel: the top of its motor is above the rim at ${mm(depth)}` };
  }
  if (discharge.weepHole && discharge.weepHole.height > depth) {
    yield { path: ['discharge', 'weepHole', 'height'], says: phrase`the weep hole is above the rim at ${mm(depth)}: its water would not fall back into the vessel` };
  }
}

function* flowContradictions({ inflow, pumps, discharge, settings }: Station): Generator<Contradiction> {
  if (inflow.design < inflow.low) yield { path: ['inflow', 'design'], says: phrase`the design inflow is less than the low inflow of ${quantity('flow', inflow.low)}` };
  if (inflow.peak < inflow.design) yield { path: ['inflow', 'peak'], says: phrase`the peak inflow is less than the design inflow of ${quantity('flow', inflow.design)}` };
  for (const [i, pump] of pumps.entries()) {
    for (const { index, says } of curveProblems(pump.curve)) yield { path: ['pumps', i, 'curve', index], says };
  }
  const pipe = discharge.segments.reduce((sum, s) => sum + s.length, 0);
  if (discharge.checkValve && discharge.checkValve.pipeBefore > pipe) {
    yield { path: ['discharge', 'checkValve', 'pipeBefore'], says: phrase`the check valve is ${quantity('distance', discharge.checkValve.pipeBefore)} along a line that is only ${quantity('distance', pipe)} long` };
  }
  for (const [i, s] of discharge.segments.entries()) {
    if (s.roughness >= s.bore / 20) yield { path: ['discharge', 'segments', i, 'roughness'], says: phrase`the roughness is more than a twentieth of the bore: no friction formula holds there` };
    if (discharge.weepHole && discharge.weepHole.diameter >= s.bore) yield { path: ['discharge', 'weepHole', 'diameter'], says: phrase`the weep hole is as wide as the pipe` };
  }
  if (settings.velocityMax <= settings.velocityMin) yield { path: ['settings', 'velocityMax'], says: phrase`must be more than the least velocity` };
}

function* sensorContradictions(sensor: Sensor, depth: number): Generator<Contradiction> {
  if (sensor.kind === 'tilt') {
    if (sensor.clip > depth) yield { path: ['clip'], says: phrase`the clip at ${mm(sensor.clip)} is outside the vessel, whose rim is at ${mm(depth)}` };
    if (sensor.tether + sensor.body > depth) yield { path: ['tether'], says: phrase`the tether and body together are ${mm(sensor.tether + sensor.body)}: longer than the pit, which is ${mm(depth)} deep` };
    if (sensor.cordLength < sensor.tether) yield { path: ['cordLength'], says: phrase`the cord is shorter than its own tether of ${mm(sensor.tether)}` };
  } else {
    if (sensor.upperStop > depth) yield { path: ['upperStop'], says: phrase`the upper stop at ${mm(sensor.upperStop)} is outside the vessel, whose rim is at ${mm(depth)}` };
    if (sensor.lowerStop >= sensor.upperStop) yield { path: ['lowerStop'], says: phrase`the lower stop must be below the upper stop at ${mm(sensor.upperStop)}` };
  }
}

/** Everything in a well-formed document that contradicts something else in it: each with its path and a sentence. */
export function* contradictions(station: Station): Generator<Contradiction> {
  yield* shapeContradictions(station.vessel);
  yield* vesselContradictions(station);
  yield* flowContradictions(station);
  const seen = new Set<string>();
  const roles = new Set<string>();
  for (const [i, sensor] of station.sensors.entries()) {
    if (seen.has(sensor.id)) yield { path: ['sensors', i, 'id'], says: phrase`two floats are called “${sensor.id}”` };
    seen.add(sensor.id);
    if (roles.has(sensor.role)) yield { path: ['sensors', i, 'role'], says: phrase`there is already ${sensor.role === 'pump' ? 'a pump float' : 'an alarm float'}: one of each in this version` };
    roles.add(sensor.role);
    if (sensor.role === 'pump' && sensor.contact === 'opens-on-rise') {
      yield { path: ['sensors', i, 'contact'], says: phrase`a float that opens on rise (NC hanging) would run the pump dry and stop it as the water comes: an emptying pump needs one that closes on rise (NO hanging)` };
    }
    for (const c of sensorContradictions(sensor, depthOf(station.vessel.shape))) yield { ...c, path: ['sensors', i, ...c.path] };
  }
  if (!roles.has('pump')) yield { path: ['sensors'], says: phrase`no float runs the pump` };
}
