import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { setAt } from '@/core/editing';
import { newStation } from '@/core/station';
import { keep, kept, keysUnder } from '../parts/browserKeep';
import { draftsOf, dropAside, dropDraft, keepDraft } from './draft';

const memory = new Map<string, string>();
let refuses: Error | null = null;
const storage = {
  getItem: (k: string) => memory.get(k) ?? null,
  setItem(k: string, v: string) {
    if (refuses) throw refuses;
    memory.set(k, v);
  },
  removeItem: (k: string) => void memory.delete(k),
  key: (i: number) => [...memory.keys()][i] ?? null,
  get length() {
    return memory.size;
  },
};
beforeEach(() => {
  memory.clear();
  refuses = null;
  vi.stubGlobal('localStorage', storage);
});
afterEach(() => vi.unstubAllGlobals());

const document = newStation('Sump', 'Yard', 'metric-230');
const draft = (at: number, name = 'Sump') => ({
  base: 2,
  document: setAt(document, 'identity.name', name),
  typed: { a: '1,2' },
  at,
});
const alone = new Set<string>();

describe('drafts', () => {
  it('are kept by station and tab, read back with what stood in their fields, and dropped', async () => {
    expect(keepDraft(3, 'one', draft(1))).toBe('kept');
    expect(await draftsOf(3, 'one', alone)).toEqual({ draft: draft(1), aside: [] });
    expect(await draftsOf(4, 'one', alone)).toEqual({ draft: null, aside: [] });
    dropDraft(3, 'one');
    expect(await draftsOf(3, 'one', alone)).toEqual({ draft: null, aside: [] });
  });
  it('of tabs that are open are left to them', async () => {
    keepDraft(3, 'theirs', draft(1, 'Theirs'));
    expect(await draftsOf(3, 'mine', new Set(['theirs']))).toEqual({ draft: null, aside: [] });
    expect(keysUnder('pitbell.draft.3')).toEqual(['pitbell.draft.3.theirs']);
  });
  it('that closed tabs left: the newest is taken up under this tab’s name, the others are offered', async () => {
    keepDraft(3, 'older', draft(1, 'Older'));
    keepDraft(3, 'newer', draft(2, 'Newer'));
    keepDraft(31, 'other', draft(9, 'Another station'));
    const { draft: taken, aside } = await draftsOf(3, 'mine', alone);
    expect(taken!.document.identity.name).toBe('Newer');
    expect(aside.map((a) => a.draft!.document.identity.name)).toEqual(['Older']);
    expect(keysUnder('pitbell.draft.3.').sort()).toEqual(['pitbell.draft.3.mine', 'pitbell.draft.3.older']);
    dropAside(aside[0]!);
    expect(keysUnder('pitbell.draft.3.')).toEqual(['pitbell.draft.3.mine']);
  });
  it('one’s own goes before what others left', async () => {
    keepDraft(3, 'mine', draft(1, 'Mine'));
    keepDraft(3, 'left', draft(2, 'Left'));
    const { draft: taken, aside } = await draftsOf(3, 'mine', alone);
    expect([taken!.document.identity.name, aside.length]).toEqual(['Mine', 1]);
  });
  it('as they were once kept, by station alone, are taken up too', async () => {
    memory.set('pitbell.draft.3', JSON.stringify({ base: 1, document }));
    expect((await draftsOf(3, 'mine', alone)).draft).toEqual({ base: 1, document });
    expect([...memory.keys()]).toEqual(['pitbell.draft.3.mine']);
  });
  it('may hold figures that are wrong, for they are what the person is mending', async () => {
    const wrong = setAt(setAt(document, 'vessel.shape.diameter', 0), 'vessel.overflow', 99);
    keepDraft(3, 'one', { base: 1, document: wrong });
    expect((await draftsOf(3, 'one', alone)).draft!.document).toEqual(wrong);
  });
  it.each([
    ['broken text', '{"base":'],
    ['another form', JSON.stringify({ base: 1, document: { hello: 'world' } })],
    ['a newer version', JSON.stringify({ base: 1, document: { ...document, version: 99 } })],
    [
      'a document of which a part is missing',
      JSON.stringify({ base: 1, document: { ...document, vessel: undefined } }),
    ],
    ['no revision', JSON.stringify({ document })],
  ])('that are %s are set aside as they are, where what is typed now does not write over them', async (_, text) => {
    memory.set('pitbell.draft.3.mine', text);
    const { draft: taken, aside } = await draftsOf(3, 'mine', alone);
    expect([taken, aside.map((a) => a.text)]).toEqual([null, [text]]);
    keepDraft(3, 'mine', draft(5));
    expect(kept(aside[0]!.key)).toBe(text);
  });
});

describe('a browser that keeps nothing', () => {
  const named = (name: string) => Object.assign(new Error('no'), { name });
  it('is told as full, or as forbidding it, and nothing throws', () => {
    refuses = named('QuotaExceededError');
    expect(keepDraft(3, 'one', draft(1))).toBe('full');
    refuses = named('SecurityError');
    expect(keep('a', 'b')).toBe('forbidden');
  });
  it('may forbid the very look at it', async () => {
    vi.stubGlobal('localStorage', undefined);
    expect(keep('a', 'b')).toBe('forbidden');
    expect([kept('a'), keysUnder('a')]).toEqual([null, []]);
    expect(await draftsOf(3, 'one', alone)).toEqual({ draft: null, aside: [] });
  });
});
