export { questionOf, stripFound, STRIPS, type Question, type StripKind } from './wiring';
export { levelsFound, levelsScore, type LevelsScore } from './levels';
