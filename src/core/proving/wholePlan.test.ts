import { describe, expect, it } from 'vitest';
import { demoStations } from '../demo';
import { sayPhrase } from '../units';
import { SCHEMES } from '../schemes';
import type { Station } from '../station';
import { testPlan, type Expectation } from './index';

/*
 * The whole plan of a station of each scheme, written by hand: which tests it needs, what each must find. Heights, volumes and times are worked out
 * here from the tape and the vessel, by school geometry; volts from which side of the load a contact stands on; what floats do from what the scheme is for.
 */

const demo = (file: string): Station => demoStations().find((d) => d.file === `${file}.json`)!.station;
const INCH = 0.0254;
const rad = (degrees: number) => (degrees * Math.PI) / 180;
/** How far above and below its clip a tilt float turns: tether and half its body as the arm. */
const swing = (tether: number, degrees: number, half = 0.05) => (tether + half) * Math.sin(rad(degrees));
const round = (diameter: number) => (Math.PI / 4) * diameter ** 2;
/** Litres of a drum that lies, filled to a height: segment of a circle by its length. */
const lying = (d: number, long: number, h: number) => {
  const r = d / 2;
  return long * (r ** 2 * Math.acos((r - h) / r) - (r - h) * Math.sqrt(2 * r * h - h ** 2));
};

interface Hand {
  readonly file: string;
  readonly scheme: string;
  readonly steps: string;
  /** What a contact is, hanging: open (o) or closed (c), by its sensor. */
  readonly contacts: Readonly<Record<string, 'o' | 'c'>>;
  /** Volts over each input at rest and worked: a figure, 0, or a ghost. */
  readonly inputs?: Readonly<Record<string, readonly [rest: number | 'ghost', worked: number]>>;
  /** What is said, by step and expectation; a sentence begins so. */
  readonly says: Readonly<Record<string, string>>;
  /** What is measured, SI, levels from the rim down. */
  readonly figures: Readonly<Record<string, number>>;
  readonly volts: number;
  readonly left: string;
}

const RINGS = 'the lamp is lit, the horn sounds';
const QUIET = 'the lamp is out, the horn is quiet';
const BY_ITSELF = (does: string) => `${does} by its own switch: this panel has no part in it`;
const ALARM = 'fill-alarm silence battery';
const END = 'stray close hand-over';

const sump = round(0.9);
const storm = round(2);
const slip = round(2.8);
const well = round(0.6);
const tank = 2 * 1.2;
const set = 14 * INCH * 8 * INCH;
const wide = swing(0.15, 45);
const ten = swing(0.1, 10);
const arm = swing(0.15, 10);
const drum = (h: number) => lying(1.8, 4, h);

