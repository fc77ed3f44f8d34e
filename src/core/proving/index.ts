export type { ProofEntry } from './entry';
export { planner, testPlan } from './plan';
export { judgeFinding, proposeVerdict, type Found, type FoundState } from './judgeFound';
export type { Expectation, Step } from './step';
export { readFound, readPlan, storePlan, WHOLE } from './stored';
export { stepsOf } from './steps';
