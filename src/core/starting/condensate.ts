import type { Station } from '../station';
import { bracket, figuresOf, oneLength, onRod } from './parts';

/** A reservoir under a cooling coil: a float for its small pump, and a switch that stops the coil before it spills. */
export function condensateExample(s: Station): Station {
  const f = figuresOf(s.profile);
  return {
    ...s,
    duty: { kind: 'condensate' },
    vessel: {
      ...s.vessel,
      shape: { kind: 'box', length: f.small(360, 14), width: f.small(200, 8), depth: f.small(250, 10) },
      inletInvert: f.small(230, 9),
      overflow: f.small(235, 9.25),
      inletStream: null,
    },
    inflow: {
      ...s.inflow,
      source: {
        kind: 'appliances',
        list: [{ name: 'cooling coil', rate: f.flow(0.002, 0.03), after: f.volume(0.1, 0.025), over: null }],
      },
    },
    pumps: s.pumps.map((p) => ({
      ...p,
      name: 'condensate pump',
      intake: f.small(12, 0.5),
      volute: f.small(45, 1.75),
      motorTop: f.small(100, 4),
      diameter: f.small(65, 2.5),
      curve: (
        [
          [0, 0, 6.5, 22],
          [0.04, 0.7, 5.5, 18],
          [0.08, 1.3, 4, 13],
          [0.12, 2, 2, 6],
        ] as const
      ).map(([litres, gallons, metres, feet]) => ({ flow: f.flow(litres, gallons), head: f.long(metres, feet) })),
      startsPerHour: 60,
      minimumRun: 0,
      headShare: 0.85,
      ratedCurrent: f.us ? 1.2 : 0.5,
      bearing: 270,
      offset: f.small(110, 4.5),
      riserBearing: 270,
      riserOffset: f.small(150, 6),
    })),
    discharge: {
      ...s.discharge,
      segments: oneLength(s, {
        name: 'tube to the drain',
        length: f.long(9, 30),
        bore: f.small(9.5, 0.375),
        fittings: [{ name: '90° elbow', k: 0.95, count: 3 }],
      }),
      outlet: f.long(2.7, 9),
      checkValve: { pipeBefore: f.long(0.05, 0.25) },
      weepHole: null,
    },
    pole: { bearing: 90, offset: f.small(100, 4), diameter: f.small(12, 0.5) },
    sensors: [
      onRod(f, 'pump', [f.small(58, 2.25), f.small(134, 5.25)], bracket(90, f.small(25, 1), 0)),
      onRod(f, 'cutoff', [f.small(190, 7.5), f.small(210, 8.25)], bracket(90, f.small(100, 4), 0), {
        changeover: true,
      }),
    ],
    cordRun: f.long(1, 3),
    control: { ...s.control, scheme: 'condensate' },
    interlocks: [{ kind: 'cutoff', name: 'cooling coil', acts: 'low-voltage', volts: 24, amps: 0.4, warns: true }],
    alarm: { ...s.alarm, horn: false, lamp: true, silence: false, battery: false },
    settings: { ...s.settings, submergence: 'volute', minimumGap: f.small(20, 0.75) },
  };
}
