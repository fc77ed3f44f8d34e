import type { Expectation, Step } from './step';

/** What was found for each expectation of a step, by its id: a reading in SI, or whether it was as it should be. */
export type Found = Readonly<Record<string, number | boolean>>;

export type FoundState = 'as expected' | 'differs' | 'not entered' | 'cannot be judged';

/** One finding against its expectation. */
export function judgeFinding(expectation: Expectation, found: number | boolean | undefined): FoundState {
  if (found === undefined) return 'not entered';
  if (typeof found === 'boolean') return found ? 'as expected' : 'differs';
  const { reading } = expectation;
  if (!reading || (reading.least === null && reading.most === null)) return 'cannot be judged';
  const tooLow = reading.least !== null && found < reading.least;
  const tooHigh = reading.most !== null && found > reading.most;
  return tooLow || tooHigh ? 'differs' : 'as expected';
}

/**
 * What the findings of a step come to: fail when any differs, pass when all that can be judged are as expected, and null
 * while something is not entered. The person decides; this only proposes.
 */
export function proposeVerdict(step: Step, found: Found): 'pass' | 'fail' | null {
  const states = step.expects.map((e) => judgeFinding(e, found[e.id]));
  if (states.includes('differs')) return 'fail';
  return states.includes('not entered') ? null : 'pass';
}
