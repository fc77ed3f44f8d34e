import type { Station } from '../station';
import { bracket, figuresOf, oneLength, pilot } from './parts';

/** A header tank that a pump fills from a cistern beside it; no mains in the tank. */
export function fillExample(s: Station): Station {
  const f = figuresOf(s.profile);
  return {
    ...s,
    duty: {
      kind: 'fill',
      from: { kind: 'pump', level: -f.long(3, 10) },
      drowned: false,
      runOn: 4,
      keep: f.small(250, 10),
    },
    vessel: {
      ...s.vessel,
      shape: { kind: 'cylinder', diameter: f.long(1.2, 4), depth: f.small(1100, 44) },
      inletInvert: f.small(1020, 41),
      overflow: f.small(1000, 40),
      inletStream: null,
    },
    inflow: {
      ...s.inflow,
      source: { kind: 'steady', low: f.flow(0.01, 0.2), design: f.flow(0.1, 1.5), peak: f.flow(0.4, 6) },
    },
    discharge: {
      ...s.discharge,
      segments: oneLength(s, { name: 'rising main', length: f.long(15, 50) }),
      outlet: f.small(1050, 42),
      weepHole: null,
    },
    pole: { bearing: 90, offset: f.small(100, 4), diameter: f.small(30, 1.25) },
    sensors: [
      pilot(f, 'pump', f.small(580, 23), bracket(90, f.small(100, 4), 90), {
        contact: 'opens-on-rise',
        changeover: true,
        tether: f.small(250, 10),
        riseDeg: 45,
        fallDeg: 45,
      }),
      pilot(f, 'alarm', f.small(920, 37), bracket(270, f.small(400, 16), 180), {
        tether: f.small(80, 3.25),
        body: f.small(80, 3),
        thickness: f.small(60, 2.5),
      }),
      pilot(f, 'low', f.small(200, 8), bracket(200, f.small(400, 16), 120)),
    ],
    control: { ...s.control, scheme: 'relay', options: { switch: 'relay', low: 'dc' } },
    alarm: { ...s.alarm, low: true },
    settings: { ...s.settings, reserveTime: 30 },
  };
}
