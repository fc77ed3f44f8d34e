import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bestFirst } from './bestFirst';

describe('the best first', () => {
  it('comes in order of score, and of two alike the earlier', () => {
    expect([...bestFirst(Float64Array.of(3, 1, 2, 1))]).toEqual([1, 3, 2, 0]);
    expect([...bestFirst(new Float64Array())]).toEqual([]);
  });
  it('is what sorting gives, however many there are', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: -9, max: 9 }), { maxLength: 70 }), (scores) => {
        const sorted = scores.map((_, i) => i).sort((a, b) => scores[a]! - scores[b]! || a - b);
        expect([...bestFirst(Float64Array.from(scores))]).toEqual(sorted);
      }),
    );
  });
  it('the first few can be taken without the rest', () => {
    const few = bestFirst(Float64Array.of(5, 4, 9, 0, 7));
    expect([few.next().value, few.next().value]).toEqual([3, 1]);
  });
});
