export { readScenario, readyScenarios, type Scenario } from './scenario';
export { rehearse, type Rehearsal, type RunEvent } from './engine';
export { faultsOf, type RehearsedFault } from './faults';
export { eventRows, traceRows } from './csv';
export { whatIf, type Consequence } from './whatIf';
