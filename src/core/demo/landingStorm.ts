import type { Station } from '../station';
import { begin, curve, float, LANDING, LITRES, plastic } from './parts';

const MINUTE = 60;

/** The storm sump under the passenger underpass: two pumps that take turns, four narrow floats, a storm of the records. */
export function underpass(): Station {
  const s = begin(
    'Underpass storm sump',
    LANDING,
    'The lowest point of the landing. Two pumps, four floats, link out.',
  );
  const pump = {
    ...s.pumps[0]!,
    name: 'storm pump, 2.2 kW',
    intake: 0.1,
    volute: 0.3,
    motorTop: 0.62,
    diameter: 0.34,
    curve: curve(LITRES, 1, [
      [0, 14.5],
      [5, 13],
      [10, 10.6],
      [15, 7.2],
      [19, 2.8],
    ]),
    startsPerHour: 12,
    minimumRun: 45,
    ratedCurrent: 4.9,
    riser: [
      plastic('riser', 4, 0.1016, {
        '90° elbow': [0.95, 2],
        'swing check valve': [2.1, 1],
        'gate valve, open': [0.16, 1],
      }),
    ],
  };
  return {
    ...s,
    vessel: {
      ...s.vessel,
      shape: { kind: 'cylinder', diameter: 2, depth: 3.2 },
      inletInvert: 2.2,
      overflow: 3,
      inletStream: { bearing: 180, offset: 0.85, diameter: 0.25 },
    },
    obstacles: [
      {
        kind: 'flat',
        name: 'ladder',
        bearing: 0,
        offset: 0.92,
        from: 0.3,
        to: 3.2,
        width: 0.4,
        thickness: 0.06,
        facing: 180,
      },
    ],
    inflow: {
      source: {
        kind: 'storm',
        base: 0.3 * LITRES,
        rows: [
          [0, 0.3],
          [10, 3],
          [20, 12],
          [30, 17.5],
          [40, 14],
          [60, 8],
          [90, 4],
          [150, 1.2],
          [240, 0.3],
        ].map(([time, flow]) => ({ time: time! * MINUTE, flow: flow! * LITRES })),
      },
      inletPipe: null,
      infiltration: 0,
    },
    pumps: [
      { ...pump, bearing: 245, offset: 0.6, riserBearing: 225, riserOffset: 0.86 },
      { ...pump, bearing: 305, offset: 0.6, riserBearing: 325, riserOffset: 0.86 },
    ],
    discharge: {
      ...s.discharge,
      segments: [plastic('force main to the outfall', 40, 0.1524, { '90° elbow': [0.95, 2] })],
      outlet: 4.4,
      checkValve: { pipeBefore: 2.5 },
      weepHole: { diameter: 0.006, height: 0.7 },
    },
    pole: { bearing: 90, offset: 0.5, diameter: 0.05 },
    sensors: [
      float('stop', 0.75, 0, { tether: 0.15, cordLength: 12 }),
      float('lead', 1.5, 180, { tether: 0.15, cordLength: 12 }),
      float('lag', 1.85, 0, { tether: 0.15, cordLength: 12 }),
      float('alarm', 2.1, 180, { tether: 0.15, cordLength: 12 }),
    ],
    cordRun: 5,
    control: { ...s.control, alternates: true, floats: 'four', scheme: 'duplex' },
    alarm: { ...s.alarm, remoteContact: true, place: 'ticket hall, and a lamp at the stairs' },
    supply: {
      ...s.supply,
      source: 'three',
      voltage: 400,
      breaker: 16,
      feederBreaker: 20,
      residualCurrent: false,
      loop: 0.35,
    },
    wiring: { ...s.wiring, motor: { ...s.wiring.motor, area: 2.5e-6, carries: 20 } },
    // Its peak is a storm of a few years: the school that asks one pump for the design flow, and the reserve for the rest.
    settings: { ...s.settings, reserveTime: 3 * MINUTE, firm: 'design' },
  };
}

/** The drainage pit of the slipway: three pumps that take turns, five narrow floats; it takes what seeps through the gate, and the rain. */
export function slipway(): Station {
  const s = begin('Slipway drainage pit', LANDING, 'Three pumps. The gate leaks more on a spring tide.');
  const pump = {
    ...s.pumps[0]!,
    name: 'drainage pump, 3 kW',
    intake: 0.12,
    volute: 0.34,
    motorTop: 0.7,
    diameter: 0.36,
    curve: curve(LITRES, 1, [
      [0, 16],
      [8, 14],
      [14, 11.4],
      [20, 7.4],
      [25, 2.6],
    ]),
    startsPerHour: 12,
    minimumRun: 45,
    ratedCurrent: 6.4,
    riser: [
      plastic('riser', 4, 0.1282, {
        '90° elbow': [0.95, 2],
        'swing check valve': [2.1, 1],
        'gate valve, open': [0.16, 1],
      }),
    ],
  };
  return {
    ...s,
    vessel: {
      ...s.vessel,
      shape: { kind: 'cylinder', diameter: 2.8, depth: 3.6 },
      inletInvert: 2.7,
      overflow: 3.4,
      inletStream: { bearing: 180, offset: 1.2, diameter: 0.3 },
    },
    inflow: {
      source: { kind: 'steady', low: 1.5 * LITRES, design: 16 * LITRES, peak: 38 * LITRES },
      inletPipe: null,
      infiltration: 0,
    },
    pumps: [215, 270, 325].map((bearing) => ({
      ...pump,
      bearing,
      offset: 0.85,
      riserBearing: bearing,
      riserOffset: 1.25,
    })),
    discharge: {
      ...s.discharge,
      segments: [plastic('force main over the quay', 45, 0.2056, { '90° elbow': [0.95, 2] })],
      outlet: 4.8,
      checkValve: { pipeBefore: 2.5 },
      weepHole: { diameter: 0.006, height: 0.8 },
    },
    pole: { bearing: 90, offset: 0.7, diameter: 0.05 },
    sensors: [
      float('stop', 0.85, 0, { tether: 0.15, cordLength: 12 }),
      float('lead', 1.45, 180, { tether: 0.15, cordLength: 12 }),
      float('lag', 1.75, 0, { tether: 0.15, cordLength: 12 }),
      float('lag2', 2.05, 180, { tether: 0.15, cordLength: 12 }),
      float('alarm', 2.35, 0, { tether: 0.15, cordLength: 12 }),
    ],
    cordRun: 5,
    control: { ...s.control, alternates: true, floats: 'four', scheme: 'triplex' },
    alarm: { ...s.alarm, remoteContact: true, place: 'slip master’s hut' },
    supply: {
      ...s.supply,
      source: 'three',
      voltage: 400,
      breaker: 16,
      feederBreaker: 32,
      residualCurrent: false,
      loop: 0.3,
    },
    wiring: {
      ...s.wiring,
      feeder: { ...s.wiring.feeder, area: 6e-6, carries: 36 },
      motor: { ...s.wiring.motor, area: 2.5e-6, carries: 20 },
    },
    settings: { ...s.settings, reserveTime: 3 * MINUTE },
  };
}
