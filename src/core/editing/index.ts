export { getAt, setAt } from './setAt';
export { moveFloat, widenFloat, withAlarmFloat, withKind, withProfile, withSection, withShape } from './edits';
