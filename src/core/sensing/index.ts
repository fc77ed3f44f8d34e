export { contactClosed, hasRisen, tripsOf, type Trips } from './trips';
export { moved, settingOf, widened } from './move';
export { leanOf } from './pose';
