export { freezingTime } from './freezing';
export { hydraulicsOf, type Hydraulics, type NoDuty, type OperatingPoint } from './hydraulics';
