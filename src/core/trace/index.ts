export {
  askedOf,
  cardFor,
  looksOf,
  mendFor,
  oftenFor,
  rowsOf,
  rowsOn,
  think,
  tracingOf,
  type Bar,
  type Look,
  type Looks,
  type Rows,
  type Thought,
  type Tracing,
} from './think';
export type { Card, Field } from './card';
export { settingWords } from './settingWords';
export { nothingTold, readTold, traceJsonSchema, type Told } from './told';
export { LATELY, NO_PAST, type Lately, type Past, type Rate } from './past';
export type { Often } from './often';
export type { KeptPart, Spare } from './spares';
export { fromBook } from './fromBook';
export type { Mend } from './mend';
export { EXPLAINED, explained, withPairs } from './pairs';
export { play, told as toldOf, type By, type Played } from './play';
export { pairOf, suspectsOf } from './suspects';
export { askingOf, formatOf, type Asking, type Row } from './dictionary';
export { atTurn, truly } from './expect';
export { inseparable } from './groups';
export { nextOf } from './next';
export { ROUNDS, roundOf, saysOf } from './symptoms';
export { HEALTHY, type Suspect } from './suspect';
export { sayFound } from './words';
export { PROBED } from './told';
export { beliefs, boardOf, entropy, type Board, type Evidence } from './belief';
export { standings } from './verdict';
export { CONTROLS, SIZES, sketchStation, type Sketch } from './sketch';
