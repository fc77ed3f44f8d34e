import { dutyOf, traitsOf } from '../duties';
import { phrase, quantity } from '../units';
import type { Contradiction } from './contradiction';
import { curveProblems } from './curveProblems';
import { depthOf } from './depthOf';
import { inflowContradictions } from './inflowContradictions';
import type { Laterals, Segment, Station } from './schema';
import { sensorContradictions } from './sensorContradictions';
import { shapeContradictions } from './shapeContradictions';

const mm = (value: number) => quantity('height', value);
const lengthOf = (segments: readonly Segment[]) => segments.reduce((sum, s) => sum + s.length, 0);

function* vesselContradictions({ vessel, obstacles }: Station): Generator<Contradiction> {
  const depth = depthOf(vessel.shape);
  if (vessel.overflow > depth) {
    yield {
      path: ['vessel', 'overflow'],
      sentence: phrase`the overflow at ${mm(vessel.overflow)} is above the rim, which is ${mm(depth)} above the floor`,
    };
  }
  if (vessel.inletInvert >= depth) {
    yield {
      path: ['vessel', 'inletInvert'],
      sentence: phrase`the inlet invert at ${mm(vessel.inletInvert)} is not below the rim at ${mm(depth)}`,
    };
  }
  for (const [i, o] of obstacles.entries()) {
    if (o.to <= o.from)
      yield {
        path: ['obstacles', i, 'to'],
        sentence: phrase`the head of ${o.name} must be above its foot at ${mm(o.from)}`,
      };
  }
}

function* pumpContradictions(station: Station): Generator<Contradiction> {
  const { vessel, pumps, discharge } = station;
  const depth = depthOf(vessel.shape);
  const { mover } = traitsOf(station);
  const inVessel = mover.kind === 'pump' && mover.stands === 'in-vessel';
  for (const [i, pump] of pumps.entries()) {
    if (pump.volute <= pump.intake)
      yield {
        path: ['pumps', i, 'volute'],
        sentence: phrase`the top of the volute must be above the intake at ${mm(pump.intake)}`,
      };
    if (pump.motorTop < pump.volute)
      yield {
        path: ['pumps', i, 'motorTop'],
        sentence: phrase`the top of the motor cannot be below the top of the volute at ${mm(pump.volute)}`,
      };
    if (inVessel && pump.motorTop > depth)
      yield {
        path: ['pumps', i, 'motorTop'],
        sentence: phrase`the pump stands out of the vessel: the top of its motor is above the rim at ${mm(depth)}`,
      };
    for (const { index, sentence } of curveProblems(pump.curve)) yield { path: ['pumps', i, 'curve', index], sentence };
  }
  // Two pumps of one name are meant to be alike: a curve that differs is one that was mistyped.
  for (const [i, pump] of pumps.entries()) {
    const twin = pumps.findIndex((p) => p.name === pump.name);
    if (twin < i && JSON.stringify(pumps[twin]!.curve) !== JSON.stringify(pump.curve)) {
      yield {
        path: ['pumps', i, 'curve'],
        sentence: phrase`pumps ${String(twin + 1)} and ${String(i + 1)} are both called “${pump.name}” but their curves contradict each other: give them one curve, or two names`,
      };
    }
  }
  if (inVessel && discharge.weepHole && discharge.weepHole.height > depth) {
    yield {
      path: ['discharge', 'weepHole', 'height'],
      sentence: phrase`the weep hole is above the rim at ${mm(depth)}: its water would not fall back into the vessel`,
    };
  }
}

function* segmentContradictions(
  segments: readonly Segment[],
  path: readonly (string | number)[],
  weep: number | null,
): Generator<Contradiction> {
  for (const [i, s] of segments.entries()) {
    if (s.roughness >= s.bore / 20)
      yield {
        path: [...path, i, 'roughness'],
        sentence: phrase`the roughness is more than a twentieth of the bore: no friction formula holds there`,
      };
    if (s.wall !== null && s.wall > s.bore)
      yield { path: [...path, i, 'wall'], sentence: phrase`the wall is thicker than the bore` };
    if (weep !== null && weep >= s.bore)
      yield { path: ['discharge', 'weepHole', 'diameter'], sentence: phrase`the weep hole is as wide as the pipe` };
  }
}

function* lateralContradictions(laterals: Laterals): Generator<Contradiction> {
  const at = (field: string) => ['discharge', 'laterals', field];
  if (laterals.orifice >= laterals.bore)
    yield {
      path: at('orifice'),
      sentence: phrase`the orifices are as wide as the lateral, ${quantity('bore', laterals.bore)}`,
    };
  if (laterals.roughness >= laterals.bore / 20)
    yield {
      path: at('roughness'),
      sentence: phrase`the roughness is more than a twentieth of the bore: no friction formula holds there`,
    };
}

