export type { Act } from './act';
export type { Observation, Probes } from './observation';
export { RISKS, type Risk } from './risk';
export { test, type Decision, type Part, type Phase, type Test } from './test';
export { worldOf, type World } from './world';
export { perform } from './perform';
export { atRest, type Scene } from './scene';
export { standing, type Standing } from './standing';
export { GHOST, predict, predictByTurn } from './predict';
export type { Prediction } from './prediction';
export { OR_BY_TURN } from './together';
export { byTurns } from './turns';
export { catalogueOf } from './catalogue';
export { causesOf, type Cause } from './causes';
export {
  actsOf,
  byHandTo,
  faultTestsOf,
  GIVING_BACK,
  heightsOf,
  levelOf,
  minutesBetween,
  opensPipe,
  ownId,
  ownTest,
  SETTINGS,
  type FaultTest,
  type Height,
  type OwnReading,
  type Setting,
} from './finding';
export { straightIn } from './bypass';
export { isSlow } from './catalogue/water';
export { isolationOf } from './isolation';
export { leansIn } from './catalogue/dry';
export { isolatedAt, resetsOnWay } from './onWay';