const PLANS: readonly Hand[] = [
  {
    file: 'workshop-sump',
    scheme: 'cord',
    volts: 230,
    left: 'in the back of the float’s plug: nothing left in Hand',
    steps: `isolate bench-pump bench-alarm tape dry-lift fill-lead running pump-down drawdown ${ALARM} recover ${END}`,
    contacts: { pump: 'o', alarm: 'o' },
    says: {
      'dry-lift/lift-pump': 'pump 1 runs',
      'dry-lift/drop-pump': 'pump 1 stands',
      'dry-lift/lift-alarm': RINGS,
      'dry-lift/drop-alarm': QUIET,
      'fill-lead/reacts': 'pump 1 runs',
      'pump-down/stops': 'pump 1 stands',
      'pump-down/stays': 'pump 1 stands',
      'fill-alarm/alarm': RINGS,
      'recover/starts': 'pump 1 runs',
    },
    figures: {
      'tape/clip-pump': 1.4 - 0.475,
      'tape/tether-pump': 0.15,
      'tape/clip-alarm': 1.4 - 0.85,
      'tape/tether-alarm': 0.1,
      'fill-lead/volume': sump * 2 * wide,
      'fill-lead/time': (sump * 2 * wide) / 0.3e-3,
      'fill-lead/level': 1.4 - 0.475 - wide,
      'pump-down/level': 1.4 - 0.475 + wide,
      'fill-alarm/volume': sump * (0.85 + ten - 0.475 - wide),
      'fill-alarm/level': 1.4 - 0.85 - ten,
      'recover/clears': 1.4 - 0.85 + ten,
    },
  },
  {
    file: 'underpass-storm-sump',
    scheme: 'duplex',
    volts: 400,
    left: 'at automatic: nothing left in Hand',
    steps: `isolate bench-stop bench-lead bench-lag bench-alarm tape rotation input-volts dry-lift fill-lead running running-2 pump-down drawdown drawdown-2 fill-lag-2 alternator fill-alarm silence battery remote recover ${END}`,
    contacts: { stop: 'o', lead: 'o', lag: 'o', alarm: 'o' },
    // The stop float seals the call of the lead float in: alone each has nothing behind it.
    inputs: { stop: ['ghost', 0], lead: ['ghost', 0], lag: [230, 0], alarm: [230, 0] },
    says: {
      'dry-lift/lift-stop': 'nothing changes',
      'dry-lift/drop-stop': 'nothing changes',
      'dry-lift/lift-lead': 'one pump starts, whose turn it is: from new pump 1',
      'dry-lift/drop-lead': 'nothing changes: what runs goes on',
      'dry-lift/lift-lag': 'one pump starts, whose turn it is: from new pump 2',
      'dry-lift/drop-lag': 'nothing changes (pump 1 runs, pump 2 runs)',
      'dry-lift/lift-alarm': `${RINGS}, the dialler is told`,
      'dry-lift/drop-alarm': `${QUIET}, the dialler is not told`,
      'fill-lead/reacts': 'one pump starts, whose turn it is: from new pump 1',
      'pump-down/stops': 'the pump that ran stands',
      'pump-down/stays': 'pump 1 stands, pump 2 stands',
      'fill-lag-2/reacts': 'pump 1 runs, pump 2 runs',
      'alternator/turns': 'from new: pump 1, then 2, then 1',
      'fill-alarm/alarm': `${RINGS}, the dialler is told`,
      'remote/remote': `${RINGS}, the dialler is told`,
      'recover/starts': 'pump 1 runs, pump 2 runs',
    },
    figures: {
      'tape/clip-stop': 3.2 - 0.75,
      'tape/clip-lead': 3.2 - 1.5,
      'tape/clip-lag': 3.2 - 1.85,
      'tape/clip-alarm': 3.2 - 2.1,
      ...Object.fromEntries(['stop', 'lead', 'lag', 'alarm'].map((f) => [`tape/tether-${f}`, 0.15])),
      'fill-lead/volume': storm * (1.5 + arm - 0.75 + arm),
      'fill-lead/time': (storm * (0.75 + 2 * arm)) / 0.3e-3,
      'fill-lead/level': 3.2 - 1.5 - arm,
      'pump-down/level': 3.2 - 0.75 + arm,
      'fill-lag-2/volume': storm * 0.35,
      'fill-lag-2/level': 3.2 - 1.85 - arm,
      'fill-alarm/volume': storm * 0.6,
      'fill-alarm/level': 3.2 - 2.1 - arm,
      'recover/clears': 3.2 - 2.1 + arm,
    },
  },
  {
    file: 'lodge-grinder-well',
    scheme: 'bells',
    volts: 230,
    left: 'its breaker on, no lock left',
    steps: `isolate bench-pump bench-alarm tape input-volts dry-lift fill-lead running pump-down drawdown fill-alarm silence battery remote recover ${END}`,
    contacts: { pump: 'o', alarm: 'o' },
    // Each switch stands before its coil: the whole supply over it while it is open.
    inputs: { pump: [230, 0], alarm: [230, 0] },
    says: {
      'dry-lift/lift-pump': 'pump 1 runs',
      'dry-lift/drop-pump': 'pump 1 stands',
      // The alarm's switch runs the pump as well, and both stay until they are reset.
      'dry-lift/lift-alarm': `${RINGS}, the dialler is told`,
      'dry-lift/drop-alarm': 'nothing changes (pump 1 runs, the horn sounds)',
      'fill-lead/reacts': 'pump 1 runs',
      'pump-down/stops': 'pump 1 stands',
      'pump-down/stays': 'pump 1 stands',
      'fill-alarm/alarm': `${RINGS}, the dialler is told`,
      'remote/remote': `${RINGS}, the dialler is told`,
      'recover/starts': 'pump 1 runs',
      'recover/stays': 'nothing changes (pump 1 runs, the horn sounds)',
      'recover/clears': `${QUIET}, the dialler is not told`,
    },
    figures: {
      'tape/mouth-pump': 2.2 - 0.42,
      'tape/mouth-alarm': 2.2 - 0.95,
      // What lies between the two pressures of a bell is its maker's: of the volumes only the heights are taken, and the well is round.
      'fill-lead/volume': well * (1.604 - 1.334),
      'fill-lead/time': (well * 0.27) / 0.3e-3,
      'fill-alarm/volume': well * (1.334 - 1.084),
    },
  },
  {
    file: 'sand-bed-dosing-tank',
    scheme: 'doser',
    volts: 230,
    left: 'at automatic: nothing left in Hand',
    steps: `isolate bench-low bench-pump bench-peak bench-alarm tape input-volts dry-lift fill-lead running dose low-water rest-peak drawdown ${ALARM} recover ${END}`,
    contacts: { low: 'o', pump: 'o', peak: 'o', alarm: 'o' },
    // The low float shorts the buzzer out while the tank has water: hanging it feeds it, and nothing stands over it.
    inputs: { pump: [230, 0], peak: [230, 0], low: [0, 230], alarm: [12, 0] },
    says: {
      'dry-lift/lift-low': QUIET,
      'dry-lift/drop-low': RINGS,
      // 3500 s of rest are 58 min 20 s, 2000 s at the peak 33 min 20 s.
      'dry-lift/lift-pump': 'nothing changes; after 58 min 20 s pump 1 runs',
      'dry-lift/drop-pump': 'nothing changes',
      'dry-lift/lift-peak': 'nothing changes; after 33 min 20 s pump 1 runs',
      'dry-lift/drop-peak': 'nothing changes; after 58 min 20 s pump 1 runs',
      'dry-lift/lift-alarm': `${RINGS}; after 33 min 20 s pump 1 runs`,
      'dry-lift/drop-alarm': `${QUIET}; after 33 min 20 s pump 1 runs`,
      'fill-lead/reacts': 'nothing changes; after 58 min 20 s pump 1 runs',
      'dose/stops': 'pump 1 stands; after 58 min 20 s pump 1 runs',
      // The timer goes on while its pump is held off.
      'low-water/held': `pump 1 stands, ${RINGS}`,
      'low-water/free': `pump 1 runs, ${QUIET}; after 45 s pump 1 stands`,
      'rest-peak/starts': 'pump 1 runs; after 45 s pump 1 stands',
      'fill-alarm/alarm': RINGS,
      'recover/starts': 'pump 1 stands; after 33 min 20 s pump 1 runs',
    },
    figures: {
      'tape/clip-low': 1.7 - 0.26,
      'tape/clip-pump': 1.7 - 0.6,
      'tape/clip-peak': 1.7 - 0.95,
      'tape/clip-alarm': 1.7 - 1.2,
      ...Object.fromEntries(['low', 'peak', 'alarm'].map((f) => [`tape/tether-${f}`, 0.1])),
      'tape/tether-pump': 0.12,
      'fill-lead/volume': tank * 2 * swing(0.12, 20),
      'fill-lead/time': (tank * 2 * swing(0.12, 20)) / 0.3e-3,
      'fill-lead/level': 1.7 - 0.6 - swing(0.12, 20),
      'dose/run': 45,
      'rest-peak/rest': 2000,
      'fill-alarm/volume': tank * (1.2 + ten - 0.6 - swing(0.12, 20)),
      'fill-alarm/level': 1.7 - 1.2 - ten,
      'recover/clears': 1.7 - 1.2 + ten,
    },
  },
  {
    file: 'rain-cistern',
    scheme: 'drive',
    volts: 230,
    left: 'its breaker on, no lock left',
    steps: `isolate bench-low bench-pump tape input-volts dry-lift fill-lead running pump-down low-water drawdown ${END}`,
    contacts: { low: 'o', pump: 'o' },
    // The drive feeds its own inputs with 24 V; behind the open start float the low one has nothing to show.
    inputs: { pump: [24, 0], low: [0, 0] },
    says: {
      'dry-lift/lift-low': 'nothing changes',
      'dry-lift/drop-low': 'nothing changes',
      'dry-lift/lift-pump': 'pump 1 runs',
      'dry-lift/drop-pump': 'pump 1 stands',
      'fill-lead/reacts': 'pump 1 runs',
      'pump-down/stops': 'pump 1 stands',
      'pump-down/stays': 'pump 1 stands',
      'low-water/held': 'pump 1 stands',
      'low-water/free': 'pump 1 runs',
    },
    figures: {
      'tape/height-low': 1.8 - 0.3,
      'tape/clip-pump': 1.8 - 0.63,
      'tape/tether-pump': 0.3,
      'fill-lead/volume': drum(0.63 + swing(0.3, 35)) - drum(0.63 - swing(0.3, 35)),
      'fill-lead/level': 1.8 - 0.63 - swing(0.3, 35),
      'pump-down/level': 1.8 - 0.63 + swing(0.3, 35),
    },
  },
  {
    file: 'workshop-header-tank',
    scheme: 'relay',
    volts: 230,
    left: 'its breaker on, no lock left',
    steps: `isolate bench-low bench-pump bench-alarm tape input-volts dry-lift draw-start fill-up silence battery ${END}`,
    // It fills: the float that runs the pump is closed while it hangs.
    contacts: { low: 'o', pump: 'c', alarm: 'o' },
    inputs: { pump: [0, 24], low: [0, 24], alarm: [12, 0] },
    says: {
      // Low water rings here; it cuts nothing, because the pump brings water.
      'dry-lift/lift-low': QUIET,
      'dry-lift/drop-low': RINGS,
      'dry-lift/lift-pump': 'pump 1 stands, Rain cistern may not fill it',
      'dry-lift/drop-pump': 'pump 1 runs, Rain cistern may fill it',
      'dry-lift/lift-alarm': RINGS,
      'dry-lift/drop-alarm': QUIET,
      'draw-start/reacts': 'pump 1 runs, Rain cistern may fill it',
      'fill-up/stops': 'pump 1 stands, Rain cistern may not fill it',
      'fill-up/after': 'no more runs in, after at most 4.0 s',
    },
    figures: {
      'tape/clip-low': 1.1 - 0.2,
      'tape/clip-pump': 1.1 - 0.58,
      'tape/clip-alarm': 1.1 - 0.92,
      'tape/tether-low': 0.1,
      'tape/tether-pump': 0.25,
      'tape/tether-alarm': 0.1,
      'draw-start/level': 1.1 - 0.58 + swing(0.25, 45),
      'fill-up/level': 1.1 - 0.58 - swing(0.25, 45),
    },
  },
  {
    file: 'slipway-drainage-pit',
    scheme: 'triplex',
    volts: 400,
    left: 'at automatic: nothing left in Hand',
    steps: `isolate bench-stop bench-lead bench-lag bench-lag2 bench-alarm tape rotation input-volts dry-lift fill-lead running running-2 running-3 pump-down drawdown drawdown-2 drawdown-3 fill-lag-2 fill-lag-3 alternator fill-alarm silence battery remote recover ${END}`,
    contacts: { stop: 'o', lead: 'o', lag: 'o', lag2: 'o', alarm: 'o' },
    inputs: { stop: ['ghost', 0], lead: ['ghost', 0], lag: [230, 0], lag2: [230, 0], alarm: [230, 0] },
    says: {
      'dry-lift/lift-stop': 'nothing changes',
      'dry-lift/drop-stop': 'nothing changes',
      'dry-lift/lift-lead': 'one pump starts, whose turn it is: from new pump 1',
      'dry-lift/drop-lead': 'nothing changes: what runs goes on',
      'dry-lift/lift-lag': 'one pump starts, whose turn it is: from new pump 2',
      'dry-lift/drop-lag': 'nothing changes: what runs goes on',
      'dry-lift/lift-lag2': 'one pump starts, whose turn it is: from new pump 3',
      'dry-lift/drop-lag2': 'nothing changes (pump 1 runs, pump 2 runs, pump 3 runs)',
      'dry-lift/lift-alarm': `${RINGS}, the dialler is told`,
      'dry-lift/drop-alarm': `${QUIET}, the dialler is not told`,
      'fill-lead/reacts': 'one pump starts, whose turn it is: from new pump 1',
      'pump-down/stops': 'the pump that ran stands',
      'pump-down/stays': 'pump 1 stands, pump 2 stands, pump 3 stands',
      'fill-lag-2/reacts': 'pump 1 runs, pump 2 runs, pump 3 stands, or, by whose turn it is',
      'fill-lag-3/reacts': 'pump 1 runs, pump 2 runs, pump 3 runs',
      'alternator/turns': 'from new: pump 1, then 2, then 3, then 1',
      'fill-alarm/alarm': `${RINGS}, the dialler is told`,
      'remote/remote': `${RINGS}, the dialler is told`,
      'recover/starts': 'pump 1 runs, pump 2 runs, pump 3 runs',
    },
    figures: {
      'tape/clip-stop': 3.6 - 0.85,
      'tape/clip-lead': 3.6 - 1.45,
      'tape/clip-lag': 3.6 - 1.75,
      'tape/clip-lag2': 3.6 - 2.05,
      'tape/clip-alarm': 3.6 - 2.35,
      ...Object.fromEntries(['stop', 'lead', 'lag', 'lag2', 'alarm'].map((f) => [`tape/tether-${f}`, 0.15])),
      'fill-lead/volume': slip * (1.45 - 0.85 + 2 * arm),
      'fill-lead/time': (slip * (0.6 + 2 * arm)) / 0.3e-3,
      'fill-lead/level': 3.6 - 1.45 - arm,
      'pump-down/level': 3.6 - 0.85 + arm,
      'fill-lag-2/volume': slip * 0.3,
      'fill-lag-2/level': 3.6 - 1.75 - arm,
      'fill-lag-3/volume': slip * 0.3,
      'fill-lag-3/level': 3.6 - 2.05 - arm,
      'fill-alarm/volume': slip * 0.9,
      'fill-alarm/level': 3.6 - 2.35 - arm,
      'recover/clears': 3.6 - 2.35 + arm,
    },
  },
  {
    file: 'cold-store-condensate',
    scheme: 'condensate',
    volts: 120,
    left: 'its breaker on, no lock left',
    steps: `isolate bench-pump bench-cutoff tape input-volts dry-lift fill-lead running pump-down drawdown cut-off ${END}`,
    // The cut-off lets the appliance run while it hangs.
    contacts: { pump: 'o', cutoff: 'c' },
    inputs: { pump: [120, 0], cutoff: [0, 12] },
    says: {
      'dry-lift/lift-pump': 'pump 1 runs',
      'dry-lift/drop-pump': 'pump 1 stands',
      'dry-lift/lift-cutoff': 'the lamp is lit, cold store coils is stopped',
      'dry-lift/drop-cutoff': 'the lamp is out, cold store coils may run',
      'fill-lead/reacts': 'pump 1 runs',
      'pump-down/stops': 'pump 1 stands',
      'pump-down/stays': 'pump 1 stands',
      'cut-off/stops': 'the lamp is lit, cold store coils is stopped',
      'cut-off/again': 'the lamp is out, cold store coils may run',
    },
    figures: {
      // Its stops are taped from the rim: ten inches, less what the maker gives from the floor.
      'tape/upperStop-pump': (10 - 5.25) * INCH,
      'tape/lowerStop-pump': (10 - 2.25) * INCH,
      'tape/upperStop-cutoff': (10 - 8.25) * INCH,
      'tape/lowerStop-cutoff': (10 - 7.5) * INCH,
      'fill-lead/volume': set * 3 * INCH,
      'fill-lead/level': (10 - 5.25) * INCH,
      'pump-down/level': (10 - 2.25) * INCH,
      'cut-off/level': (10 - 8.25) * INCH,
    },
  },
  {
    file: 'wash-down-basin',
    scheme: 'contactor',
    volts: 240,
    left: 'at automatic: nothing left in Hand',
    steps: `isolate bench-low bench-pump bench-alarm tape rotation input-volts dry-lift fill-lead running pump-down low-water drawdown ${ALARM} recover ${END}`,
    contacts: { low: 'o', pump: 'o', alarm: 'o' },
    // A control transformer halves 240 V; the low float stands behind the level switch, whose coil it would feed.
    inputs: { pump: [120, 0], low: [0, 120], alarm: [12, 0] },
    says: {
      'dry-lift/lift-low': 'nothing changes',
      'dry-lift/drop-low': 'nothing changes',
      'dry-lift/lift-pump': 'pump 1 runs',
      'dry-lift/drop-pump': 'pump 1 stands',
      'dry-lift/lift-alarm': RINGS,
      'dry-lift/drop-alarm': QUIET,
      'fill-lead/reacts': 'pump 1 runs',
      'pump-down/stops': 'pump 1 stands',
      'pump-down/stays': 'pump 1 stands',
      'low-water/held': 'pump 1 stands',
      'low-water/free': 'pump 1 runs',
      'fill-alarm/alarm': RINGS,
      'recover/starts': 'pump 1 runs',
    },
    figures: {
      'tape/clip-low': (72 - 15) * INCH,
      'tape/tether-low': 0.1,
      'tape/on-pump': (72 - 34) * INCH,
      'tape/off-pump': (72 - 22) * INCH,
      'tape/zero-pump': (72 - 4) * INCH,
      'tape/clip-alarm': (72 - 62) * INCH,
      'tape/tether-alarm': 0.1,
      'fill-lead/level': (72 - 34) * INCH,
      'pump-down/level': (72 - 22) * INCH,
      // Square feet by height: 75 at one foot, 120 at two, 190 at four; between them in a straight line.
      'fill-lead/volume': basin(22, 34),
    },
  },
  {
    // The same cellar as it would be with a panel that only watches: its pump has a rod switch of its own.
    file: 'ticket-office-cellar',
    scheme: 'alarm-only',
    volts: 230,
    left: 'its breaker on, no lock left',
    steps: `isolate bench-pump bench-alarm tape input-volts dry-lift fill-lead running pump-down drawdown fill-alarm silence recover ${END}`,
    contacts: { pump: 'o', alarm: 'o' },
    inputs: { alarm: [12, 0] },
    says: {
      'dry-lift/lift-pump': BY_ITSELF('starts'),
      'dry-lift/drop-pump': BY_ITSELF('stops'),
      'dry-lift/lift-alarm': RINGS,
      'dry-lift/drop-alarm': QUIET,
      'fill-lead/reacts': BY_ITSELF('starts'),
      'pump-down/stays': 'the pump stays still',
      'fill-alarm/alarm': RINGS,
      'recover/starts': BY_ITSELF('starts'),
    },
    figures: {
      'tape/upperStop-pump': 0.6 - 0.27,
      'tape/lowerStop-pump': 0.6 - 0.12,
      'tape/clip-alarm': 0.6 - 0.38,
      'tape/tether-alarm': 0.085,
      'fill-lead/volume': 0.4 * 0.4 * 0.15,
      'fill-lead/time': (0.4 * 0.4 * 0.15) / 0.3e-3,
      'fill-lead/level': 0.6 - 0.27,
      'pump-down/level': 0.6 - 0.12,
      'fill-alarm/volume': 0.16 * (0.38 + swing(0.085, 10, 0.04) - 0.27),
      'fill-alarm/level': 0.6 - 0.38 - swing(0.085, 10, 0.04),
      'recover/clears': 0.6 - 0.38 + swing(0.085, 10, 0.04),
    },
  },
];

