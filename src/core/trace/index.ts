export { cardFor, looksOf, mendFor, think, tracingOf, type Bar, type Look, type Thought, type Tracing } from './think';
export { SETTING_WORDS, type Card, type Field } from './card';
export { nothingTold, readTold, traceJsonSchema, toldSchema, TRACE_VERSION, type Told } from './told';
export { LATELY, NO_PAST, type Lately, type Past } from './past';
export { fromBook } from './fromBook';
export type { Mend } from './mend';
export { play, type Played } from './play';
export { boardOf, beliefs, type Board, type Evidence } from './belief';
export { CONTROLS, SIZES, sketchStation, type Sketch } from './sketch';
