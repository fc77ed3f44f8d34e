import type { Station } from '../station';
import { begin, bracket, curve, float, LANDING, LITRES, motorFloat, plastic, sensorBase } from './parts';

const MINUTE = 60;

/** The sump under the slip of the crew-boat workshop: a round pit, one pump, a float in its cord, an alarm float. */
export function workshop(): Station {
  const s = begin(
    'Crew-boat workshop sump',
    LANDING,
    'Hose-down water and the odd spring tide. Lid is a single chequer plate.',
  );
  return {
    ...s,
    vessel: { ...s.vessel, shape: { kind: 'cylinder', diameter: 0.9, depth: 1.4 }, inletInvert: 0.95, overflow: 1.35 },
    inflow: {
      source: { kind: 'steady', low: 0.1e-3, design: 0.45e-3, peak: 1.6e-3 },
      inletPipe: null,
      infiltration: 0,
    },
    pumps: [{ ...s.pumps[0]!, offset: 0.25, riserOffset: 0.32 }],
    pole: { ...s.pole, offset: 0.05 },
    sensors: [motorFloat(0.475, 0.15, 30, 8, { cordLength: 5 }), float('alarm', 0.85, 0, bracket(195, 0.2, 300))],
  };
}

/** Washrooms of the ferry landing: a sealed round ejector pit, its inflow from a list of fixtures. */
export function washroom(): Station {
  const s = begin(
    'Washroom ejector pit',
    LANDING,
    'Sealed lid, vent to the roof. Busy for ten minutes after each boat.',
  );
  return {
    ...s,
    vessel: {
      ...s.vessel,
      shape: { kind: 'cylinder', diameter: 1.1, depth: 1.6 },
      inletInvert: 1.1,
      overflow: 1.55,
      inletStream: { bearing: 0, offset: 0.48, diameter: 0.1 },
    },
    inflow: {
      source: {
        kind: 'fixtures',
        hours: 14,
        uses: [
          { name: 'closet', volume: 6 * LITRES, flow: 1.2e-3, perDay: 260, atOnce: 1 },
          { name: 'basin', volume: 2.5 * LITRES, flow: 0.1e-3, perDay: 300, atOnce: 4 },
          { name: 'mop sink', volume: 40 * LITRES, flow: 0.3e-3, perDay: 2, atOnce: 1 },
        ],
      },
      inletPipe: null,
      infiltration: 0,
    },
    pumps: [
      {
        ...s.pumps[0]!,
        name: 'ejector pump, 0.75 kW',
        intake: 0.08,
        volute: 0.22,
        motorTop: 0.42,
        diameter: 0.24,
        curve: curve(LITRES, 1, [
          [0, 10],
          [2, 8.8],
          [4, 7.1],
          [6, 4.9],
          [8, 2.1],
        ]),
        ratedCurrent: 5.6,
        offset: 0.33,
        riserBearing: 320,
        riserOffset: 0.42,
      },
    ],
    discharge: {
      ...s.discharge,
      segments: [
        plastic('riser to the sewer', 18, 0.0514, {
          '90° elbow': [0.95, 4],
          'swing check valve': [2.1, 1],
          'full-bore ball valve': [0.1, 1],
        }),
      ],
      outlet: 3.1,
      checkValve: { pipeBefore: 1.5 },
      weepHole: { diameter: 0.006, height: 0.35 },
    },
    pole: { bearing: 90, offset: 0.12, diameter: 0.04 },
    sensors: [motorFloat(0.59, 0.175, 40, 10, { cordLength: 10 }), float('alarm', 1.03, 0, bracket(210, 0.25, 330))],
    settings: { ...s.settings, reserveTime: 20 * MINUTE },
  };
}

/** The ticket office cellar: small, with a rod float, and no check valve: its whole pipe runs back at every stop. It is the sick one. */
export function ticketOffice(): Station {
  const s = begin('Ticket office cellar', LANDING, 'Check valve seized open and was taken out. A new one is on order.');
  return {
    ...s,
    vessel: {
      ...s.vessel,
      shape: { kind: 'box', length: 0.4, width: 0.4, depth: 0.6 },
      inletInvert: 0.45,
      overflow: 0.58,
    },
    inflow: {
      source: { kind: 'steady', low: 0.02e-3, design: 0.1e-3, peak: 0.6e-3 },
      inletPipe: null,
      infiltration: 0,
    },
    pumps: [
      {
        ...s.pumps[0]!,
        name: 'cellar pump, 0.25 kW',
        intake: 0.01,
        volute: 0.09,
        motorTop: 0.2,
        diameter: 0.13,
        curve: curve(LITRES, 1, [
          [0, 6.2],
          [0.7, 5.3],
          [1.4, 3.9],
          [2.1, 1.6],
        ]),
        startsPerHour: 30,
        minimumRun: 10,
        ratedCurrent: 1.9,
        bearing: 240,
        offset: 0.13,
        riserBearing: 300,
        riserOffset: 0.17,
      },
    ],
    discharge: {
      ...s.discharge,
      segments: [plastic('to the gully', 14, 0.0326, { '90° elbow': [0.95, 5] })],
      outlet: 2.6,
      checkValve: null,
      weepHole: null,
    },
    pole: { bearing: 45, offset: 0.2, diameter: 0.02 },
    sensors: [
      {
        ...sensorBase('pump', 180),
        kind: 'rod',
        duty: 'motor',
        contactRating: 5,
        cordLength: 3,
        latch: 'snap',
        upperStop: 0.27,
        lowerStop: 0.12,
        place: { from: 'axis', bearing: 135, offset: 0.17, facing: 0 },
      },
      float('alarm', 0.38, 0, { cordLength: 5, tether: 0.085, body: 0.08, thickness: 0.06, ...bracket(30, 0.1, 210) }),
    ],
    cordRun: 1.5,
    alarm: { ...s.alarm, battery: false },
    settings: { ...s.settings, submergence: 'volute' },
  };
}

/** The gully chamber under the ferry slip: a narrow sump under a wider chamber, with the pump's foot and pipe taking up room. */
export function gully(): Station {
  const s = begin('Slip gully chamber', LANDING, 'Weed screen is raked after every storm.');
  return {
    ...s,
    vessel: {
      ...s.vessel,
      shape: {
        kind: 'stacked',
        sections: [
          { kind: 'cylinder', diameter: 0.75, depth: 0.7 },
          { kind: 'box', length: 1.2, width: 1, depth: 0.9 },
        ],
      },
      displacement: [{ name: 'pump and foot bend', volume: 0.018, from: 0, to: 0.3 }],
      inletInvert: 1.05,
      overflow: 1.5,
    },
    inflow: { source: { kind: 'steady', low: 0.1e-3, design: 0.6e-3, peak: 2.2e-3 }, inletPipe: null, infiltration: 0 },
    pumps: [{ ...s.pumps[0]!, offset: 0.22, riserOffset: 0.28 }],
    pole: { ...s.pole, offset: 0.02 },
    sensors: [
      motorFloat(0.52, 0.2, 60, 8, { cordLength: 5, body: 0.09, thickness: 0.07 }),
      float('alarm', 0.95, 0, bracket(225, 0.25, 270)),
    ],
    settings: { ...s.settings, reserveTime: 15 * MINUTE },
  };
}
