import { USUAL_VALVE } from '../duties';
import type { Profile } from '../units';
import { settingsSince } from '../settings';
import { CURRENT_VERSION } from './version';

type Json = Record<string, unknown>;

const isObject = (value: unknown): value is Json =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** Fields added to an object, or to each object of a list; anything else is left for the schema to refuse. */
function adding(value: unknown, fields: (item: Json) => Json): unknown {
  if (Array.isArray(value)) return value.map((item) => adding(item, fields));
  return isObject(value) ? { ...value, ...fields(value) } : value;
}

/** One step: a document of version N to the same document in version N + 1. Keyed by N. */
const STEPS: Readonly<Record<number, (document: Json) => Json>> = {
  /**
   * Version 2 knows equipment that displaces water, ranges of floats as measured, a second school of pipe friction, and a
   * maker's limit on head: a document of version 1 had none of these, and its figures stay as they were.
   */
  1: (document) => ({
    ...document,
    vessel: adding(document.vessel, () => ({ displacement: [] })),
    pumps: adding(document.pumps, () => ({ headShare: 1 })),
    discharge: adding(document.discharge, (d) => ({ segments: adding(d.segments, () => ({ hazenWilliams: 150 })) })),
    sensors: adding(document.sensors, (s) => (s.kind === 'tilt' ? { measured: null } : {})),
    settings: adding(document.settings, () => ({ friction: 'darcy-weisbach' })),
  }),
  /**
   * Version 3 knows every duty, inflow, sensor and up to three pumps, and where things stand in plan. A document of version 2 did
   * not say that: pump and riser are put to one side, the first float on a pole near the middle, the others on brackets at the other side.
   */
  2: (document) => {
    const wide = narrowest(document.vessel);
    const share = (part: number) => Number((part * wide).toFixed(3));
    const inflow = isObject(document.inflow) ? document.inflow : {};
    return {
      ...document,
      duty: document.duty === 'empty' ? { kind: 'empty' } : document.duty,
      vessel: adding(document.vessel, () => ({ inletStream: null })),
      obstacles: [],
      pole: { bearing: 90, offset: share(0.06), diameter: 0.03 },
      inflow: { source: { kind: 'steady', ...inflow }, infiltration: 0 },
      pumps: adding(document.pumps, () => ({
        diameter: Math.min(0.2, share(0.24)),
        bearing: 270,
        offset: share(0.26),
        riser: [],
        riserBearing: 320,
        riserOffset: share(0.33),
      })),
      discharge: adding(document.discharge, () => ({ highPoint: null, laterals: null, exposed: 0 })),
      sensors: Array.isArray(document.sensors)
        ? document.sensors.map((sensor, i) => version3Sensor(sensor, i, share(0.25)))
        : document.sensors,
      found: null,
      control: { alternates: false, floats: 'four' },
      settings: adding(document.settings, () => ({
        swingClearance: 0.05,
        sideSwingDeg: 20,
        doseMultiple: 5,
        lateralSpread: 0.1,
        airPressure: 101325,
        trappedPressure: 500,
        frostAir: -5,
        tubeBore: 0.006,
        cordSlack: 0.3,
      })),
    };
  },
  /**
   * Version 4 knows how the station is wired. A document of version 3 said its voltage and what its floats carry: the scheme that goes
   * with them is taken, all else is a typical value to be surveyed over, and every core sits where the design puts it.
   */
  3: (document) => {
    const supply = isObject(document.supply) ? document.supply : {};
    const us = document.profile === 'us-120';
    const volts = typeof supply.voltage === 'number' ? supply.voltage : 0;
    const source = us ? (volts > 150 ? 'split' : 'single') : volts > 300 ? 'three' : 'single';
    return {
      ...document,
      pumps: adding(document.pumps, () => ({ motor: { powerFactor: 0.8, starting: 5 } })),
      control: adding(document.control, () => ({ scheme: schemeOfVersion3(document, source), options: {} })),
      alarm: adding(document.alarm, () => ({ latch: false, test: true, low: false, ownSupply: true })),
      supply: adding(document.supply, () => ({ source, breakerTrips: 10, loop: us ? 0.3 : 0.6 })),
      wiring: startingWiring(us),
      interlocks: [],
      enclosure: {
        place: 'indoors',
        conduit: 'sealed',
        splices: 'none',
        dripLoops: true,
        glands: true,
        lockable: true,
      },
      landings: { cores: [], links: [] },
    };
  },
  /**
   * Version 5 knows the windings of motors, the breaker at the board, and parts that a panel carries beside its scheme. A document of
   * version 4 had none of those parts, and keeps its panel and every landing; its motors are typical, its feeder guarded by the least
   * breaker that carries its pumps together.
   */
  4: (document) => {
    const supply = isObject(document.supply) ? document.supply : {};
    const pumps = Array.isArray(document.pumps) ? document.pumps.filter(isObject) : [];
    const amps = pumps.map((p) => (typeof p.ratedCurrent === 'number' ? p.ratedCurrent : 0));
    const breaker = typeof supply.breaker === 'number' ? supply.breaker : 0;
    const run = isObject(document.wiring) && isObject(document.wiring.feeder) ? document.wiring.feeder : {};
    const feeder = typeof run.carries === 'number' ? run.carries : 0;
    return {
      ...document,
      duty: withValve(document.duty),
      pumps: adding(document.pumps, (p) => ({ motor: adding(p.motor, () => startingMotor()) })),
      control: adding(document.control, (c) => ({
        parts: startingParts(),
        options: driveOfVersion4(c, supply.source),
      })),
      alarm: adding(document.alarm, () => ({
        faults: false,
        powerFail: false,
        runContact: false,
        faultContact: false,
        powerFailContact: false,
      })),
      supply: adding(document.supply, () => ({ feederBreaker: feederBreaker(breaker, amps, feeder) })),
      interlocks: adding(document.interlocks, (lock) => (lock.kind === 'standby' ? { on: 'high' } : {})),
    };
  },
  /**
   * Version 6 knows what motors draw by flow, the wall of pipes, and the inlet pipe as storage. Of a document of version 5 nothing of that
   * is known: its figures stay as they were.
   */
  5: (document) => ({
    ...document,
    pumps: adding(document.pumps, (p) => ({ ...unknownOfPump(), riser: adding(p.riser, unknownOfPipe) })),
    discharge: adding(document.discharge, (d) => ({ segments: adding(d.segments, unknownOfPipe), rating: null })),
    inflow: adding(document.inflow, (inflow) => ({
      inletPipe: null,
      source: adding(inflow.source, (source) =>
        source.kind === 'appliances' ? { list: adding(source.list, () => ({ over: null })) } : {},
      ),
    })),
  }),
  /** Version 7 asks which figures were taken on site: an older document did not say. */
  6: (document) => ({ ...document, surveyed: { rest: 'unknown', figures: {} } }),
  /** Version 8 knows a firm’s own table of what copper carries: an older document goes by the common ones. */
  7: (document) => ({ ...document, wiring: adding(document.wiring, () => ({ copper: null })) }),
};

