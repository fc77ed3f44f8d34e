export { depthOf } from './depthOf';
export { upgrade } from './upgrade';
export {
  copperTableSchema,
  settingsSchema,
  stationSchema,
  PIPE_MATERIALS,
  pumpModelSchema,
  readPumpModel,
  type CopperTable,
  type CurvePoint,
  type Inflow,
  type InflowSource,
  type Interlock,
  type Laterals,
  type Obstacle,
  type Pump,
  type Segment,
  type Station,
  type Vessel as VesselDocument,
  type VesselShape,
} from './schema';
export { checkStation, type Checked, type Problem } from './check';
export { newStation } from './newStation';
export { COMMON_FITTINGS, COMMON_PIPES } from './fittings';
export { curveRows, readCurveRows, type CurveRead } from './curveText';
export { formOf, stationJsonSchema } from './jsonSchema';
export { CURRENT_VERSION } from './version';
export { depthTableRows, readDepthRows } from './depthTableText';
export { patternRows, readPatternRows, readStormRows, stormRows } from './inflowText';
export {
  fieldAt,
  namedFields,
  type ChoicePath,
  type DocumentPath,
  type FigurePath,
  type FlagPath,
  type WordsPath,
} from './fields';
