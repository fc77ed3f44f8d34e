import type { Device } from '../schemes';
import { without, withoutWinding } from './change';
import { type FaultEffects, type Fault, faultId, type FaultsOf, kind, type FaultKind } from './fault';

const KINDS = {
  coil: kind(
    0.02,
    'burnt out: its core stood away, or too much voltage',
    'isolate; measure the coil; change it',
    'part',
  ),
  open: kind(0.03, 'dirt or scale under its seat', 'shut the water first; clean or change the seat', 'part'),
  shut: kind(0.02, 'scale, or its core or gear stuck', 'shut the water; clean it, or change its drive', 'part'),
  pressure: kind(
    0.02,
    'the water is shut off, or a strainer is blocked',
    'open it; clean the strainer; measure the pressure',
  ),
} as const satisfies Record<string, FaultKind>;

const make = (d: Device, id: keyof typeof KINDS, label: string, effects: FaultEffects): Fault => ({
  id: faultId(d.tag, id),
  group: 'motor',
  part: d.tag,
  label: `valve: ${label}`,
  ...KINDS[id],
  effects,
});

/** A valve that does not do what its coil says, a coil that is dead, and no water before it. */
export const valveFaults: FaultsOf = (d, { panel }) => {
  const [open] = panel.outcomes.find((o) => o.device === d.tag)!.states!;
  const shut = open === 'on' ? 'off' : 'on';
  return [
    make(d, 'coil', 'its coil is open', {
      circuit: (netlist) => without(`${d.tag}.pull`)(withoutWinding(`${d.tag}.coil`)(netlist)),
    }),
    make(d, 'open', 'stuck open', { holds: { [d.tag]: open! } }),
    make(d, 'shut', 'stuck shut', { holds: { [d.tag]: shut } }),
    make(d, 'pressure', 'no pressure before it', { pumps: { [d.pump!]: { moves: false } } }),
  ];
};
