import * as z from 'zod';

/*
 * The numbers and words that documents are made of: what each must be on its own, with a message in the trade's words.
 */

export const words = (longest: number) => z.string().max(longest, `is longer than ${longest} characters`);
export const named = (longest: number) => words(longest).trim().min(1, 'needs a name');
export const number = z.number('must be a number');
export const positive = (what: string, most: number) =>
  number.gt(0, `${what} must be more than zero`).max(most, `${what} is beyond anything this tool is for`);
export const atLeastZero = (what: string, most: number) =>
  number.min(0, `${what} cannot be negative`).max(most, `${what} is beyond anything this tool is for`);
export const heightAboveFloor = (what: string) => atLeastZero(what, 30);
export const whole = (what: string, most: number) =>
  number
    .int(`${what} is a whole number`)
    .min(1, `${what} must be one or more`)
    .max(most, `${what} is beyond anything this tool is for`);
/** A direction in plan, clockwise from the mark on the rim that the person chose. */
export const bearing = number
  .min(0, 'a bearing runs from 0°')
  .lt(360, 'a bearing runs to less than 360°')
  .describe('degrees clockwise, seen from above, from the mark on the rim');
export const offset = (from: string) => atLeastZero('the offset', 15).describe(`m from ${from}`);
