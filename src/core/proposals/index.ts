export { AIMS, type Aim } from './aim';
export { aimsFor, propose, type Gain, type Proposal } from './propose';
