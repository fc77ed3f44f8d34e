import { afterEach, describe, expect, it, vi } from 'vitest';
import { readDrafts } from './runDraft';

const keeping = (text: string | null) => vi.stubGlobal('localStorage', { getItem: () => text });
afterEach(() => vi.unstubAllGlobals());

describe('findings typed and not yet entered', () => {
  const drafts = { isolate: { readings: { dead: '0.1' }, seen: { lid: true }, note: 'damp' } };
  it('come back as they were kept', async () => {
    keeping(JSON.stringify(drafts));
    expect(await readDrafts(7)).toEqual(drafts);
  });
  it.each([
    ['nothing kept', null],
    ['half a text', '{"isolate": {'],
    ['something else', '{"isolate": {"readings": [1]}}'],
    ['another’s', '"hello"'],
  ])('%s is no draft', async (_, text) => {
    keeping(text);
    expect(await readDrafts(7)).toEqual({});
  });
});
