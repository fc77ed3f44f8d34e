export { AIMS, type Aim } from './aim';
export { propose, type Gain, type Proposal } from './propose';
