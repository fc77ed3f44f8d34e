export { judge, type Judgement } from './judge';
export { levelContext, type LevelContext } from './context';
export type { SensorTrips } from './geometry';
export { drawTime, type CycleResult } from './cycle';
export { sawtooth, type LevelAt } from './sawtooth';
export { sayNoDuty } from './sayNoDuty';
export type { JudgedRule, Part, RuleState } from './rule';
export type { TapeRow } from './tape';
export type { Raise } from './water';
