import { GALLON, INCH, type Profile } from '../units';
import type { Sensor, Station } from './schema';

const GPM = GALLON / 60;

/** Angles of tilt float bodies by duty, degrees each side of level: wide for pump duty, narrow for control. Defaults, to be overridden by the float's own figures. */
export const FLOAT_ANGLES = { motor: 45, control: 10 } as const;

const METRIC_FLOATS: Sensor[] = [
  { id: 'pump', role: 'pump', kind: 'tilt', duty: 'motor', contact: 'closes-on-rise', contactRating: 8, cordLength: 5, clip: 0.45, tether: 0.15, body: 0.1, riseDeg: FLOAT_ANGLES.motor, fallDeg: FLOAT_ANGLES.motor, measured: null },
  { id: 'alarm', role: 'alarm', kind: 'tilt', duty: 'control', contact: 'closes-on-rise', contactRating: 1, cordLength: 10, clip: 0.75, tether: 0.1, body: 0.1, riseDeg: FLOAT_ANGLES.control, fallDeg: FLOAT_ANGLES.control, measured: null },
];

const metric: Omit<Station, 'identity'> = {
  format: 'pit-bell/station',
  version: 2,
  profile: 'metric-230',
  duty: 'empty',
  vessel: { shape: { kind: 'cylinder', diameter: 0.8, depth: 1.2 }, displacement: [], inletInvert: 0.85, overflow: 1.15 },
  inflow: { low: 0.1e-3, design: 0.5e-3, peak: 1.5e-3 },
  pumps: [
    {
      name: 'sump pump, 0.55 kW',
      intake: 0.05,
      volute: 0.14,
      motorTop: 0.3,
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
  },
  sensors: METRIC_FLOATS,
  cordRun: 2,
  alarm: { horn: true, lamp: true, silence: true, battery: true, remoteContact: false, place: 'indoors, by the meter board' },
  supply: { voltage: 230, frequency: 50, breaker: 10, residualCurrent: true },
  settings: {
    friction: 'darcy-weisbach',
    submergence: 'motor',
    inlet: 'free',
    surcharge: 0.15,
    minimumGap: 0.075,
    minimumTether: 0.075,
    keepUpFactor: 1.1,
    drainbackMargin: 0.5,
    reserveTime: 300,
    reserveInflow: 'design',
    weepCoefficient: 0.6,
    waterTemperature: 10,
    velocityMin: 0.6,
    velocityMax: 2.4,
    hoseFlow: 0.3e-3,
    tightShare: 0.1,
  },
};

const us: Omit<Station, 'identity'> = {
  ...metric,
  profile: 'us-120',
  vessel: { shape: { kind: 'cylinder', diameter: 30 * INCH, depth: 48 * INCH }, displacement: [], inletInvert: 34 * INCH, overflow: 46 * INCH },
  inflow: { low: 2 * GPM, design: 8 * GPM, peak: 25 * GPM },
  pumps: [
    {
      name: 'sump pump, 1/2 hp',
      intake: 2 * INCH,
      volute: 5.5 * INCH,
      motorTop: 12 * INCH,
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
  },
  sensors: [
    { id: 'pump', role: 'pump', kind: 'tilt', duty: 'motor', contact: 'closes-on-rise', contactRating: 13, cordLength: 20 * 12 * INCH, clip: 18 * INCH, tether: 6 * INCH, body: 4 * INCH, riseDeg: FLOAT_ANGLES.motor, fallDeg: FLOAT_ANGLES.motor, measured: null },
    { id: 'alarm', role: 'alarm', kind: 'tilt', duty: 'control', contact: 'closes-on-rise', contactRating: 5, cordLength: 20 * 12 * INCH, clip: 30 * INCH, tether: 4 * INCH, body: 4 * INCH, riseDeg: FLOAT_ANGLES.control, fallDeg: FLOAT_ANGLES.control, measured: null },
  ],
  cordRun: 6 * 12 * INCH,
  supply: { voltage: 120, frequency: 60, breaker: 15, residualCurrent: true },
  settings: { ...metric.settings, surcharge: 6 * INCH, minimumGap: 3 * INCH, minimumTether: 3 * INCH, hoseFlow: 5 * GPM },
};

/** A station to begin from: plausible throughout, to be surveyed over. Every figure of it is only a starting value. */
export function newStation(name: string, site: string, profile: Profile): Station {
  return structuredClone({ ...(profile === 'us-120' ? us : metric), identity: { name, site, contact: '', note: '' } });
}
