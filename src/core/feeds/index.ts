export { signalName, signalOf, signalsOf, type Signal } from './signals';
export { feedSchema, type Feed, type HttpFeed, type ModbusFeed, type Place, type Register, type Values } from './feed';
export { FORMS, TABLES, type NumberForm, type Table } from './forms';
export { blocksOf, valuesOfRegisters, type Block, type BlockRead } from './registers';
export { valuesOfJson, valuesOfTable } from './body';
export { isStale, waitFor } from './pace';
export type { FeedShown } from './shown';
export { NOTHING_BEFORE, take, type AlarmTold, type Memory, type Taken, type ToKeep } from './keep';
