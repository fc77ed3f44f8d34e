import { afterEach, describe, expect, it, vi } from 'vitest';
import { moveDrafts, readDrafts } from './runDraft';

function keeping(text: string | null): Map<string, string> {
  const memory = new Map(text === null ? [] : [['pitbell.run.7', text]]);
  vi.stubGlobal('localStorage', {
    getItem: (k: string) => memory.get(k) ?? null,
    setItem: (k: string, v: string) => void memory.set(k, v),
    removeItem: (k: string) => void memory.delete(k),
    key: (i: number) => [...memory.keys()][i] ?? null,
    get length() {
      return memory.size;
    },
  });
  return memory;
}
afterEach(() => vi.unstubAllGlobals());

describe('findings typed and not yet entered', () => {
  const drafts = {
    isolate: {
      readings: { dead: '0.1' },
      seen: { lid: true },
      note: 'damp',
      decided: { mend: 'override' },
      key: { of: 'pass', word: 'k' },
    },
  };
  it('come back as they were kept, with the word they were sent under', async () => {
    keeping(JSON.stringify(drafts));
    expect(await readDrafts(7)).toEqual({ drafts, aside: [] });
  });
  it('go with a run that has got its number, and never over what is typed there', async () => {
    const memory = keeping(JSON.stringify(drafts));
    moveDrafts(7, 41);
    expect([await readDrafts(7), await readDrafts(41)]).toEqual([
      { drafts: {}, aside: [] },
      { drafts, aside: [] },
    ]);
    memory.set('pitbell.run.7', '{}');
    moveDrafts(7, 41);
    expect((await readDrafts(41)).drafts).toEqual(drafts);
  });
  it('nothing kept is no draft', async () => {
    keeping(null);
    expect(await readDrafts(7)).toEqual({ drafts: {}, aside: [] });
  });
  it.each([
    ['half a text', '{"isolate": {'],
    ['something else', '{"isolate": {"readings": [1]}}'],
    ['another’s', '"hello"'],
  ])('%s is no draft: it is set aside as it is, and offered until it is thrown away', async (_, text) => {
    const memory = keeping(text);
    const { drafts: none, aside } = await readDrafts(7);
    expect([none, aside.map((a) => a.text)]).toEqual([{}, [text]]);
    expect(memory.has('pitbell.run.7')).toBe(false);
    expect(memory.get(aside[0]!.key)).toBe(text);
    expect((await readDrafts(7)).aside).toEqual(aside);
  });
});
