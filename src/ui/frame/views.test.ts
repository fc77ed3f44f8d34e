import { existsSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { FIRST_VIEW, VIEWS, viewAt } from './views';

describe('the views of a station', () => {
  it.each(VIEWS)('$name has its page', ({ path }) =>
    expect(existsSync(`src/app/stations/[id]/${path}/page.tsx`)).toBe(true),
  );
  it('have keys and addresses of their own, none of them that of Round', () => {
    for (const of of ['path', 'key', 'name'] as const) expect(new Set(VIEWS.map((v) => v[of])).size).toBe(VIEWS.length);
    expect(VIEWS.map((v) => v.key)).not.toContain('r');
  });
  it('are found by address, also beneath it', () => {
    expect(viewAt('/stations/7/prove/3', 7)?.name).toBe('Prove');
    expect(viewAt('/stations/7/prove/3', 8)).toBeUndefined();
    expect(viewAt(`/stations/1/${FIRST_VIEW}`, 1)?.path).toBe(FIRST_VIEW);
  });
});
