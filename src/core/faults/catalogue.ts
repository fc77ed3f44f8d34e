import type { Panel } from '../schemes';
import type { Station } from '../station';
import { controlFaults } from './control';
import type { Fault } from './fault';
import { pipeFaults, pumpFaults } from './pumps';
import { powerFaults } from './power';
import { sensorFaults } from './sensors';

/** Every single fault that this station can have by the parts it has, each with a name of its own. */
export const faultsOf = (station: Station, panel: Panel): Fault[] => [
  ...sensorFaults(station, panel),
  ...powerFaults(panel),
  ...controlFaults(panel),
  ...pumpFaults(station, panel),
  ...pipeFaults(station),
];
