export type { Drainback } from './drainback';
export { freezingTime } from './freezing';
export { hydraulicsOf, WATER_SETTINGS, type Disorder, type Hydraulics, type Running } from './hydraulics';
export { joukowsky, materialOf, waveSpeed } from './surge';
export { ampsAt, IN_AIR, powerOf } from './power';
export type { NoDuty, OperatingPoint } from './network';
