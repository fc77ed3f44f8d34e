export type { ProofEntry } from './entry';
export { testPlan } from './plan';
export { judgeFinding, proposeVerdict, type Found, type FoundState } from './judgeFound';
export type { Expectation, Phase, Step } from './step';
export { readFound, readPlan, storePlan } from './stored';
