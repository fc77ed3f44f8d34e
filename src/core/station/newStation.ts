import { GALLON, INCH, type Profile } from '../units';
import type { Sensor, Station } from './schema';
import { startingWiring } from './upgrade';

const GPM = GALLON / 60;

/** Angles of tilt float bodies by duty, degrees each side of level: wide for pump duty, narrow for control. Defaults, to be overridden by the float's own figures. */
export const FLOAT_ANGLES = { motor: 45, control: 10 } as const;

/** The pump float on the pole, the alarm float on a bracket of its own at the other side: floats on one pole that stand and hang at the same water can touch. */
const PLACES = [
  { from: 'pole', bearing: 0, offset: 0.03 },
  { from: 'axis', bearing: 180, offset: 0.2, facing: 300 },
] as const satisfies readonly Sensor['place'][];

const METRIC_FLOATS: Sensor[] = [
  { id: 'pump', role: 'pump', kind: 'tilt', duty: 'motor', contact: 'closes-on-rise', changeover: false, contactRating: 8, cordLength: 5, clip: 0.45, tether: 0.15, body: 0.1, riseDeg: FLOAT_ANGLES.motor, fallDeg: FLOAT_ANGLES.motor, thickness: 0.08, measured: null, weight: null, place: PLACES[0] },
  { id: 'alarm', role: 'alarm', kind: 'tilt', duty: 'control', contact: 'closes-on-rise', changeover: false, contactRating: 1, cordLength: 10, clip: 0.75, tether: 0.1, body: 0.1, riseDeg: FLOAT_ANGLES.control, fallDeg: FLOAT_ANGLES.control, thickness: 0.08, measured: null, weight: null, place: PLACES[1] },
];

const metric: Omit<Station, 'identity'> = {
  format: 'pit-bell/station',
  version: 4,
  profile: 'metric-230',
  duty: { kind: 'empty' },
  vessel: { shape: { kind: 'cylinder', diameter: 0.8, depth: 1.2 }, displacement: [], inletInvert: 0.85, inletStream: null, overflow: 1.15 },
  obstacles: [],
  pole: { bearing: 90, offset: 0.05, diameter: 0.03 },
  inflow: { source: { kind: 'steady', low: 0.1e-3, design: 0.5e-3, peak: 1.5e-3 }, infiltration: 0 },
  pumps: [
    {
      name: 'sump pump, 0.55 kW',
      intake: 0.05,
      volute: 0.14,
      motorTop: 0.3,
      diameter: 0.18,
      curve: [
        { flow: 0, head: 8.5 },
        { flow: 1e-3, head: 7.6 },
        { flow: 2e-3, head: 6.3 },
        { flow: 3e-3, head: 4.6 },
        { flow: 4e-3, head: 2.4 },
      ],
      startsPerHour: 20,
      minimumRun: 30,
      headShare: 0.9,
      ratedCurrent: 4.2,
      motor: { powerFactor: 0.8, starting: 5 },
      bearing: 270,
      offset: 0.2,
      riser: [],
      riserBearing: 320,
      riserOffset: 0.25,
    },
  ],
  discharge: {
    segments: [
      {
        name: 'riser and run',
        length: 12,
        bore: 0.0408,
        roughness: 1.5e-6,
        hazenWilliams: 150,
        fittings: [
          { name: '90° elbow', k: 0.95, count: 3 },
          { name: 'swing check valve', k: 2.1, count: 1 },
        ],
      },
    ],
    outlet: 2.4,
    checkValve: { pipeBefore: 1 },
    weepHole: { diameter: 0.005, height: 0.25 },
    highPoint: null,
    laterals: null,
    exposed: 0,
  },
  sensors: METRIC_FLOATS,
  found: null,
  cordRun: 2,
  control: { alternates: false, floats: 'four', scheme: 'cord', options: {} },
  alarm: { horn: true, lamp: true, silence: true, latch: false, test: true, low: false, battery: true, remoteContact: false, ownSupply: true, place: 'indoors, by the meter board' },
  supply: { source: 'single', voltage: 230, frequency: 50, breaker: 10, breakerTrips: 10, residualCurrent: true, loop: 0.6 },
  wiring: startingWiring(false),
  interlocks: [],
  enclosure: { place: 'indoors', conduit: 'sealed', splices: 'none', dripLoops: true, glands: true, lockable: true },
  landings: { cores: [], links: [] },
  settings: {
    friction: 'darcy-weisbach',
    submergence: 'motor',
    inlet: 'free',
    surcharge: 0.15,
    minimumGap: 0.075,
    minimumTether: 0.075,
    swingClearance: 0.05,
    sideSwingDeg: 20,
    keepUpFactor: 1.1,
    drainbackMargin: 0.5,
    doseMultiple: 5,
    lateralSpread: 0.1,
    reserveTime: 300,
    reserveInflow: 'design',
    weepCoefficient: 0.6,
    waterTemperature: 10,
    airPressure: 101325,
    trappedPressure: 500,
    frostAir: -5,
    velocityMin: 0.6,
    velocityMax: 2.4,
    tubeBore: 0.006,
    hoseFlow: 0.3e-3,
    cordSlack: 0.3,
    tightShare: 0.1,
  },
};