/** Of the basin between two heights in inches, m³: its area in square feet is 120 at 24 in and goes in straight lines to 75 at 12 and 190 at 48. */
function basin(from: number, to: number): number {
  const area = (inch: number) => (inch <= 24 ? 75 + (45 * (inch - 12)) / 12 : 120 + (70 * (inch - 24)) / 24);
  const foot = 12 * INCH;
  const slice = (a: number, b: number) => ((area(a) + area(b)) / 2) * ((b - a) / 12);
  return (slice(from, 24) + slice(24, to)) * foot ** 3;
}

/** What every plan says alike, by step and expectation. */
const ALWAYS: readonly (readonly [RegExp, RegExp])[] = [
  [/^isolate\/dead$/, /^5 V or less$/],
  [/^tape\/swing$/, /^free: no pump, pipe, wall or other float in the way$/],
  [/^rotation\/turns-\d$/, /with the arrow; of the two orders the one with more flow is right$/],
  [/\/weep$/, /no flow back for longer than the pipe takes to empty$/],
  [/^fill-alarm\/heard$/, /^is heard at: ./],
  [/^silence\/silenced$/, /^the horn is quiet$/],
  [/^battery\/battery$/, /^nothing changes \(the horn sounds\)$/],
  [/^remote\/received$/, /^the alarm is received there, and its end too$/],
  [/^stray\/volts$/, /^2 V or less$/],
  [/^stray\/trip$/, /^trips at once, and resets$/],
  [/^close\/lid$/, /^on, tight, no gap$/],
  [/^close\/cords$/, /^sealed; plugs above flood level and dry$/],
  [/^close\/vent$/, /^open$/],
  [/^hand-over\/owner$/, /^knows what the alarm means and whom to call: ./],
  [/^hand-over\/card$/, /^on the lid or panel, of this revision$/],
];

