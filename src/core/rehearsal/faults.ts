import { floatTag, type Panel } from '../schemes';
import type { Station } from '../station';

/** A fault that can be put into a rehearsal: what it holds, and how it changes pumps or water. */
export interface RehearsedFault {
  readonly id: string;
  readonly says: string;
  /** Devices held in a state, whatever water and hands do. */
  readonly holds: Readonly<Record<string, string>>;
  /** Share of their flow that pumps still deliver; 1 unless it says otherwise. */
  readonly delivers: number;
  /** What the inflow is multiplied by. */
  readonly inflow: number;
  /** The line drains back whole at every stop. */
  readonly drainsBack: boolean;
}

const fault = (id: string, says: string, more: Partial<RehearsedFault> = {}): RehearsedFault => ({ id, says, holds: {}, delivers: 1, inflow: 1, drainsBack: false, ...more });

/** Faults that this station can have, by the parts it has: of sensors, power, hands, pumps and pipe. */
export function faultsOf(station: Station, panel: Panel): RehearsedFault[] {
  const has = (tag: string) => panel.devices.some((d) => d.tag === tag);
  const hold = (tag: string, state: string, id: string, says: string) => (has(tag) ? [fault(id, says, { holds: { [tag]: state } })] : []);
  return [
    ...station.sensors.flatMap((s) => [
      ...hold(floatTag(s), 'down', `${s.id}-stuck-down`, `${s.role} float stuck down`),
      ...hold(floatTag(s), 'up', `${s.id}-stuck-up`, `${s.role} float stuck up`),
    ]),
    ...panel.devices.filter((d) => d.behaviour.kind === 'trip' && d.positions.some((p) => p.state === 'off')).map((d) => fault(`${d.tag}-off`, `${d.tag} is off (${d.says})`, { holds: { [d.tag]: 'off' } })),
    ...panel.devices.filter((d) => d.positions.some((p) => p.state === 'hand')).flatMap((d) => [
      fault(`${d.tag}-hand`, `${d.tag} left in Hand`, { holds: { [d.tag]: 'hand' } }),
      fault(`${d.tag}-left-off`, `${d.tag} left in Off`, { holds: { [d.tag]: 'off' } }),
    ]),
    ...station.pumps.flatMap((_, i) => hold(`F1${i + 1}`, 'tripped', `overload-${i + 1}`, `overload of pump ${i + 1} tripped`)),
    ...hold('Q0', 'off', 'disconnect-off', 'disconnect left off'),
    ...hold('GB', 'flat', 'battery-flat', 'battery of the bell flat'),
    ...hold('W9', 'cut', 'bell-supply-lost', 'the bell’s own supply lost'),
    ...hold('U1F', 'tripped', 'drive-fault', 'drive in fault'),
    fault('clogged', 'impeller clogged: half the flow', { delivers: 0.5 }),
    fault('blocked', 'discharge blocked or frozen', { delivers: 0 }),
    fault('valve-open', 'check valve stuck open: the line drains back', { drainsBack: true }),
    fault('inflow-double', 'inflow twice the design', { inflow: 2 }),
  ];
}
