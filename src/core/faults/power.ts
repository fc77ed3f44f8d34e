import type { Device, Panel } from '../schemes';
import { joining, sourcesAt, without } from './change';
import { quantity } from '../units';
import { type FaultEffects, type Fault, type FaultsOf, inSizes, kind, type FaultKind } from './fault';

const KINDS = {
  'breaker-off': kind(
    0.02,
    'it opened on a passing overload, or a hand left it off',
    'find why it opened before it is closed',
  ),
  'fuse-blown': kind(0.01, 'a short in what it guards, or age', 'find the short; put in the same rating', 'part'),
  'residual-tripped': kind(
    0.05,
    'a leak to earth, or a nuisance: moisture in a splice',
    'find the leak before it is reset',
  ),
  'disconnect-off': kind(0.005, 'left off after work', 'unlock and close it when all is clear'),
  'supply-low': kind(
    0.01,
    'a long or loose feeder, or the network',
    'measure at rest and running; tighten; ask the supplier',
  ),
  'leg-lost': kind(0.005, 'a fuse of the network, or a loose terminal', 'measure leg by leg to neutral'),
  'neutral-lost': kind(0.002, 'a loose neutral', 'isolate at once: voltages wander; tighten'),
  'earth-lost': kind(0.004, 'a loose or rotten earth', 'make it good before anything is touched'),
  'mains-lost': kind(
    0.02,
    'the circuit at the board was switched off, or lost',
    'find who switched it off, and label it',
  ),
  foreign: kind(
    0.003,
    'a cracked lamp or heater in the water, or the cable of one',
    'touch nothing; isolate every circuit that goes to the pit, one by one, and measure water to earth each time',
  ),
  'transformer-dead': kind(0.004, 'a winding burnt out, or one of its leads off', 'change it, and its fuses', 'part'),
  'supply-dead': kind(0.01, 'the power supply failed with age or a surge', 'change it', 'worn'),
  'battery-flat': kind(
    0.25,
    'older than it lasts, or never charged',
    'change the battery and write the date on it',
    'worn',
  ),
} as const satisfies Record<string, FaultKind>;

const make = (id: string, which: keyof typeof KINDS, part: string, label: string, effects: FaultEffects): Fault => ({
  id,
  group: 'power',
  part,
  label,
  ...KINDS[which],
  effects,
});

/** Share of its voltage that a low supply has, the usual one first. */
const LOW = { usual: 0.72, others: [0.84] };

/** A circuit of the board lost or low, or without one of its wires. */
export const boardFaults: FaultsOf = (d, { panel }) => {
  const legs = Object.keys(d.elements).map((e) => `${d.tag}.${e}`);
  return [
    make(`${d.tag}-cut`, 'mains-lost', d.tag, `${d.label}: circuit at the board lost`, { holds: { [d.tag]: 'cut' } }),
    inSizes(
      (share) => quantity('share', share),
      LOW.usual,
      LOW.others,
      (share, ending) =>
        make(`${d.tag}-low${ending}`, 'supply-low', d.tag, `${d.label}: supply at ${Math.round(share * 100)} %`, {
          circuit: sourcesAt(share, ...legs),
        }),
    ),
    ...(legs.length > 1
      ? legs.map((leg) =>
          make(`${d.tag}-${leg.split('.')[1]}-lost`, 'leg-lost', d.tag, `${d.label}: leg ${leg.split('.')[1]} lost`, {
            circuit: without(leg),
          }),
        )
      : []),
    make(`${d.tag}-neutral-lost`, 'neutral-lost', d.tag, `${d.label}: neutral lost`, {
      circuit: without(`${d.tag}.bond`),
    }),
    make(`${d.tag}-earth-lost`, 'earth-lost', d.tag, `${d.label}: earth lost`, { circuit: without(`${d.tag}.earth`) }),
    ...foreignLeak(d, panel),
  ];
};

/** What a cracked lamp or heater in the water lets through, Ω. */
const CRACKED = 1000;

/** Something of another circuit, ahead of this panel, that leaks into the water: no switch of this panel stops it. */
function foreignLeak(d: Device, { devices }: Panel): Fault[] {
  const motor = devices.find((m) => m.function === 'motor' && m.cable);
  if (d.function !== 'supply' || !motor) return [];
  return [
    make(`${d.tag}-in-the-water`, 'foreign', d.tag, 'a lamp or heater of another circuit leaks into the water', {
      circuit: joining('foreign leak', `${d.tag}:${d.elements.L1!.pins[0]}`, `${motor.tag}:PE`, CRACKED),
    }),
  ];
}

const opened =
  (which: keyof typeof KINDS, label: (d: Device) => string) =>
  (d: Device): Fault[] => [make(`${d.tag}-off`, which, d.tag, `${d.tag} ${label(d)}`, { holds: { [d.tag]: 'off' } })];

export const disconnectOff = opened('disconnect-off', () => 'disconnect left off');
export const residualTripped = opened('residual-tripped', () => 'residual-current (ground-fault) device has tripped');
export const fuseBlown = opened('fuse-blown', (d) => `fuse blown (${d.label})`);
export const breakerOff = opened('breaker-off', (d) => `is off (${d.label})`);

const dead = (d: Device, which: 'transformer-dead' | 'supply-dead', effects: FaultEffects): Fault[] => [
  make(`${d.tag}-dead`, which, d.tag, `${d.tag} dead (${d.label})`, effects),
];

export const transformerDead = (d: Device): Fault[] =>
  dead(d, 'transformer-dead', { circuit: without(`${d.tag}.core`) });
export const supplyDead = (d: Device): Fault[] => dead(d, 'supply-dead', { holds: { [d.tag]: 'off' } });
export const batteryFlat = (d: Device): Fault[] => [
  make(`${d.tag}-flat`, 'battery-flat', d.tag, 'battery of the alarm flat', { holds: { [d.tag]: 'flat' } }),
];
