export { getAt, setAt } from './setAt';
export { withProfile } from './profileEdits';
export { withSection, withShape } from './vesselEdits';
export {
  moveFloat,
  turnFloat,
  widenFloat,
  withControlFloats,
  withKind,
  withMeasuredRange,
  withPlace,
  withRole,
  withWeight,
} from './sensorEdits';
export {
  moveCurvePoint,
  withDoseMode,
  withDuty,
  withFilling,
  withFound,
  withObstacle,
  withPumpCount,
  withPumpModel,
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
