import { describe, expect, it } from 'vitest';
import { BUILD, takesPlace } from './alongCaches';

const page = (build: string | null, over: { ok?: boolean; redirected?: boolean } = {}) => ({
  ...{ ok: true, redirected: false, ...over },
  headers: new Headers(build === null ? {} : { [BUILD]: build }),
});

describe('a page that comes while one is along', () => {
  it.each([
    ['one of the same build takes its place', page('a'), page('a'), true],
    ['one of another build does not: its scripts are not here', page('b'), page('a'), false],
    ['one that does not say where it comes from does not', page(null), page('a'), false],
    ['what was not taken along is not kept', page('a'), undefined, false],
    ['where one was sent to sign in, that is not the page', page('a', { redirected: true }), page('a'), false],
    ['nor is an answer that says no', page('a', { ok: false }), page('a'), false],
  ])('%s', (_, came, kept, takes) => expect(takesPlace(came, kept)).toBe(takes));
});
