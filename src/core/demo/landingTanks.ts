import type { Station } from '../station';
import { begin, bracket, curve, float, LANDING, LITRES, plastic, sensorBase } from './parts';

/** A float in a tank swings wide, so that filling is called once an hour rather than for each tap. */
const FILL_SWING = 45;

/** The grinder well of the keeper's lodge: a pump that displaces, worked by two pressure bells. */
export function lodge(): Station {
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
      inletPipe: null,
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
export function sandBed(): Station {
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
      inletPipe: null,
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
export function cistern(): Station {
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
      inletPipe: null,
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
export function header(): Station {
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
      inletPipe: null,
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
    alarm: { ...s.alarm, low: true },
    interlocks: [{ kind: 'full', name: 'Rain cistern' }],
    settings: { ...s.settings, reserveTime: 30 },
  };
}
