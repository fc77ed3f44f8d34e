import { FOOT, GALLON, INCH, type Profile } from '../units';
import { FLOAT_ANGLES, type Sensor } from '../sensors';
import type { Station } from './schema';
import { startingSettings } from '../settings';
import { startingMotor, startingParts, startingWiring, unknownOfPipe, unknownOfPump } from './upgrade';
import { CURRENT_VERSION } from './version';

const GPM = GALLON / 60;

/** The pump float on the pole, the alarm float on a bracket of its own at the other side: floats on one pole that stand and hang at the same water can touch. */
const PLACES = [
  { from: 'pole', bearing: 0, offset: 0.03 },
  { from: 'axis', bearing: 180, offset: 0.2, facing: 300 },
] as const satisfies readonly Sensor['place'][];

const METRIC_FLOATS: Sensor[] = [
  {
    id: 'pump',
    role: 'pump',
    kind: 'tilt',
    duty: 'motor',
    contact: 'closes-on-rise',
    changeover: false,
    contactRating: 8,
    cordLength: 5,
    clip: 0.45,
    tether: 0.15,
    body: 0.1,
    riseDeg: FLOAT_ANGLES.motor,
    fallDeg: FLOAT_ANGLES.motor,
    thickness: 0.08,
    measured: null,
    weight: null,
    place: PLACES[0],
  },
  {
    id: 'alarm',
    role: 'alarm',
    kind: 'tilt',
    duty: 'control',
    contact: 'closes-on-rise',
    changeover: false,
    contactRating: 1,
    cordLength: 10,
    clip: 0.75,
    tether: 0.1,
    body: 0.1,
    riseDeg: FLOAT_ANGLES.control,
    fallDeg: FLOAT_ANGLES.control,
    thickness: 0.08,
    measured: null,
    weight: null,
    place: PLACES[1],
  },
];

const carrying = (
  wiring: Station['wiring'],
  amps: Readonly<Record<'feeder' | 'motor' | 'field', number>>,
): Station['wiring'] => ({
  ...wiring,
  feeder: { ...wiring.feeder, carries: amps.feeder },
  motor: { ...wiring.motor, carries: amps.motor },
  field: { ...wiring.field, carries: amps.field },
});

const metric: Omit<Station, 'identity'> = {
  format: 'pit-bell/station',
  version: CURRENT_VERSION,
  profile: 'metric-230',
  duty: { kind: 'empty' },
  vessel: {
    shape: { kind: 'cylinder', diameter: 0.8, depth: 1.2 },
    displacement: [],
    inletInvert: 0.85,
    inletStream: null,
    overflow: 1.15,
  },
  obstacles: [],
  pole: { bearing: 90, offset: 0.05, diameter: 0.03 },
  inflow: { source: { kind: 'steady', low: 0.1e-3, design: 0.5e-3, peak: 1.5e-3 }, inletPipe: null, infiltration: 0 },
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
      ...unknownOfPump(),
      motor: { powerFactor: 0.8, starting: 5, ...startingMotor() },
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
        ...unknownOfPipe(),
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
    rating: null,
  },
  sensors: METRIC_FLOATS,
  found: null,
  cordRun: 2,
  control: { alternates: false, floats: 'four', scheme: 'cord', options: {}, parts: startingParts() },
  alarm: {
    horn: true,
    lamp: true,
    silence: true,
    latch: false,
    test: true,
    low: false,
    battery: true,
    remoteContact: false,
    ownSupply: true,
    place: 'indoors, by the meter board',
    faults: true,
    powerFail: false,
    runContact: false,
    faultContact: false,
    powerFailContact: false,
  },
  supply: {
    source: 'single',
    voltage: 230,
    frequency: 50,
    breaker: 10,
    feederBreaker: 16,
    breakerTrips: 10,
    residualCurrent: true,
    loop: 0.6,
  },
  // What the common tables print for a cable in conduit; older documents keep the figures that they began with.
  wiring: carrying(startingWiring(false), { feeder: 20, motor: 15, field: 10 }),
  interlocks: [],
  enclosure: { place: 'indoors', conduit: 'sealed', splices: 'none', dripLoops: true, glands: true, lockable: true },
  landings: { cores: [], links: [] },
  settings: startingSettings('metric-230'),
  surveyed: { rest: 'confirmed', figures: {} },
};

/** Runs of cable in whole feet. */
const inFeet = (wiring: Station['wiring']): Station['wiring'] => ({
  ...wiring,
  feeder: { ...wiring.feeder, length: 50 * FOOT },
  motor: { ...wiring.motor, length: 25 * FOOT },
  field: { ...wiring.field, length: 20 * FOOT },
});

const us: Omit<Station, 'identity'> = {
  ...metric,
  profile: 'us-120',
  vessel: {
    shape: { kind: 'cylinder', diameter: 30 * INCH, depth: 48 * INCH },
    displacement: [],
    inletInvert: 34 * INCH,
    inletStream: null,
    overflow: 46 * INCH,
  },
  pole: { bearing: 90, offset: 2 * INCH, diameter: 1.25 * INCH },
  inflow: {
    source: { kind: 'steady', low: 2 * GPM, design: 8 * GPM, peak: 25 * GPM },
    inletPipe: null,
    infiltration: 0,
  },
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
      ...unknownOfPump(),
      motor: { powerFactor: 0.8, starting: 5, ...startingMotor() },
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
        ...unknownOfPipe(),
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
    rating: null,
  },
  sensors: [
    {
      id: 'pump',
      role: 'pump',
      kind: 'tilt',
      duty: 'motor',
      contact: 'closes-on-rise',
      changeover: false,
      contactRating: 13,
      cordLength: 20 * 12 * INCH,
      clip: 18 * INCH,
      tether: 6 * INCH,
      body: 4 * INCH,
      riseDeg: FLOAT_ANGLES.motor,
      fallDeg: FLOAT_ANGLES.motor,
      thickness: 3 * INCH,
      measured: null,
      weight: null,
      place: { ...PLACES[0], offset: 1.25 * INCH },
    },
    {
      id: 'alarm',
      role: 'alarm',
      kind: 'tilt',
      duty: 'control',
      contact: 'closes-on-rise',
      changeover: false,
      contactRating: 5,
      cordLength: 20 * 12 * INCH,
      clip: 30 * INCH,
      tether: 4 * INCH,
      body: 4 * INCH,
      riseDeg: FLOAT_ANGLES.control,
      fallDeg: FLOAT_ANGLES.control,
      thickness: 3 * INCH,
      measured: null,
      weight: null,
      place: { ...PLACES[1], offset: 8 * INCH },
    },
  ],
  cordRun: 6 * 12 * INCH,
  supply: {
    source: 'single',
    voltage: 120,
    frequency: 60,
    breaker: 15,
    feederBreaker: 20,
    breakerTrips: 10,
    residualCurrent: true,
    loop: 0.3,
  },
  wiring: inFeet(startingWiring(true)),
  settings: startingSettings('us-120'),
};

/** A station to begin from: plausible throughout, to be surveyed over. Every figure of it is only a starting value. */
export function newStation(name: string, site: string, profile: Profile): Station {
  return structuredClone({ ...(profile === 'us-120' ? us : metric), identity: { name, site, contact: '', note: '' } });
}
