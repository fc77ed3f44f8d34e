import { phrase, type Format, type Phrase, type Quantity } from '../units';
import type { Expectation } from './step';

/** How far a reading may lie from what the model expects and still pass. Shares of the value, or metres. Each is shown with the reading it judges. */
export const TOLERANCE = {
  /** A trip found with a tape against moving water, m. */
  trip: 0.03,
  /** A clip set with a tape, m. */
  clip: 0.01,
  /** Water by bucket or meter, time by watch, flow by level: survey, hose and curve together. */
  water: 0.2,
  /** Supply voltage against nominal, at rest and running. */
  voltage: 0.1,
  /** Motor current over its nameplate. */
  current: 0.05,
  /** Motor current at a flow, by its maker’s power curve, and by one that is assumed. */
  power: 0.1,
  assumedPower: 0.25,
} as const;

/** Something only to be seen, heard or felt. */
export const seen = (id: string, label: string, sentence: Phrase): Expectation => ({
  id,
  label,
  sentence,
  reading: null,
});

/** A reading around an expected value, with a tolerance as a share of it or as an amount in its units. */
export function around(
  id: string,
  label: string,
  expected: Quantity,
  tolerance: { share: number } | { amount: number },
): Expectation {
  const by = 'share' in tolerance ? Math.abs(expected.value) * tolerance.share : tolerance.amount;
  const band =
    'share' in tolerance
      ? phrase`${expected}, within ${{ format: 'share', value: tolerance.share }}`
      : phrase`${expected}, within ${{ format: expected.format, value: by }}`;
  return {
    id,
    label,
    sentence: band,
    reading: { expected, format: expected.format, least: expected.value - by, most: expected.value + by },
  };
}

/** A reading that must not pass a limit. */
export const atMost = (id: string, label: string, limit: Quantity): Expectation => ({
  id,
  label,
  sentence: phrase`${limit} or less`,
  reading: { expected: limit, format: limit.format, least: null, most: limit.value },
});

/** A reading that is recorded though the model cannot tell what it should be. */
export const unknown = (id: string, label: string, format: Format, why: Phrase): Expectation => ({
  id,
  label,
  sentence: why,
  reading: { expected: null, format, least: null, most: null },
});
