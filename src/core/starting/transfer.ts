import type { Station } from '../station';
import { bracket, figuresOf, oneLength, pilot } from './parts';

/** A cistern whose rain is lifted to where it is used; a second float keeps the pump from running dry. */
export function transferExample(s: Station): Station {
  const f = figuresOf(s.profile);
  return {
    ...s,
    duty: { kind: 'transfer', usefulRun: f.volume(400, 100) },
    vessel: {
      ...s.vessel,
      shape: { kind: 'box', length: f.long(2.5, 8), width: f.long(1.5, 5), depth: f.small(1800, 72) },
      inletInvert: f.small(1650, 66),
      overflow: f.small(1700, 68),
      inletStream: null,
    },
    inflow: {
      ...s.inflow,
      source: { kind: 'steady', low: f.flow(0.01, 0.2), design: f.flow(0.15, 2.5), peak: f.flow(1.5, 25) },
    },
    discharge: {
      ...s.discharge,
      segments: oneLength(s, { name: 'to where it is used', length: f.long(20, 60) }),
      outlet: f.long(4, 13),
      weepHole: null,
    },
    pole: { bearing: 90, offset: f.small(300, 12), diameter: f.small(30, 1.25) },
    sensors: [
      pilot(f, 'low', f.small(200, 8), bracket(330, f.small(500, 20), 120)),
      pilot(f, 'pump', f.small(650, 26), bracket(90, f.small(400, 16), 90), {
        tether: f.small(250, 10),
        riseDeg: 45,
        fallDeg: 45,
      }),
      pilot(f, 'alarm', f.small(1500, 60), bracket(180, f.small(400, 16), 180)),
    ],
    control: { ...s.control, scheme: 'contactor' },
    settings: { ...s.settings, reserveTime: 1200 },
  };
}
