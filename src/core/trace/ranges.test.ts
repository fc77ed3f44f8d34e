import { describe, expect, it } from 'vitest';
import { rangesOf, type Asking, type Row } from './dictionary';
import type { Expect } from './expect';

/* What a slip of the hand is spread over: everything that the suspects make an observation come to, by hand. */

const asking = { asked: [{ key: 'a/b', observation: { kind: 'look', id: 'b' } }] } as unknown as Asking;
const row = (expect: NonNullable<Expect> | object): Row => ({ expects: [expect], symptoms: [] }) as unknown as Row;
const rangeOf = (...rows: (Row | null)[]) => rangesOf(asking, rows)[0]!;

describe('what an observation may come to', () => {
  it('of figures: from three spreads under the least to three over the greatest', () => {
    const low = row({ kind: 'figure', at: 10, spread: 1 });
    const high = row({ kind: 'figure', at: 20, spread: 2 });
    expect(rangeOf(high, low).width).toBe(26 - 7);
    expect(rangeOf(low, high, null).width).toBe(26 - 7);
    // The widest is not always the outermost.
    expect(rangeOf(low, row({ kind: 'figure', at: 11, spread: 0 })).width).toBe(13 - 7);
  });
  it('one figure without a spread is no range of nothing', () =>
    expect(rangeOf(row({ kind: 'figure', at: 3, spread: 0 })).width).toBe(1e-9));
  it('of words: as many as there are different ones; of none of either, one', () => {
    const words = ['trips', 'runs', 'trips'].map((text) => row({ kind: 'words', text }));
    expect(rangeOf(...words)).toMatchObject({ width: 1, texts: 2 });
    expect(rangeOf(null)).toMatchObject({ width: 1, texts: 1 });
  });
});
