import { contactPart, OPEN_LEAK, relay } from './devices';
import type { PanelBuilder } from './panelBuilder';
import type { Device, DeviceFunction, Tree } from './model';

/*
 * What tells that something is wrong with a motor or its drive, whatever the scheme: the states in which each such device is well, and a
 * contact of it for the alarm and for somebody far away.
 */

/** States in which what watches a motor says that all is well, and those in which it does not. */
const WELL: Readonly<Partial<Record<DeviceFunction, readonly [well: readonly string[], ill: readonly string[]]>>> = {
  overload: [['on'], ['tripped']],
  'drive-fault': [['on'], ['tripped']],
  'seal-relay': [['off'], ['on']],
  'motor-thermal': [['on'], ['off']],
  'phase-monitor': [['running'], ['still', 'stalled', 'single', 'backwards']],
};

const watching = (b: PanelBuilder): Device[] => (Object.keys(WELL) as DeviceFunction[]).flatMap((f) => [...b.find(f)]);

const auxiliary = (
  b: PanelBuilder,
  { tag }: Device,
  pins: readonly [string, string],
  closed: readonly string[],
  sign: 'make' | 'break',
): Tree => b.addElement(tag, pins.join('-'), { pins, sign, part: contactPart, closed, leak: OPEN_LEAK });

/** Contacts that close when something is wrong. A seal probe that was asked for rings in any case; all others where faults are to. */
export function ringing(b: PanelBuilder): Tree[] {
  const { alarm } = b.station;
  return watching(b)
    .filter((d) => alarm.faults || d.function === 'seal-relay')
    .map((d) => auxiliary(b, d, ['97', '98'], WELL[d.function]![1], 'make'));
}

/** Contacts in series that are closed while nothing is wrong. */
export const allWell = (b: PanelBuilder): Tree[] =>
  watching(b).map((d) => auxiliary(b, d, ['91', '92'], WELL[d.function]![0], 'break'));

/** What closes with a pump: its contactor, its power relay, its drive. */
const RUNS: readonly DeviceFunction[] = ['contactor', 'solid-state', 'drive', 'relay'];

/** A contact of each pump that closes while it is switched on. */
export const running = (b: PanelBuilder): { pump: number; contact: Tree }[] =>
  RUNS.flatMap((f) => [...b.find(f)])
    .filter((d) => d.pump !== undefined && d.function !== 'seal-relay')
    .map((d) => ({ pump: d.pump!, contact: auxiliary(b, d, ['83', '84'], ['on'], 'make') }));

/** Where the power of the pumps is, and at what. */
export interface PumpPower {
  readonly hot: string;
  readonly back: string;
  readonly volts: number;
}

/** A relay that is in while the pumps have power. */
export function powerRelay(b: PanelBuilder, { hot, back, volts }: PumpPower) {
  const k = relay(b, 'K13', 'the pumps have power', { volts, kind: 'ac' });
  b.rung('the pumps have power', 'power', hot, [k.coil], back);
  return k;
}
