export { cardFor, mendFor, SETTING_WORDS, think, tracingOf, type Bar, type Card, type Field, type Thought, type Tracing } from './think';
export { nothingTold, readTold, traceJsonSchema, toldSchema, TRACE_VERSION, type Told } from './told';
export { LATELY, NO_PAST, type Lately, type Past } from './past';
export { fromBook } from './fromBook';
export type { Mend } from './mend';
export { play, type Played } from './play';
export { boardOf, beliefs, type Board, type Evidence } from './belief';
