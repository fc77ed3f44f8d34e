import type { Station } from '../station';
import { bracket, figuresOf, oneLength, pilot } from './parts';

/** A timer doses a bed of four laterals. */
export function doseExample(s: Station): Station {
  const f = figuresOf(s.profile);
  return {
    ...s,
    duty: {
      kind: 'dose',
      mode: 'timed',
      dosesPerDay: 6,
      on: 45,
      off: 3600,
      peakOff: 2100,
      minimumRest: 1200,
      peakDay: 1.5,
      surge: 3600,
    },
    vessel: {
      ...s.vessel,
      shape: { kind: 'box', length: f.long(2, 6.5), width: f.long(1.2, 4), depth: f.small(1700, 67) },
      inletInvert: f.small(1350, 53),
      overflow: f.small(1600, 63),
      inletStream: null,
    },
    inflow: {
      ...s.inflow,
      source: { kind: 'steady', low: f.flow(0.005, 0.1), design: f.flow(0.03, 0.5), peak: f.flow(0.06, 1) },
    },
    pumps: s.pumps.map((p) => ({ ...p, offset: f.small(500, 20), riserBearing: 285, riserOffset: f.small(720, 28) })),
    discharge: {
      ...s.discharge,
      segments: oneLength(s, { name: 'to the bed', length: f.long(22, 70), bore: f.small(51.4, 2) }),
      outlet: f.long(2.2, 7),
      weepHole: { diameter: f.small(5, 0.1875), height: f.small(350, 14) },
      laterals: {
        count: 4,
        length: f.long(9, 30),
        bore: f.small(27.2, 1),
        roughness: 1.5e-6,
        hazenWilliams: 150,
        orifices: 12,
        orifice: f.small(5, 0.1875),
        coefficient: 0.6,
        squirt: f.small(900, 36),
      },
    },
    pole: { bearing: 90, offset: f.small(300, 12), diameter: f.small(40, 1.5) },
    sensors: [
      pilot(f, 'low', f.small(260, 10.25), bracket(330, f.small(300, 12), 120)),
      pilot(
        f,
        'pump',
        f.small(600, 24),
        { place: { from: 'pole', bearing: 180, offset: f.small(20, 0.75) } },
        { tether: f.small(120, 5), riseDeg: 20, fallDeg: 20 },
      ),
      pilot(f, 'peak', f.small(950, 37.5), bracket(240, f.small(300, 12), 15)),
      pilot(f, 'alarm', f.small(1200, 47), { place: { from: 'pole', bearing: 180, offset: f.small(20, 0.75) } }),
    ],
    control: { ...s.control, scheme: 'doser' },
    alarm: { ...s.alarm, low: true },
    settings: { ...s.settings, reserveTime: 3600 },
  };
}
