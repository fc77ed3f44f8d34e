import type { Station } from '../station';
import { standingOf, withStandings } from '../surveyed';
import { FOOT, GALLON, INCH } from '../units';
import { begin, bracket, curve, DEPOT, float, GPM, plastic, sensorBase } from './parts';

const IN_FLOAT = { body: 4 * INCH, thickness: 3 * INCH, cordLength: 20 * FOOT, contactRating: 5 };

/** A long box pit at the depot's wash bay, in inches and gallons. */
function washBay(): Station {
  const s = begin('Wash bay pit', DEPOT, 'Grit trap upstream is emptied on Fridays.');
  return {
    ...s,
    vessel: {
      ...s.vessel,
      shape: { kind: 'box', length: 4 * FOOT, width: 30 * INCH, depth: 54 * INCH },
      inletInvert: 38 * INCH,
      overflow: 52 * INCH,
    },
    inflow: {
      source: { kind: 'steady', low: 1 * GPM, design: 12 * GPM, peak: 30 * GPM },
      inletPipe: null,
      infiltration: 0,
    },
    settings: { ...s.settings, reserveTime: 600 },
  };
}

/** The battery room: a bare round sump with the pump float hung too low, so that the motor stands dry at the stop. What hangs there was taken down as found. */
function batteryRoom(): Station {
  const s = begin('Battery room sump', DEPOT, 'Float was re-hung by the night crew.');
  const sensors = s.sensors.map((f) => (f.id === 'pump' && f.kind === 'tilt' ? { ...f, clip: 15 * INCH } : f));
  // The crew put the dialler on the pair that opens: it is told all day long, and falls silent in a flood.
  const station: Station = {
    ...s,
    sensors,
    found: sensors,
    alarm: { ...s.alarm, remoteContact: true },
    landings: { cores: [{ core: 'W-remote/white', to: 'X5:3' }], links: [] },
  };
  // Nobody has timed the water, found the pump’s curve, or walked the line yet.
  return withStandings(station, (path) =>
    /^(inflow|discharge)\.|^pumps\.0\.curve$/.test(path) ? 'assumed' : standingOf(station, path),
  );
}

/** The cold store's condensate reservoir: three coils, a pump float and a high-level switch that stops them. */
function coldStore(): Station {
  const s = begin(
    'Cold store condensate',
    DEPOT,
    'Three coils over the dock. The switch breaks their thermostat feed.',
  );
  return {
    ...s,
    duty: { kind: 'condensate' },
    vessel: {
      ...s.vessel,
      shape: { kind: 'box', length: 14 * INCH, width: 8 * INCH, depth: 10 * INCH },
      inletInvert: 9 * INCH,
      overflow: 9.25 * INCH,
      inletStream: null,
    },
    inflow: {
      source: {
        kind: 'appliances',
        list: [1, 2, 3].map((n) => ({
          name: `coil ${n}`,
          rate: (1.5 * GALLON) / 3600,
          after: 0.03 * GALLON,
          over: null,
        })),
      },
      inletPipe: null,
      infiltration: 0,
    },
    pumps: [
      {
        ...s.pumps[0]!,
        name: 'condensate pump, 1/50 hp',
        intake: 0.5 * INCH,
        volute: 1.75 * INCH,
        motorTop: 4 * INCH,
        diameter: 2.5 * INCH,
        curve: curve(GALLON / 3600, FOOT, [
          [0, 22],
          [40, 18],
          [80, 13],
          [120, 6],
          [140, 1],
        ]),
        startsPerHour: 60,
        minimumRun: 0,
        headShare: 0.85,
        ratedCurrent: 1.2,
        bearing: 270,
        offset: 4.5 * INCH,
        riserBearing: 270,
        riserOffset: 6 * INCH,
      },
    ],
    discharge: {
      ...s.discharge,
      segments: [plastic('tube to the drain', 30 * FOOT, 0.375 * INCH, { '90° elbow': [0.95, 3] })],
      outlet: 9 * FOOT,
      checkValve: { pipeBefore: 2 * INCH },
      weepHole: null,
      exposed: 4 * FOOT,
    },
    pole: { bearing: 90, offset: 4 * INCH, diameter: 0.5 * INCH },
    sensors: [
      {
        ...sensorBase('pump', 90),
        kind: 'rod',
        latch: 'snap',
        contactRating: 3,
        cordLength: 6 * FOOT,
        upperStop: 5.25 * INCH,
        lowerStop: 2.25 * INCH,
        place: { from: 'axis', bearing: 90, offset: 1 * INCH, facing: 0 },
      },
      {
        ...sensorBase('cutoff', 90),
        kind: 'rod',
        latch: 'snap',
        changeover: true,
        contactRating: 3,
        cordLength: 6 * FOOT,
        upperStop: 8.25 * INCH,
        lowerStop: 7.5 * INCH,
        place: { from: 'axis', bearing: 90, offset: 4 * INCH, facing: 0 },
      },
    ],
    cordRun: 3 * FOOT,
    control: { ...s.control, scheme: 'condensate' },
    interlocks: [{ kind: 'cutoff', name: 'cold store coils', acts: 'low-voltage', volts: 24, amps: 0.4, warns: true }],
    alarm: { ...s.alarm, horn: false, lamp: true, silence: false, battery: false, place: 'lamp over the dock door' },
    settings: { ...s.settings, submergence: 'volute', minimumGap: 0.75 * INCH },
  };
}