/** What is not known of a pump, and of a length of pipe, until somebody says it. */
export const unknownOfPump = () => ({ bell: null, power: null, minimumFlow: null }) as const;
export const unknownOfPipe = () => ({ material: null, wall: null }) as const;

/** A drive of version 4 ran a single-phase motor wherever its supply was no three-phase one. */
function driveOfVersion4({ scheme, options }: Json, source: unknown): unknown {
  return scheme === 'drive' && source !== 'three' && isObject(options) ? { output: 'single', ...options } : options;
}

/** Ratings in which breakers are made, A (IEC 60898-1 and NFPA 70, 240.6, those that both have or that are common). */
const RATINGS = [6, 10, 15, 16, 20, 25, 30, 32, 40, 50, 63, 80, 100, 125, 160, 200, 250];

/** The least breaker at the board that carries all pumps; larger than that of one of them where the feeder carries it, A. */
function feederBreaker(breaker: number, amps: readonly number[], carries: number): number {
  const together = amps.length > 1 ? 1.25 * amps.reduce((sum, a) => sum + a, 0) : 0;
  const graded = RATINGS.find((r) => r > breaker && r >= together && r <= carries);
  return graded ?? RATINGS.find((r) => r >= Math.max(breaker, together)) ?? breaker;
}

/** A motor of which only the plate is known. */
export const startingMotor = () =>
  ({
    winding: null,
    auxiliary: null,
    capacitor: null,
    begins: 'start-capacitor',
    gear: 'in-pump',
    overloadClass: 10,
  }) as const;

