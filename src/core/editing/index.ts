export { getAt, setAt } from './setAt';
export { moveFloat, widenFloat, withAlarmFloat, withKind, withMeasuredRange, withProfile, withSection, withShape } from './edits';
