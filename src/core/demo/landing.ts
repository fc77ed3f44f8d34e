import type { Station } from '../station';
import { begin, bracket, curve, float, LANDING, LITRES, motorFloat, plastic, sensorBase } from './parts';

const MINUTE = 60;

/** A float in a tank swings wide, so that filling is called once an hour rather than for each tap. */
const FILL_SWING = 45;

/** The sump under the slip of the crew-boat workshop: a round pit, one pump, a float in its cord, an alarm float. */
function workshop(): Station {
  const s = begin(
    'Crew-boat workshop sump',
    LANDING,
    'Hose-down water and the odd spring tide. Lid is a single chequer plate.',
  );
  return {
    ...s,
    vessel: { ...s.vessel, shape: { kind: 'cylinder', diameter: 0.9, depth: 1.4 }, inletInvert: 0.95, overflow: 1.35 },
    inflow: { source: { kind: 'steady', low: 0.1e-3, design: 0.45e-3, peak: 1.6e-3 }, infiltration: 0 },
    pumps: [{ ...s.pumps[0]!, offset: 0.25, riserOffset: 0.32 }],
    pole: { ...s.pole, offset: 0.05 },
    sensors: [motorFloat(0.475, 0.15, 30, 8, { cordLength: 5 }), float('alarm', 0.85, 0, bracket(195, 0.2, 300))],
  };
}