/** A panel that carries nothing beside its scheme. */
export const startingParts = () =>
  ({
    extraLow: 'no',
    sealProbe: 'none',
    motorThermal: 'none',
    phaseMonitor: false,
    stagger: null,
    barrier: null,
    heater: null,
    surge: false,
    generator: 'none',
  }) as const;

/** The valve of a tank that is filled through one: a solenoid valve that closes without power, as most are. */
const withValve = (duty: unknown): unknown =>
  isObject(duty) && isObject(duty.from) && duty.from.kind === 'valve'
    ? { ...duty, from: { ...USUAL_VALVE, ...duty.from } }
    : duty;

/** The document in a version, with the settings that the version brought. */
const withSettings = (version: number, document: Json): Json => {
  const profile: Profile = document.profile === 'us-120' ? 'us-120' : 'metric-230';
  return {
    ...document,
    version,
    settings: adding(document.settings, () => settingsSince(version, profile)),
  };
};

/** Runs of cable that a station begins with: typical, to be measured over. */
export const startingWiring = (us: boolean) => ({
  feeder: { length: 15, area: us ? 3.31e-6 : 2.5e-6, carries: us ? 20 : 21 },
  motor: { length: 8, area: us ? 2.08e-6 : 1.5e-6, carries: us ? 15 : 16 },
  field: { length: 6, area: us ? 1.31e-6 : 1e-6, carries: us ? 10 : 12 },
  warmest: 60,
  capacitance: 100e-12,
  dropRunning: 0.05,
  dropStarting: 0.15,
  supplyBudget: 0.1,
  copper: null,
});

function schemeOfVersion3({ duty, pumps, sensors }: Json, source: string): string {
  const list = Array.isArray(sensors) ? sensors.filter(isObject) : [];
  const kind = isObject(duty) ? duty.kind : '';
  if (kind === 'condensate') return 'condensate';
  if (kind === 'dose') return 'doser';
  if (Array.isArray(pumps) && pumps.length > 1) return pumps.length > 2 ? 'triplex' : 'duplex';
  if (list.some((s) => s.kind === 'bell')) return 'bells';
  if (kind === 'fill') return 'relay';
  return source === 'single' && list.some((s) => s.role === 'pump' && s.duty === 'motor') ? 'cord' : 'contactor';
}

/** About how wide a vessel of version 2 is at its narrowest, m; what is not a vessel is left for the schema to refuse. */
function narrowest(vessel: unknown): number {
  const sizes = (value: unknown): number[] =>
    isObject(value)
      ? ['diameter', 'bottomDiameter', 'topDiameter', 'length', 'width']
          .map((k) => value[k])
          .filter((v) => typeof v === 'number')
      : [];
  const shape = isObject(vessel) && isObject(vessel.shape) ? vessel.shape : {};
  const all = [...sizes(shape), ...(Array.isArray(shape.sections) ? shape.sections.flatMap(sizes) : [])];
  return all.length > 0 ? Math.min(...all) : 1;
}

function version3Sensor(sensor: unknown, index: number, aside: number): unknown {
  const place =
    index === 0
      ? { from: 'pole', bearing: 0, offset: 0.03 }
      : { from: 'axis', bearing: (150 + 45 * index) % 360, offset: aside, facing: 300 };
  return adding(sensor, (s) => ({
    changeover: false,
    place,
    ...(s.kind === 'tilt' ? { thickness: 0.08, weight: null } : {}),
    ...(s.kind === 'rod' ? { latch: 'magnet' } : {}),
  }));
}

/**
 * Brings a document of an older version up to the current one, step by step. What is not a station document at all
 * is passed through for the schema to refuse; a newer version is refused here, for nothing of it may be lost.
 */
export function upgrade(input: unknown): { ok: true; document: unknown } | { ok: false; reason: string } {
  if (typeof input !== 'object' || input === null || !('version' in input) || typeof input.version !== 'number')
    return { ok: true, document: input };
  if (!Number.isInteger(input.version) || input.version < 1) return { ok: true, document: input };
  if (input.version > CURRENT_VERSION) {
    return {
      ok: false,
      reason: `the file is of version ${input.version}; this program knows versions up to ${CURRENT_VERSION}: update the program to open it`,
    };
  }
  let document = { ...input } as Record<string, unknown>;
  for (let v = input.version; v < CURRENT_VERSION; v++) {
    document = withSettings(v + 1, STEPS[v]?.(document) ?? document);
  }
  return { ok: true, document };
}
