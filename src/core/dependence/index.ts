export { dependence } from './dependence';
export { NUDGE } from './nudge';
export type { First, Hanging, Resting, RuleHangs } from './resting';
export { hangingWords, readingsSentence, restingSentence } from './sentence';
