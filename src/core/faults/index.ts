export { faultId, type Fault, type FaultGroup, type Ailing } from './fault';
export { THERMAL } from './pumps';
export { faultsOf } from './catalogue';
export { afflict, heldBy } from './afflict';
