/** Ends of the middle 95 % of the normal distribution, in deviations. */
const Z = 1.959963984540054;

/**
 * The interval in which a chance lies with 95 % confidence after `hits` of `tries`.
 * Source: E. B. Wilson, "Probable inference, the law of succession, and statistical inference", J. Am. Stat. Assoc. 22 (1927), p. 209.
 * @param tries more than zero
 */
export function wilson(hits: number, tries: number): { low: number; high: number } {
  const p = hits / tries;
  const z2 = (Z * Z) / tries;
  const middle = (p + z2 / 2) / (1 + z2);
  const half = (Z * Math.sqrt((p * (1 - p)) / tries + z2 / (4 * tries))) / (1 + z2);
  return { low: hits === 0 ? 0 : Math.max(middle - half, 0), high: hits === tries ? 1 : Math.min(middle + half, 1) };
}