/** What follows from other figures of the same plan, and is checked by itself. */
const FOLLOWS =
  /^(fill-lead\/(time|level|volume)|fill-alarm\/(time|level|volume)|pump-down\/(run|level)|drawdown(-\d)?\/(drop|flow)|running(-\d)?\/.*|dose\/volume|recover\/(run|clears)|fill-up\/run|cut-off\/level)$/;

const said = (e: Expectation) => sayPhrase(e.sentence, 'metric');
const figure = (e: Expectation | undefined) => e!.reading!.expected!.value;

describe.each(PLANS)('the whole plan of a $scheme, by hand', (hand) => {
  const surveyed = demo(hand.file);
  const station: Station = { ...surveyed, control: { ...surveyed.control, scheme: hand.scheme } };
  const plan = testPlan(station);
  const all = new Map<string, Expectation>(plan.flatMap((s) => s.expects.map((e) => [`${s.id}/${e.id}`, e])));

  it('has these tests in this order and no other', () => {
    if (hand.scheme !== 'alarm-only') expect(surveyed.control.scheme).toBe(hand.scheme);
    expect(plan.map((s) => s.id).join(' ')).toBe(hand.steps);
  });

  it('finds every contact as it hangs, as it is raised, and back', () => {
    for (const [sensor, is] of Object.entries(hand.contacts)) {
      const [open, closed] = [/^open: no continuity$/, /^closed: near 0 Ω$/];
      const of = (id: string) => said(all.get(`bench-${sensor}/${id}`)!);
      expect(of('hanging')).toMatch(is === 'o' ? open : closed);
      expect(of('raised')).toMatch(is === 'o' ? closed : open);
      expect(of('back')).toBe(`${is === 'o' ? 'open' : 'closed'} again, with a click`);
    }
    expect(plan.filter((s) => s.phase === 'bench')).toHaveLength(Object.keys(hand.contacts).length);
  });

  it('reads over each input what stands behind it', () => {
    for (const [sensor, pair] of Object.entries(hand.inputs ?? {}))
      for (const [i, id] of (['rest', 'worked'] as const).entries()) {
        const e = all.get(`input-volts/${id}-S-${sensor}`)!;
        const is = pair[i]!;
        if (is === 'ghost') expect(said(e)).toMatch(/a ghost, nothing stands behind it$/);
        else if (is === 0) expect(said(e)).toBe('5 V or less');
        else {
          expect(figure(e) / is).toBeGreaterThan(0.95);
          expect(figure(e) / is).toBeLessThan(1.05);
        }
      }
    const read = [...all.keys()].filter((k) => k.startsWith('input-volts/'));
    expect(read).toHaveLength(2 * Object.keys(hand.inputs ?? {}).length);
  });

  it.each(Object.entries(hand.says))('%s: %s', (key, sentence) => {
    const is = said(all.get(key)!);
    expect(
      is === sentence ||
        is.startsWith(`${sentence};`) ||
        is.startsWith(`${sentence},`) ||
        is.startsWith(sentence + ':'),
    ).toBe(true);
  });

  it.each(Object.entries(hand.figures))('%s is %d', (key, value) => {
    // Heights to a millimetre, the rest to two in a hundred.
    const off = Math.abs(figure(all.get(key)) - value);
    expect(off).toBeLessThan(/level|clears|tape/.test(key) ? 0.001 : 0.02 * value);
  });

  it('proves the supply of this panel, before and after', () => {
    for (const id of ['known-before', 'known-after']) expect(figure(all.get(`isolate/${id}`))).toBe(hand.volts);
    expect(said(all.get('hand-over/automatic')!)).toBe(hand.left);
  });

  it('times what it moves: volume by flow, and the fall by the area under it', () => {
    const flow = all.has('drawdown/flow') ? figure(all.get('drawdown/flow')) : null;
    if (all.has('pump-down/run'))
      expect((figure(all.get('pump-down/run')) * flow!) / figure(all.get('fill-lead/volume'))).toBeCloseTo(1, 1);
    // The pumps of one pit here are alike, and each is asked by itself.
    const others = [...all.keys()].filter((k) => /^drawdown-\d\/flow$/.test(k));
    expect(others).toHaveLength(/drawdown-\d/.test(hand.steps) ? station.pumps.length - 1 : 0);
    for (const key of others) expect(figure(all.get(key)) / flow!).toBeCloseTo(1, 6);
    // So are their motors: each draws what the first draws, by its own turn.
    const amps = [...all.keys()].filter((k) => /^running-\d\/amps-at-flow$/.test(k));
    expect(amps).toHaveLength(/running-\d/.test(hand.steps) ? station.pumps.length - 1 : 0);
    for (const key of amps) expect(figure(all.get(key)) / figure(all.get('running/amps-at-flow'))).toBeCloseTo(1, 2);
    if (all.has('dose/volume')) expect(figure(all.get('dose/volume')) / 45 / flow!).toBeCloseTo(1, 1);
  });

  it('says nothing that is not written here', () => {
    const rest = [...all].filter(([key, e]) => {
      if (key in hand.says || key in hand.figures || FOLLOWS.test(key)) return false;
      if (/^(bench-|input-volts\/|isolate\/known|hand-over\/automatic)/.test(key)) return false;
      const always = ALWAYS.find(([of]) => of.test(key));
      return !always || !always[1].test(said(e));
    });
    expect(rest.map(([key, e]) => `${key}: ${said(e)}`)).toEqual([]);
  });
});

describe.each(PLANS.filter((p) => / running /.test(p.steps)))('the supply of a $scheme', ({ file, scheme, volts }) => {
  it('reads as it should at rest, and a little less under load', () => {
    const surveyed = demo(file);
    const step = testPlan({ ...surveyed, control: { ...surveyed.control, scheme } }).find((s) => s.id === 'running')!;
    const share = (id: string) => figure(step.expects.find((e) => e.id === id)) / volts;
    expect(share('rest-volts')).toBeCloseTo(1, 2);
    expect(share('run-volts')).toBeLessThanOrEqual(1);
    expect(share('run-volts')).toBeGreaterThan(0.95);
  });
});

describe('every scheme', () => {
  it('has a plan that is written by hand', () => {
    expect(PLANS.map((p) => p.scheme).sort()).toEqual(SCHEMES.map((s) => s.id).sort());
  });
});
