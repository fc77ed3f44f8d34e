import type { DeviceFunction, Panel } from '../schemes';
import type { Station } from '../station';
import {
  alternatorFaults,
  contactorFaults,
  cutOffFaults,
  driveFaults,
  driveTripped,
  linkFaults,
  neutralSwitched,
  orderFaults,
  permissionFaults,
  polarityFaults,
  relayFaults,
  reportFaults,
  selectorFaults,
  signalFaults,
  silenceFaults,
  timerFaults,
} from './control';
import type { Fault, FaultGroup, FaultsOf } from './fault';
import {
  batteryFlat,
  boardFaults,
  breakerOff,
  disconnectOff,
  fuseBlown,
  residualTripped,
  supplyDead,
  transformerDead,
} from './power';
import { motorFaults, overloadFaults, pipeFaults, startGearFaults } from './pumps';
import { barrierFaults, heaterFaults, heatFaults, monitorFaults, surgeFaults, transferFaults } from './panelParts';
import { valveFaults } from './valve';
import { sensorFaults } from './sensors';

const none = () => [];

/** How devices fail, by what they are for. */
const FAULTS: Readonly<Record<DeviceFunction, FaultsOf>> = {
  supply: (d, at) => [...boardFaults(d, at), ...polarityFaults(d, at)],
  'alarm-supply': boardFaults,
  disconnect: disconnectOff,
  breaker: breakerOff,
  fuse: fuseBlown,
  'residual-current': residualTripped,
  overload: overloadFaults,
  transformer: transformerDead,
  'power-supply': supplyDead,
  battery: batteryFlat,
  bar: none,
  motor: motorFaults,
  drive: driveFaults,
  'drive-fault': driveTripped,
  float: sensorFaults,
  selector: selectorFaults,
  order: orderFaults,
  button: none,
  reset: none,
  contactor: contactorFaults,
  relay: relayFaults,
  'solid-state': relayFaults,
  timer: timerFaults,
  alternator: alternatorFaults,
  silence: silenceFaults,
  horn: signalFaults,
  lamp: signalFaults,
  meter: none,
  'start-gear': startGearFaults,
  valve: valveFaults,
  'seal-relay': relayFaults,
  'motor-thermal': relayFaults,
  'winding-heat': heatFaults,
  'phase-monitor': monitorFaults,
  barrier: barrierFaults,
  heater: heaterFaults,
  surge: surgeFaults,
  transfer: transferFaults,
  generator: none,
  permission: permissionFaults,
  'cut-off': cutOffFaults,
  report: reportFaults,
  'call-for-water': reportFaults,
};

const GROUPS: readonly FaultGroup[] = ['sensor', 'power', 'control', 'motor', 'pipe'];

/**
 * Every single fault that this station can have by the parts it has, each with a name of its own.
 * @example
 * const sump = newStation('Sump', 'Yard', 'metric-230');
 * faultsOf(sump, panelOf(sump).panel)[0].label // → 'pump float: stuck up'
 */
export function faultsOf(station: Station, panel: Panel): Fault[] {
  const all = [
    ...panel.devices.flatMap((d) => FAULTS[d.function](d, { station, panel })),
    ...linkFaults(panel),
    ...neutralSwitched(panel),
    ...pipeFaults(station),
  ];
  return GROUPS.flatMap((group) => all.filter((f) => f.group === group));
}
