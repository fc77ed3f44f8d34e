export { DRILL_LEVELS, type LevelName } from './level';
export { drillFile, readDrill, type Drill, type DrillAct } from './drill';
export { benchAfter, offersOf, readyFor, type Bench, type Entry, type Offers, type Ready } from './bench';
export { boardFor, hintAfter, reviewOf, type Review, type StepTold } from './review';
export type { Incident } from './unsafe';
export type { WaterNow } from './water';
