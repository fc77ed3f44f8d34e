export { judge, judgeContext, type Judgement } from './judge';
export type { Reserve } from './reserve';
export { summaryOf, type RuleSummary } from './summary';
export {
  alarmCalls,
  geometryOf,
  levelContext,
  sensorTrips,
  surroundingsAfter,
  surroundingsOf,
  type Asked,
  type LevelContext,
  type Surroundings,
} from './context';
export type { LevelGeometry, SensorTrips } from './geometry';
export { cycleOf as cycleAt, drawBetween, drawTime } from './cycle';
export type { CycleResult } from './cycleResult';
export { sawtooth, type LevelAt } from './sawtooth';
export { sayNoDuty } from './sayNoDuty';
export type { JudgedRule, DrawingRef, RuleState } from './rule';
export type { TapeRow, TapeSetting } from './tape';
export type { Raise } from './water';
export { actsOn, markActs, markWords, type Mark } from './marks';
export { moves, type Move } from './moves';
export { bellOf, coverNeeded } from './cover';
export { doseFigures, timedDay } from './dose';
export { columnOver } from './column';
export { lineOf, type Line } from './line';
export { systemCurves, type SystemCurves } from './systemCurves';
export { adviseSwing } from './adviseSwing';
export type { RuleId } from './rules';
export { BY_FLOATS, brokenRules, reachHolds, RULE_IDS, ruleTitle, settingsOfRule } from './required';
export { differentialOf, type Differential } from './differential';
