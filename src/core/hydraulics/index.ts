export { hydraulicsOf, pumpCurve, type Hydraulics, type OperatingPoint } from './hydraulics';
export { kinematicViscosity, GRAVITY } from './water';
