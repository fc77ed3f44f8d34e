export { contactClosed, hasRisen, tripsOf } from './trips';
export { surroundsOf } from './surrounds';
export { cordNeeded } from './cord';
export { tidied } from './tidied';
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
