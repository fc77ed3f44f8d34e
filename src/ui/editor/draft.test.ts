import { beforeEach, describe, expect, it, vi } from 'vitest';
import { setAt } from '@/core/editing';
import { newStation } from '@/core/station';
import { dropDraft, keepDraft, readDraft } from './draft';

const memory = new Map<string, string>();
beforeEach(() => {
  memory.clear();
  vi.stubGlobal('localStorage', {
    getItem: (k: string) => memory.get(k) ?? null,
    setItem: (k: string, v: string) => void memory.set(k, v),
    removeItem: (k: string) => void memory.delete(k),
  });
});

const document = newStation('Sump', 'Yard', 'metric-230');

describe('drafts', () => {
  it('are kept by station, read back and dropped', async () => {
    keepDraft(3, { base: 2, document });
    expect(await readDraft(3)).toEqual({ base: 2, document });
    expect(await readDraft(4)).toBeNull();
    dropDraft(3);
    expect(await readDraft(3)).toBeNull();
  });
  it('may hold figures that are wrong, for they are what the person is mending', async () => {
    const wrong = setAt(setAt(document, 'vessel.shape.diameter', 0), 'vessel.overflow', 99);
    keepDraft(3, { base: 1, document: wrong });
    expect((await readDraft(3))!.document).toEqual(wrong);
  });
  it.each([
    ['broken text', '{"base":'],
    ['another form', JSON.stringify({ base: 1, document: { hello: 'world' } })],
    [
      'a document of which a part is missing',
      JSON.stringify({ base: 1, document: { ...document, vessel: undefined } }),
    ],
    ['no revision', JSON.stringify({ document })],
  ])('that are %s are passed over', async (_, text) => {
    memory.set('pitbell.draft.3', text);
    expect(await readDraft(3)).toBeNull();
  });
});