/** The three-phase wash-down pump that draws from the settling basin: low-water protection by a transmitter, the basin a table of depth and area. */
function washDown(): Station {
  const s = begin('Wash-down basin', DEPOT, 'Three-phase pump at the basin wall, contactor and selector. Geese.');
  return {
    ...s,
    duty: { kind: 'transfer', usefulRun: 400 * GALLON },
    vessel: {
      ...s.vessel,
      shape: {
        kind: 'table',
        rows: [
          [0, 40],
          [12, 75],
          [24, 120],
          [48, 190],
          [72, 260],
        ].map(([h, a]) => ({ height: h! * INCH, area: a! * FOOT * FOOT })),
      },
      inletInvert: 60 * INCH,
      overflow: 66 * INCH,
    },
    inflow: {
      source: { kind: 'steady', low: 2 * GPM, design: 10 * GPM, peak: 60 * GPM },
      inletPipe: null,
      infiltration: 5 * GPM,
    },
    pumps: [
      {
        ...s.pumps[0]!,
        name: 'wash-down pump, 5 hp',
        intake: 4 * INCH,
        volute: 9 * INCH,
        motorTop: 20 * INCH,
        diameter: 12 * INCH,
        curve: curve(GPM, FOOT, [
          [0, 120],
          [30, 114],
          [60, 102],
          [90, 82],
          [120, 52],
        ]),
        startsPerHour: 10,
        minimumRun: 120,
        ratedCurrent: 14.2,
        offset: 24 * INCH,
        riserBearing: 300,
        riserOffset: 34 * INCH,
      },
    ],
    discharge: {
      ...s.discharge,
      segments: [
        plastic('to the wash rail', 180 * FOOT, 2.07 * INCH, {
          '90° elbow': [0.95, 5],
          'swing check valve': [2.1, 1],
          'gate valve, open': [0.16, 1],
        }),
      ],
      outlet: 40 * FOOT,
      checkValve: { pipeBefore: 4 * FOOT },
      weepHole: null,
      exposed: 30 * FOOT,
    },
    pole: { bearing: 90, offset: 20 * INCH, diameter: 2 * INCH },
    sensors: [
      {
        ...sensorBase('pump', 0),
        kind: 'transmitter',
        contactRating: 5,
        cordLength: 40 * FOOT,
        zero: 4 * INCH,
        span: 78 * INCH,
        on: 34 * INCH,
        off: 22 * INCH,
      },
      float('low', 15 * INCH, 0, { ...IN_FLOAT, ...bracket(0, 16 * INCH, 0) }),
      float('alarm', 62 * INCH, 150, IN_FLOAT),
    ],
    cordRun: 12 * FOOT,
    control: { ...s.control, scheme: 'contactor' },
    supply: { ...s.supply, source: 'three', voltage: 240, breaker: 25, feederBreaker: 30, residualCurrent: false },
    wiring: {
      ...s.wiring,
      feeder: { length: 15, area: 5.26e-6, carries: 30 },
      motor: { length: 8, area: 5.26e-6, carries: 30 },
    },
    settings: { ...s.settings, submergence: 'motor', reserveTime: 900 },
  };
}

export const depotStations = (): { file: string; station: Station }[] => [
  { file: 'wash-bay-pit.json', station: washBay() },
  { file: 'battery-room-sump.json', station: batteryRoom() },
  { file: 'cold-store-condensate.json', station: coldStore() },
  { file: 'wash-down-basin.json', station: washDown() },
];
