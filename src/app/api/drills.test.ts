import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { drillFile, drillOfLesson, type Result } from '@/core/drill';
import { database } from '@/server/db';
import { GET } from './drills/route';
import { GET as getFile } from './drills/file/route';
import { POST as postResult } from './drills/results/route';
import { POST as postSet } from './drills/sets/route';

/* What a class does with drills: they are set, and what came of them is kept under a name, once. */

let folder = '';
beforeAll(() => {
  folder = mkdtempSync(path.join(tmpdir(), 'pitbell-drills-'));
  process.env.PITBELL_DATA = folder;
});
afterAll(() => {
  database().close();
  rmSync(folder, { recursive: true });
});

const request = (body: unknown, key?: string) =>
  new Request('http://127.0.0.1/', {
    method: 'POST',
    headers: key ? { 'idempotency-key': key } : {},
    body: JSON.stringify(body),
  });
const RESULT: Result = {
  ...{ at: '2026-11-02T08:00:00.000Z', by: '=M. Oak', lesson: 'contact', set: null, title: 'a drill', level: 'night' },
  ...{
    seed: 1,
    hidden: [{ id: 'a-b', label: 'a b', named: true }],
    sure: 1,
    minutes: 5,
    hazard: 0,
    dangers: 0,
    spilt: 0,
  },
  best: 5,
};
const DRILL = drillFile(drillOfLesson('contact', 'R. Teal')!);
interface All {
  sets: { id: number; class: string; by: string; drill: { title: string; acts: unknown[] } }[];
  results: Result[];
}
const all = async () => (await GET().json()) as All;
const problems = async (answer: Response) =>
  ((await answer.json()) as { problems: { path: string; message: string }[] }).problems;

describe('results', () => {
  it('are kept under a name, and once, however often they come; as CSV no cell is a formula', async () => {
    for (let n = 0; n < 3; n++) expect((await postResult(request(RESULT, 'key-of-a-result'))).status).toBe(201);
    expect((await all()).results).toEqual([RESULT]);
    const rows = (await getFile().text()).split('\r\n');
    expect(rows).toHaveLength(2);
    expect(rows[1]).toContain("'=M. Oak");
  });
  it.each([
    ['a name', { by: ' ' }],
    ['how sure', { sure: 3 }],
    ['when', { at: 'yesterday' }],
  ])('without %s they are refused, and nothing is kept', async (_, over) => {
    const before = (await all()).results.length;
    const answer = await postResult(request({ ...RESULT, ...over }));
    expect(answer.status).toBe(422);
    expect((await problems(answer)).map((p) => p.path)).toEqual(Object.keys(over));
    expect((await all()).results).toHaveLength(before);
  });
});

describe('sets', () => {
  it('a drill is set to a class once, without what its maker did in it, and is taken back', async () => {
    const acts = [{ do: 'ask' }];
    const body = { by: 'R. Teal', class: 'first year', drill: { ...DRILL, acts } };
    for (let n = 0; n < 2; n++) expect((await postSet(request(body, 'key-of-a-set'))).status).toBe(201);
    const [set, ...more] = (await all()).sets;
    expect(more).toEqual([]);
    expect(set).toMatchObject({ class: 'first year', by: 'R. Teal', drill: { title: DRILL.title, acts: [] } });
    expect((await postSet(request({ takeBack: set!.id }))).status).toBe(200);
    expect((await all()).sets).toEqual([]);
    // What came of it is still that class’s.
    await postResult(request({ ...RESULT, by: 'P. Fir', set: set!.id }, 'key-of-its-result'));
    expect((await getFile().text()).split('\r\n').at(-1)).toContain('P. Fir,contact,first year,');
    expect((await postSet(request({ takeBack: set!.id }))).status).toBe(404);
  });
  it('one that is no drill is refused, and where', async () => {
    const answer = await postSet(request({ by: 'R. Teal', class: 'first year', drill: { ...DRILL, level: 'master' } }));
    expect(answer.status).toBe(422);
    expect((await problems(answer)).map((p) => p.path)).toEqual(['level']);
  });
});
