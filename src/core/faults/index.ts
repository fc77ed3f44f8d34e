export { type Fault, type FaultGroup, type Ailing } from './fault';
export { faultsOf } from './catalogue';
export { afflict, heldBy } from './afflict';
