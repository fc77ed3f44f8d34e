export { getAt, setAt } from './setAt';
export { moveFloat, widenFloat, withAlarmFloat, withKind, withShape } from './edits';
