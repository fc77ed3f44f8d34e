export { mergedBy } from './merged';
export { getAt, setAt } from './setAt';
export { withProfile } from './profileEdits';
export { withSection, withShape } from './vesselEdits';
export {
  moveFloat,
  turnFloat,
  widenFloat,
  withControlFloats,
  withKind,
  withPlace,
  withRole,
  withSensorPart,
} from './sensorEdits';
export {
  moveCurvePoint,
  withDuty,
  withDutyChoice,
  withFound,
  withObstacle,
  withPumpCount,
  withPumpModel,
  withPumpsLike,
  withSource,
} from './stationEdits';
export {
  addInterlock,
  landedByDesign,
  removeInterlock,
  withCore,
  withLink,
  withOption,
  withScheme,
} from './panelEdits';
