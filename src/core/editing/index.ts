export { getAt, setAt } from './setAt';
export { moveFloat, widenFloat, withAlarmFloat, withKind, withProfile, withShape } from './edits';
