export { beyond } from '../numeric';

/** Chance of so many or more where `mean` are usual and they come independently (Poisson). */
export function atLeastSoMany(count: number, mean: number): number {
  let [term, below] = [Math.exp(-mean), 0];
  for (let k = 0; k < count; k++) {
    below += term;
    term *= mean / (k + 1);
  }
  return Math.max(1 - below, 0);
}