/** A pump of the kind that is meant here takes no less than this share at its last flow of what it takes at none. */
const FALLS = 0.5;

function* powerContradictions({ pumps }: Station): Generator<Contradiction> {
  for (const [i, pump] of pumps.entries()) {
    const points = pump.power ?? [];
    for (const [j, p] of points.entries()) {
      const before = points[j - 1];
      if (before && p.flow <= before.flow)
        yield {
          path: ['pumps', i, 'power', j, 'flow'],
          sentence: phrase`flows of the power points rise from one to the next`,
        };
    }
    const [first, last] = [points[0], points.at(-1)];
    if (first && last && last.power < first.power * FALLS)
      yield {
        path: ['pumps', i, 'power', points.length - 1, 'power'],
        sentence: phrase`power falls from ${quantity('power', first.power)} at no flow to ${quantity('power', last.power)} at the end: no pump of this kind takes so much less where it does most`,
      };
    if (pump.minimumFlow !== null && pump.minimumFlow >= pump.curve.at(-1)!.flow)
      yield {
        path: ['pumps', i, 'minimumFlow'],
        sentence: phrase`the least flow is past the last point of its curve: it could never be run`,
      };
  }
}

function* dischargeContradictions({ pumps, discharge, settings }: Station): Generator<Contradiction> {
  const { segments, checkValve, weepHole, highPoint, laterals, exposed } = discharge;
  const weep = weepHole?.diameter ?? null;
  yield* segmentContradictions(segments, ['discharge', 'segments'], weep);
  for (const [i, pump] of pumps.entries()) yield* segmentContradictions(pump.riser, ['pumps', i, 'riser'], weep);
  const pipe = lengthOf(segments) + Math.max(0, ...pumps.map((p) => lengthOf(p.riser)));
  const long = (at: number) =>
    phrase`${quantity('distance', at)} along a line that is only ${quantity('distance', pipe)} long`;
  if (checkValve && checkValve.pipeBefore > pipe)
    yield {
      path: ['discharge', 'checkValve', 'pipeBefore'],
      sentence: phrase`the check valve is ${long(checkValve.pipeBefore)}`,
    };
  if (highPoint && highPoint.along > pipe)
    yield { path: ['discharge', 'highPoint', 'along'], sentence: phrase`the high point is ${long(highPoint.along)}` };
  if (highPoint && highPoint.height <= discharge.outlet)
    yield {
      path: ['discharge', 'highPoint', 'height'],
      sentence: phrase`the high point at ${quantity('head', highPoint.height)} is not above the outlet at ${quantity('head', discharge.outlet)}: then it is none`,
    };
  if (exposed > pipe)
    yield {
      path: ['discharge', 'exposed'],
      sentence: phrase`more of the line runs in the open than there is of it: ${quantity('distance', pipe)}`,
    };
  if (laterals) yield* lateralContradictions(laterals);
  if (settings.velocityMax <= settings.velocityMin)
    yield { path: ['settings', 'velocityMax'], sentence: phrase`must be more than the least velocity` };
}

function* dutyContradictions({ duty, vessel }: Station): Generator<Contradiction> {
  for (const [field, sentence] of dutyOf(duty).contradictions?.(duty, vessel) ?? [])
    yield { path: ['duty', field], sentence };
}

function* supplyContradictions({ supply, profile }: Station): Generator<Contradiction> {
  if (supply.source === 'split' && profile === 'metric-230')
    yield {
      path: ['supply', 'source'],
      sentence: phrase`two legs with a neutral between them belong to supplies of 120/240 V: take line and neutral, or three legs`,
    };
  const single = profile === 'metric-230' ? 300 : 180;
  if (supply.source === 'single' && supply.voltage > single)
    yield {
      path: ['supply', 'voltage'],
      sentence: phrase`${quantity('voltage', supply.voltage)} from line to neutral is no common supply: are there two or three legs?`,
    };
  if (supply.source !== 'single' && supply.voltage < 150)
    yield {
      path: ['supply', 'voltage'],
      sentence: phrase`between legs there is more than ${quantity('voltage', supply.voltage)}: this is a voltage of line to neutral`,
    };
}

/** Everything in a well-formed document that contradicts something else in it: each with its path and a sentence. */
export function* contradictions(station: Station): Generator<Contradiction> {
  yield* shapeContradictions(station.vessel);
  yield* vesselContradictions(station);
  yield* dutyContradictions(station);
  yield* inflowContradictions(station.inflow);
  yield* pumpContradictions(station);
  yield* powerContradictions(station);
  yield* dischargeContradictions(station);
  yield* sensorContradictions(station);
  yield* supplyContradictions(station);
}
