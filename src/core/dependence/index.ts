export { dependence } from './dependence';
export type { First, Hanging, Resting, RuleHangs } from './resting';
export { hangingWords, readingsSentence, restingSentence } from './sentence';
