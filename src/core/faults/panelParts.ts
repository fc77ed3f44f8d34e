import type { Device } from '../schemes';
import { resisting, without } from './change';
import { type FaultEffects, type Fault, faultId, kind, type FaultKind } from './fault';

const KINDS = {
  heat: kind(
    0.01,
    'a core of the pump’s cord is broken, or the contact has opened for good',
    'measure it at the terminals, cold: it should be closed',
  ),
  monitor: kind(
    0.006,
    'its electronics failed, or its setting was turned',
    'measure the phases first; change it where they are well',
    'part',
  ),
  barrier: kind(0.006, 'burnt out, or its supply is lost', 'change it for one of the same figures', 'part'),
  heater: kind(0.02, 'burnt out', 'change it before damp comes to the contacts', 'part'),
  surge: kind(0.01, 'a surge it could not stand, or age', 'isolate; change its cartridges', 'worn'),
  transfer: kind(0.005, 'left so after a test or a power cut', 'back to the supply; lock it there'),
} as const satisfies Record<string, FaultKind>;

const make = (d: Device, id: string, which: keyof typeof KINDS, label: string, effects: FaultEffects): Fault => ({
  id: faultId(d.tag, id),
  group: 'control',
  part: d.tag,
  label: `${d.tag} ${label} (${d.label})`,
  ...KINDS[which],
  effects,
});

/** A thermal contact that stays open though the motor is cool. */
export const heatFaults = (d: Device): Fault[] => [
  make(d, 'open', 'heat', 'thermal contact open though it is cool', { holds: { [d.tag]: 'hot' } }),
];

export const monitorFaults = (d: Device): Fault[] => [
  make(d, 'dead', 'monitor', 'says that a phase is lost', { holds: { [d.tag]: 'still' } }),
  make(d, 'stuck', 'monitor', 'says that all is well, whatever the phases', { holds: { [d.tag]: 'running' } }),
];

export const barrierFaults = (d: Device): Fault[] => [
  make(d, 'dead', 'barrier', 'lets its float through no more', { circuit: without(`${d.tag}.in`) }),
  make(d, 'stuck', 'barrier', 'stuck, as if its float were closed', { holds: { [d.tag]: 'on' } }),
];

export const heaterFaults = (d: Device): Fault[] => [
  make(d, 'dead', 'heater', 'dead', { circuit: without(`${d.tag}.load`) }),
];

/** What a surge arrester that has failed lets through, Ω. */
const FAILED = 0.5;

export const surgeFaults = (d: Device): Fault[] => [
  make(d, 'shorted', 'surge', 'has failed to earth', { circuit: resisting(`${d.tag}.L1`, FAILED) }),
];

export const transferFaults = (d: Device): Fault[] =>
  d.positions
    .filter((p) => p.state !== d.initial)
    .map((p) => make(d, p.state, 'transfer', `left on ${p.label}`, { holds: { [d.tag]: p.state } }));
