export { contactClosed, hasRisen, tripsOf } from './trips';
export { kindOf } from './kinds';
export type { Measure, Trips, World } from './kinds/kind';
export { breatherShift, pressureForLevel, waterInBell } from './kinds/bell';
export { worldOf } from './world';
export { leanOf } from './pose';
export { cordNeeded } from './cord';
export { tidied } from './tidied';
export { facingOf } from './swing/arm';
export {
  bestFacing,
  clearancesOf,
  leastClearance,
  swingOf,
  touchCheck,
  type TouchCheck,
  type BodyPlan,
  type Clearance,
  type SwingPart,
  type Swing,
} from './swing/index';
export { clipPoint } from './swing/arm';