const us: Omit<Station, 'identity'> = {
  ...metric,
  profile: 'us-120',
  vessel: { shape: { kind: 'cylinder', diameter: 30 * INCH, depth: 48 * INCH }, displacement: [], inletInvert: 34 * INCH, inletStream: null, overflow: 46 * INCH },
  pole: { bearing: 90, offset: 2 * INCH, diameter: 1.25 * INCH },
  inflow: { source: { kind: 'steady', low: 2 * GPM, design: 8 * GPM, peak: 25 * GPM }, infiltration: 0 },
  pumps: [
    {
      name: 'sump pump, 1/2 hp',
      intake: 2 * INCH,
      volute: 5.5 * INCH,
      motorTop: 12 * INCH,
      diameter: 7 * INCH,
      curve: [
        { flow: 0, head: 28 * 12 * INCH },
        { flow: 15 * GPM, head: 25 * 12 * INCH },
        { flow: 30 * GPM, head: 21 * 12 * INCH },
        { flow: 45 * GPM, head: 15.5 * 12 * INCH },
        { flow: 60 * GPM, head: 8 * 12 * INCH },
      ],
      startsPerHour: 20,
      minimumRun: 30,
      headShare: 0.9,
      ratedCurrent: 8.5,
      motor: { powerFactor: 0.8, starting: 5 },
      bearing: 270,
      offset: 8 * INCH,
      riser: [],
      riserBearing: 320,
      riserOffset: 10 * INCH,
    },
  ],
  discharge: {
    segments: [
      {
        name: 'riser and run',
        length: 40 * 12 * INCH,
        bore: 1.59 * INCH,
        roughness: 1.5e-6,
        hazenWilliams: 150,
        fittings: [
          { name: '90° elbow', k: 0.95, count: 3 },
          { name: 'swing check valve', k: 2.1, count: 1 },
        ],
      },
    ],
    outlet: 96 * INCH,
    checkValve: { pipeBefore: 36 * INCH },
    weepHole: { diameter: 0.1875 * INCH, height: 10 * INCH },
    highPoint: null,
    laterals: null,
    exposed: 0,
  },
  sensors: [
    { id: 'pump', role: 'pump', kind: 'tilt', duty: 'motor', contact: 'closes-on-rise', changeover: false, contactRating: 13, cordLength: 20 * 12 * INCH, clip: 18 * INCH, tether: 6 * INCH, body: 4 * INCH, riseDeg: FLOAT_ANGLES.motor, fallDeg: FLOAT_ANGLES.motor, thickness: 3 * INCH, measured: null, weight: null, place: PLACES[0] },
    { id: 'alarm', role: 'alarm', kind: 'tilt', duty: 'control', contact: 'closes-on-rise', changeover: false, contactRating: 5, cordLength: 20 * 12 * INCH, clip: 30 * INCH, tether: 4 * INCH, body: 4 * INCH, riseDeg: FLOAT_ANGLES.control, fallDeg: FLOAT_ANGLES.control, thickness: 3 * INCH, measured: null, weight: null, place: PLACES[1] },
  ],
  cordRun: 6 * 12 * INCH,
  supply: { source: 'single', voltage: 120, frequency: 60, breaker: 15, breakerTrips: 10, residualCurrent: true, loop: 0.3 },
  wiring: startingWiring(true),
  settings: { ...metric.settings, surcharge: 6 * INCH, minimumGap: 3 * INCH, minimumTether: 3 * INCH, swingClearance: 2 * INCH, cordSlack: 12 * INCH, tubeBore: 0.25 * INCH, hoseFlow: 5 * GPM },
};

/** A station to begin from: plausible throughout, to be surveyed over. Every figure of it is only a starting value. */
export function newStation(name: string, site: string, profile: Profile): Station {
  return structuredClone({ ...(profile === 'us-120' ? us : metric), identity: { name, site, contact: '', note: '' } });
}
