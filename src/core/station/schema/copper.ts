import * as z from 'zod';
import { named, number, positive } from './numbers';

/*
 * A firm's own table of what copper carries, where it does not go by the common ones: by the figures of its code, of its engineer, or of the
 * cable that it buys. A row a size, one circuit by itself at 30 °C; air and company are corrected as with the common tables.
 */

const row = z.strictObject({
  area: positive('a size', 500e-6).describe('copper of each core, m²'),
  carries: positive('what a size carries', 1000).describe('A, one circuit by itself in air of 30 °C'),
});
type Row = z.infer<typeof row>;

/** Where a row carries less than a thinner one, or comes out of turn: its index; −1 where none does. */
const outOfTurn = (rows: readonly Row[]): number =>
  rows.findIndex((r, i) => i > 0 && (r.area <= rows[i - 1]!.area || r.carries < rows[i - 1]!.carries));

export const copperTableSchema = z.strictObject({
  source: named(80).describe('where the figures come from, as it is said beside them'),
  hottest: number
    .min(50, 'no cable is made for less than 50 °C')
    .max(120, 'hotter than cable is made for')
    .describe('°C of the conductor that the figures are for'),
  rows: z
    .array(row)
    .min(1, 'a table has a size')
    .max(40, 'more than forty sizes')
    .check(({ value, issues }) => {
      const i = outOfTurn(value);
      if (i > 0)
        issues.push({
          code: 'custom',
          input: value,
          path: [i],
          message:
            value[i]!.area <= value[i - 1]!.area
              ? 'sizes go from the thinnest to the thickest, each once'
              : 'more copper cannot carry less',
        });
    }),
});

export type CopperTable = z.infer<typeof copperTableSchema>;
