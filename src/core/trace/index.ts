export {
  cardFor,
  looksOf,
  mendFor,
  oftenFor,
  rowsKnown,
  rowsOf,
  think,
  tracingOf,
  type Bar,
  type Look,
  type Rows,
  type Thought,
  type Tracing,
} from './think';
export { settingWords, type Card, type Field } from './card';
export { nothingTold, readTold, traceJsonSchema, type Told } from './told';
export { LATELY, NO_PAST, type Lately, type Past, type Rate } from './past';
export type { Often } from './often';
export type { KeptPart, Spare } from './spares';
export { fromBook } from './fromBook';
export type { Mend } from './mend';
export { EXPLAINED, explained } from './pairs';
export { play, told as toldOf, type By, type Played } from './play';
export { pairOf, suspectsOf } from './suspects';
export { askingOf, type Asking } from './dictionary';
export { boardOf, type Board, type Evidence } from './belief';
export { CONTROLS, SIZES, sketchStation, type Sketch } from './sketch';
