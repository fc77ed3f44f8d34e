export { wire, type Wired } from './wired';
export {
  floatsAt,
  happens,
  inTheEnd,
  outcomesOf,
  type Inputs,
  inputProblems,
  resets,
  resetting,
  solveWith,
  panelSolver,
} from './inputs';
export { askedOf } from './asked';
export { asLanded, type AsLanded, type Effect } from './asLanded';
export { reasonFor, type Reason } from './why';
export { ownTable, sourceOf, typicalAmpacity } from './ampacity';
export { copperRows, readCopperRows } from './copperText';
export { awgArea, coreResistance, sizeName, soldSizes } from './conductor';
export type { WiringCheck } from './check';
export { faultLoop, supplyFigures, voltageDrop } from './supplyFigures';
export { controlFigures, holdingCapacitance } from './controlFigures';
export { boxChecks } from './boxes';
export {
  cableList,
  cableRows,
  partRows,
  partsList,
  wireList,
  wireRows,
  type CableLine,
  type PartLine,
  type Wire,
} from './lists';
export { expectedReadings, fieldInputs, usualInputs, type ExpectedReading } from './expected';
export { cautions, DEFERENCE, type Caution } from './cautions';
export { energised, type Energised } from './energised';
export { readingWords, refusedWords, shownWords } from './readingWords';
export { inputsToTry } from './inputsToTry';
