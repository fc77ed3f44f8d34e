export { DISPLAY, faultId, LOOKED_AT, type Fault, type FaultGroup, type PumpEffects } from './fault';
export { THERMAL } from './pumps';
export { faultsOf } from './catalogue';
export { applyFaults, heldBy } from './applyFaults';