/** Washrooms of the ferry landing: a sealed round ejector pit, its inflow from a list of fixtures. */
function washroom(): Station {
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
function ticketOffice(): Station {
  const s = begin('Ticket office cellar', LANDING, 'Check valve seized open and was taken out. A new one is on order.');
  return {
    ...s,
    vessel: {
      ...s.vessel,
      shape: { kind: 'box', length: 0.4, width: 0.4, depth: 0.6 },
      inletInvert: 0.45,
      overflow: 0.58,
    },
    inflow: { source: { kind: 'steady', low: 0.02e-3, design: 0.1e-3, peak: 0.6e-3 }, infiltration: 0 },
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
function gully(): Station {
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
    inflow: { source: { kind: 'steady', low: 0.1e-3, design: 0.6e-3, peak: 2.2e-3 }, infiltration: 0 },
    pumps: [{ ...s.pumps[0]!, offset: 0.22, riserOffset: 0.28 }],
    pole: { ...s.pole, offset: 0.02 },
    sensors: [
      motorFloat(0.52, 0.2, 60, 8, { cordLength: 5, body: 0.09, thickness: 0.07 }),
      float('alarm', 0.95, 0, bracket(225, 0.25, 270)),
    ],
    settings: { ...s.settings, reserveTime: 15 * MINUTE },
  };
}

/** The storm sump under the passenger underpass: two pumps that take turns, four narrow floats, a storm of the records. */
function underpass(): Station {
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
    supply: { ...s.supply, source: 'three', voltage: 400, breaker: 16, residualCurrent: false, loop: 0.35 },
    settings: { ...s.settings, reserveTime: 3 * MINUTE },
  };
}

/** The grinder well of the keeper's lodge: a pump that displaces, worked by two pressure bells. */
function lodge(): Station {
  const s = begin(
    'Lodge grinder well',
    LANDING,
    'Two bells on tubes to the panel; the breather is behind the panel door.',
  );
  const area = (Math.PI / 4) * 0.1 ** 2;
  const dome = { kind: 'bell' as const, height: 0.16, area, air: area * 0.16 + 0.00012, cordLength: 8 };
  return {
    ...s,
    vessel: {
      ...s.vessel,
      shape: { kind: 'cylinder', diameter: 0.6, depth: 2.2 },
      inletInvert: 1.35,
      overflow: 2.1,
      inletStream: null,
    },
    inflow: {
      source: {
        kind: 'pattern',
        mean: 0.012 * LITRES,
        factors: [
          0.2, 0.1, 0.1, 0.1, 0.2, 0.8, 2.2, 2.6, 1.6, 1, 0.9, 0.9, 1.1, 0.9, 0.7, 0.8, 1, 1.7, 2.3, 1.9, 1.3, 0.9, 0.5,
          0.2,
        ],
      },
      infiltration: 0.002 * LITRES,
    },
    pumps: [
      {
        ...s.pumps[0]!,
        name: 'grinder pump, 0.75 kW, displacing',
        intake: 0.08,
        volute: 0.3,
        motorTop: 0.55,
        diameter: 0.3,
        // A displacing pump: nearly the same flow at any head.
        curve: curve(LITRES, 1, [
          [0, 60],
          [0.6, 57],
          [0.7, 42],
          [0.75, 20],
          [0.78, 0],
        ]),
        startsPerHour: 15,
        minimumRun: 40,
        headShare: 0.8,
        ratedCurrent: 5.2,
        bearing: 0,
        offset: 0,
        riserBearing: 315,
        riserOffset: 0.25,
      },
    ],
    discharge: {
      ...s.discharge,
      segments: [
        plastic('pressure line to the main', 160, 0.0326, { '90° elbow': [0.95, 4], 'swing check valve': [2.1, 1] }),
      ],
      outlet: 14,
      checkValve: { pipeBefore: 0.5 },
      weepHole: null,
      exposed: 3,
    },
    pole: { bearing: 90, offset: 0.22, diameter: 0.03 },
    sensors: [
      {
        ...sensorBase('pump', 0),
        ...dome,
        mouth: 0.42,
        on: 4300,
        off: 1700,
        place: { from: 'axis', bearing: 60, offset: 0.22, facing: 0 },
      },
      {
        ...sensorBase('alarm', 180),
        ...dome,
        mouth: 0.95,
        on: 1600,
        off: 900,
        place: { from: 'axis', bearing: 120, offset: 0.22, facing: 0 },
      },
    ],
    cordRun: 3,
    control: { ...s.control, scheme: 'bells' },
    alarm: { ...s.alarm, remoteContact: true, latch: true },
    settings: { ...s.settings, submergence: 'motor', reserveTime: 3600, reserveInflow: 'design' },
  };
}

/** The dosing tank of the sand bed: a timer, a peak float that shortens its rest, laterals with orifices. */
function sandBed(): Station {
  const s = begin(
    'Sand bed dosing tank',
    LANDING,
    'Bed of four laterals behind the lodge. Timer in the panel, peak float second from the top.',
  );
  return {
    ...s,
    duty: {
      kind: 'dose',
      mode: 'timed',
      dosesPerDay: 6,
      on: 45,
      off: 3500,
      peakOff: 2000,
      minimumRest: 1200,
      peakDay: 1.5,
      surge: 3600,
    },
    vessel: {
      ...s.vessel,
      shape: { kind: 'box', length: 2, width: 1.2, depth: 1.7 },
      inletInvert: 1.35,
      overflow: 1.6,
      inletStream: { bearing: 270, offset: 0.9, diameter: 0.1 },
    },
    inflow: {
      source: {
        kind: 'pattern',
        mean: 0.03 * LITRES,
        factors: [
          0.2, 0.1, 0.1, 0.1, 0.2, 0.8, 2.2, 2.6, 1.6, 1, 0.9, 0.9, 1.1, 0.9, 0.7, 0.8, 1, 1.7, 2.3, 1.9, 1.3, 0.9, 0.5,
          0.2,
        ],
      },
      infiltration: 0,
    },
    pumps: [
      {
        ...s.pumps[0]!,
        name: 'dosing pump, 0.55 kW',
        curve: curve(LITRES, 1, [
          [0, 9],
          [1, 8.1],
          [2, 6.8],
          [3, 4.9],
          [4, 2.4],
        ]),
        offset: 0.5,
        minimumRun: 30,
        riserBearing: 285,
        riserOffset: 0.72,
      },
    ],
    discharge: {
      ...s.discharge,
      segments: [plastic('to the bed', 22, 0.0514, { '90° elbow': [0.95, 4], 'swing check valve': [2.1, 1] })],
      outlet: 2.2,
      checkValve: { pipeBefore: 1 },
      weepHole: { diameter: 0.005, height: 0.35 },
      laterals: {
        count: 4,
        length: 9,
        bore: 0.0272,
        roughness: 1.5e-6,
        hazenWilliams: 150,
        orifices: 12,
        orifice: 0.005,
        coefficient: 0.6,
        squirt: 0.9,
      },
    },
    pole: { bearing: 90, offset: 0.3, diameter: 0.04 },
    sensors: [
      float('low', 0.26, 0, bracket(330, 0.3, 120)),
      float('pump', 0.6, 180, { tether: 0.12, riseDeg: 20, fallDeg: 20 }),
      float('peak', 0.95, 0, bracket(240, 0.3, 15)),
      float('alarm', 1.2, 180),
    ],
    control: { ...s.control, scheme: 'doser' },
    alarm: { ...s.alarm, low: true },
    settings: { ...s.settings, reserveTime: 3600, lateralSpread: 0.1 },
  };
}

/** Rain from the terminal roof, lifted to the header tank: the float of the header calls, the cistern's own floats keep the pump from running dry. */
function cistern(): Station {
  const s = begin(
    'Rain cistern',
    LANDING,
    'Feeds the header tank over the workshop. Drive on the wall, its input is the restart float.',
  );
  return {
    ...s,
    duty: { kind: 'transfer', usefulRun: 0.4 },
    vessel: {
      ...s.vessel,
      shape: { kind: 'lying', diameter: 1.8, length: 4 },
      inletInvert: 1.6,
      overflow: 1.7,
      inletStream: null,
    },
    inflow: {
      source: { kind: 'steady', low: 0.01 * LITRES, design: 0.15 * LITRES, peak: 2.5 * LITRES },
      infiltration: 0,
    },
    pumps: [
      {
        ...s.pumps[0]!,
        name: 'lifting pump, 0.9 kW',
        curve: curve(LITRES, 1, [
          [0, 24],
          [0.5, 22.5],
          [1, 19.4],
          [1.5, 14.6],
          [2, 8],
        ]),
        intake: 0.06,
        volute: 0.18,
        motorTop: 0.4,
        offset: 0.35,
        riserBearing: 290,
        riserOffset: 0.5,
        ratedCurrent: 5.8,
      },
    ],
    discharge: {
      ...s.discharge,
      segments: [
        plastic('rising main to the header', 35, 0.0326, { '90° elbow': [0.95, 6], 'swing check valve': [2.1, 1] }),
      ],
      outlet: 9.5,
      checkValve: { pipeBefore: 0.4 },
      weepHole: null,
      exposed: 6,
    },
    pole: { bearing: 90, offset: 0.3, diameter: 0.03 },
    sensors: [
      {
        ...sensorBase('low', 0),
        kind: 'side',
        height: 0.3,
        differential: 0.012,
        place: { from: 'axis', bearing: 90, offset: 1.9, facing: 270 },
      },
      float('pump', 0.63, 90, {
        tether: 0.3,
        riseDeg: 35,
        fallDeg: 35,
        cordLength: 12,
        weight: { mass: 1.8, volume: 0.00022, below: 0.08, lift: 0.45 },
      }),
    ],
    cordRun: 6,
    control: { ...s.control, scheme: 'drive', options: { input: 'run-enable' } },
    alarm: { ...s.alarm, horn: false },
    interlocks: [{ kind: 'may-fill', name: 'Workshop header tank' }],
    settings: { ...s.settings, submergence: 'motor' },
  };
}

/** The header tank over the workshop: filled by the cistern's pump, its float isolated by a relay. */
function header(): Station {
  const s = begin(
    'Workshop header tank',
    LANDING,
    'Filled from the rain cistern. The float works a relay; no mains in the tank.',
  );
  return {
    ...s,
    duty: { kind: 'fill', from: { kind: 'pump', level: -7.6 }, drowned: false, runOn: 4, keep: 0.25 },
    vessel: {
      ...s.vessel,
      shape: { kind: 'cylinder', diameter: 1.2, depth: 1.1 },
      inletInvert: 1.02,
      overflow: 1,
      inletStream: { bearing: 270, offset: 0.45, diameter: 0.06 },
    },
    inflow: {
      source: {
        kind: 'pattern',
        mean: 0.12 * LITRES,
        factors: [0, 0, 0, 0, 0, 0.5, 2, 3, 2.5, 2, 1.5, 1, 2, 2, 1.5, 1, 1, 2, 1.5, 0.5, 0, 0, 0, 0],
      },
      infiltration: 0,
    },
    pumps: [
      {
        ...s.pumps[0]!,
        name: 'lifting pump, 0.9 kW',
        curve: curve(LITRES, 1, [
          [0, 24],
          [0.5, 22.5],
          [1, 19.4],
          [1.5, 14.6],
          [2, 8],
        ]),
        intake: 0.06,
        volute: 0.18,
        motorTop: 0.4,
        ratedCurrent: 5.8,
      },
    ],
    discharge: {
      ...s.discharge,
      segments: [
        plastic('rising main to the header', 35, 0.0326, { '90° elbow': [0.95, 6], 'swing check valve': [2.1, 1] }),
      ],
      outlet: 1.05,
      checkValve: { pipeBefore: 0.4 },
      weepHole: null,
    },
    pole: { bearing: 90, offset: 0.1, diameter: 0.03 },
    sensors: [
      float('pump', 0.58, 90, {
        contact: 'opens-on-rise',
        changeover: true,
        tether: 0.25,
        riseDeg: FILL_SWING,
        fallDeg: FILL_SWING,
        cordLength: 8,
      }),
      float('alarm', 0.92, 270, { cordLength: 8, body: 0.08, thickness: 0.06 }),
      float('low', 0.2, 270, { cordLength: 8 }),
    ],
    control: { ...s.control, scheme: 'relay', options: { switch: 'relay', low: 'dc' } },
    interlocks: [{ kind: 'full', name: 'Rain cistern' }],
    settings: { ...s.settings, reserveTime: 30 },
  };
}

export const landingStations = (): { file: string; station: Station }[] => [
  { file: 'workshop-sump.json', station: workshop() },
  { file: 'washroom-pit.json', station: washroom() },
  { file: 'ticket-office-cellar.json', station: ticketOffice() },
  { file: 'slip-gully-chamber.json', station: gully() },
  { file: 'underpass-storm-sump.json', station: underpass() },
  { file: 'lodge-grinder-well.json', station: lodge() },
  { file: 'sand-bed-dosing-tank.json', station: sandBed() },
  { file: 'rain-cistern.json', station: cistern() },
  { file: 'workshop-header-tank.json', station: header() },
];
