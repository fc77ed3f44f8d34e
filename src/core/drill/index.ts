export { DRILL_LEVELS, type LevelName } from './level';
export { drillFile, readDrill, type Drill, type DrillAct } from './drill';
export { readyFor, type Ready } from './ready';
export { benchAfter, offersOf, type Bench, type Offers } from './bench';
export type { Entry } from './step';
export { boardFor, hintAfter, reviewOf, type Review, type StepTold } from './review';
export type { WaterNow } from './water';
export { COURSE, drillOfLesson, type Lesson } from './lessons';
export { judged } from './lessons/judged';
export { passed, practiceOf, resultOf, resultRows, resultSchema, type Practice, type Result } from './marks';
export {
  levelsFound,
  levelsScore,
  questionOf,
  stripFound,
  STRIPS,
  type LevelsScore,
  type Question,
  type StripKind,
} from './exercises';
