import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { newStation } from '@/core/station';
import { database } from '@/server/db';
import type { Role } from '@/server/people/roles';
import { originOf } from '@/server/edge';
import { PERSON } from '@/server/people/who';
import { savedBy } from '@/server/stations';
import { GET as getRules, POST as postRule } from './firm/rules/route';
import { GET as getPeople, POST as postPeople } from './people/route';
import { POST as postEntry } from './runs/[run]/entries/route';
import { POST as sealRun } from './runs/[run]/seal/route';
import { POST as postWords } from './runs/[run]/words/route';
import { POST as postArchive } from './stations/[id]/archive/route';
import { POST as postBin } from './stations/[id]/bin/route';
import { GET as getPages, POST as postPage } from './stations/[id]/book/route';
import { POST as postFeed } from './stations/[id]/feed/route';
import { PUT as putStation } from './stations/[id]/route';
import { POST as postRun } from './stations/[id]/runs/route';
import { GET as getStations, POST as postStation } from './stations/route';

/* What is written where people sign in bears their name, whatever was said; where nobody signs in, what was said. */

let folder = '';
beforeAll(() => {
  folder = mkdtempSync(path.join(tmpdir(), 'pitbell-signed-'));
  process.env.PITBELL_DATA = folder;
});
afterAll(() => {
  database().close();
  rmSync(folder, { recursive: true });
});

const person = (name: string, role: Role) => encodeURIComponent(JSON.stringify({ id: name, name, role }));
/** A request as it comes through the door: of somebody who is in, or of nobody. */
const request = (body: unknown, who: string | null = 'R. Teal') =>
  new Request('http://127.0.0.1/', {
    method: 'POST',
    headers: { 'content-type': 'application/json', ...(who !== null && { [PERSON]: person(who, 'owner') }) },
    body: JSON.stringify(body),
  });
const at = <K extends string>(key: K, value: unknown) => ({
  params: Promise.resolve({ [key]: String(value) } as Record<K, string>),
});
const SAID = 'somebody else';

async function make(who: string | null = 'R. Teal'): Promise<number> {
  const made = await postStation(request(newStation('Sump', 'Yard', 'metric-230'), who));
  return ((await made.json()) as { saved: { id: number } }).saved.id;
}

describe('what is written', () => {
  it('a revision: by whoever saved it, and the next who comes second is told by whom', async () => {
    const id = await make();
    expect(savedBy(database(), id, 1)).toBe('R. Teal');
    const save = (name: string, who: string | null) =>
      putStation(request({ base: 1, document: newStation(name, 'Yard', 'metric-230') }, who), at('id', id));
    expect((await save('Second', 'M. Oak')).status).toBe(200);
    const late = await save('Mine', 'R. Teal');
    expect(late.status).toBe(409);
    expect(await late.json()).toMatchObject({ problems: [{ message: 'revision 2 was saved in between by M. Oak' }] });
    expect(await (await save('Mine', null)).json()).toMatchObject({
      problems: [{ message: 'revision 2 was saved in between by M. Oak' }],
    });
  });
  it('where nobody signs in, nobody is named', async () => {
    const id = await make(null);
    expect(savedBy(database(), id, 1)).toBeNull();
    const save = (name: string) =>
      putStation(request({ base: 1, document: newStation(name, 'Yard', 'metric-230') }, null), at('id', id));
    await save('Second');
    expect(await (await save('Mine')).json()).toMatchObject({
      problems: [{ message: 'revision 2 was saved in between' }],
    });
  });
  it.each([
    ['R. Teal', 'R. Teal'],
    [null, SAID],
  ])('a page, a run, its findings, its seal and later words, by %s: stands as of %s', async (who, name) => {
    const id = await make(who);
    const page = { kind: 'visit', why: 'due', minutes: null, words: 'float wiped' };
    await postPage(request({ at: '2026-11-24T09:41:00Z', by: SAID, page }, who), at('id', id));
    const { pages } = (await (await getPages(new Request('http://127.0.0.1/'), at('id', id))).json()) as {
      pages: { by: string }[];
    };
    expect(pages[0]!.by).toBe(name);
    const { run } = (await (await postRun(request({ tester: SAID }, who), at('id', id))).json()) as {
      run: { id: number; tester: string; plan: { id: string }[] };
    };
    expect(run.tester).toBe(name);
    const entry = { stepId: 'isolate', verdict: 'pass', found: { dead: 0.2 }, note: '', by: SAID };
    const entered = (await (await postEntry(request(entry, who), at('run', run.id))).json()) as {
      entry: { by?: string };
    };
    expect(entered.entry.by).toBe(name);
    for (const [i, { id: stepId }] of run.plan.entries())
      await postEntry(
        request(
          { stepId, verdict: i + 1 === run.plan.length ? 'pass' : 'not done', found: {}, note: 'not today', by: SAID },
          who,
        ),
        at('run', run.id),
      );
    const sealed = await sealRun(request({ by: SAID }, who), at('run', run.id));
    expect(sealed.status).toBeLessThan(300);
    expect(JSON.stringify(await sealed.json()).includes(SAID)).toBe(name === SAID);
    const words = await postWords(request({ by: SAID, words: 'seen again' }, who), at('run', run.id));
    expect(JSON.stringify(await words.json())).toContain(name);
  });
  it('a finding bears the name of whoever is in though none was said', async () => {
    const id = await make();
    const { run } = (await (await postRun(request({ tester: SAID }), at('id', id))).json()) as { run: { id: number } };
    const entry = { stepId: 'isolate', verdict: 'pass', found: { dead: 0.2 }, note: '' };
    expect(await (await postEntry(request(entry), at('run', run.id))).json()).toMatchObject({
      entry: { by: 'R. Teal' },
    });
  });
  it('a station that is put to rest, and comes back; there is no such station, and no such wish', async () => {
    const id = await make();
    const put = async (body: unknown, of: unknown = id) => {
      const answer = await postBin(request(body), at('id', of));
      return [answer.status, ((await answer.json()) as { resting?: object | null }).resting];
    };
    expect(await put({ on: true, by: SAID })).toEqual([200, expect.objectContaining({ rest: 'bin', by: 'R. Teal' })]);
    expect((await postArchive(request({ on: true, by: SAID }), at('id', id))).status).toBe(200);
    expect(await put({ on: false })).toEqual([200, null]);
    expect((await put({ on: true }, 999_999))[0]).toBe(404);
    expect((await put({ on: 'yes' }))[0]).toBe(422);
  });
  it('a rule of the firm, and how a panel is read', async () => {
    const id = await make();
    const rule = { kind: 'rule', what: 'try the alarm', days: 30, hours: null, starts: null, month: null };
    expect((await postRule(request({ by: SAID, rule }))).status).toBeLessThan(300);
    expect(JSON.stringify(await getRules().json())).toContain('R. Teal');
    const feed = { protocol: 'sends', points: [] };
    const kept = await postFeed(request({ by: SAID, feed }), at('id', id));
    expect([kept.status, JSON.stringify(await kept.json()).includes(SAID)]).toEqual([expect.any(Number), false]);
  });
});

describe('where this server is', () => {
  it.each([
    [{ host: 'pits.test:4310', 'x-forwarded-proto': 'https' }, 'https://pits.test:4310'],
    [{ host: 'pits.test', 'x-forwarded-proto': 'http' }, 'http://pits.test'],
    // Without a door before it, as it was asked.
    [{ host: '127.0.0.1:4310' }, 'http://127.0.0.1:4310'],
    [{ host: 'pits.test', 'x-forwarded-proto': 'javascript' }, 'http://pits.test'],
    [{}, null],
  ])('asked with %j it is %s', (headers, origin) =>
    expect(originOf(new Request('http://inside/', { headers: headers as Record<string, string> }))).toBe(origin),
  );
});

describe('people over the network', () => {
  it('are no matter of a server on which nobody signs in', async () => {
    expect(getPeople(request({}, null)).status).toBe(409);
    expect((await postPeople(request({ invite: 'reader' }, null))).status).toBe(409);
  });
  it('an owner asks in, and is told who is there', async () => {
    const made = await postPeople(request({ invite: 'reader' }));
    expect(made.status).toBe(201);
    expect(((await made.json()) as { word: string }).word).toMatch(/^[\w-]{32}$/);
    expect(await getPeople(request({})).json()).toEqual({ people: [], tried: [] });
  });
  it.each([
    [{ invite: 'king' }, 422],
    [{ invite: 'reader', more: 1 }, 422],
    [{ end: 'no such session' }, 404],
    [{ person: 'nobody', role: 'reader' }, 404],
    [{ person: 'nobody' }, 422],
    [{}, 422],
  ])('%j is answered %d', async (body, status) => expect((await postPeople(request(body))).status).toBe(status));
});

describe('a reader who is held to stations of his own', () => {
  it('hears of no other: the list of names tells his, and only an owner holds a reader to anything', async () => {
    const own = await make();
    await make();
    const ask = new Request('http://127.0.0.1/', {
      headers: {
        [PERSON]: encodeURIComponent(JSON.stringify({ id: 'h', name: 'House', role: 'reader', sees: [own] })),
      },
    });
    const told = (await getStations(ask).json()) as { stations: { id: number }[] };
    expect(told.stations.map((s) => s.id)).toEqual([own]);
    const put = database().prepare(
      'INSERT INTO people (id, name, email, emailVerified, createdAt, updatedAt, role) VALUES (?, ?, ?, 1, ?, ?, ?)',
    );
    for (const role of ['reader', 'installer']) put.run(role, role, `${role}@x`, Date.now(), Date.now(), role);
    const hold = (person: string) => postPeople(request({ person, sees: [own] }));
    expect([await hold('reader'), await hold('installer'), await hold('nobody')].map((r) => r.status)).toEqual([
      200, 409, 404,
    ]);
    const { people } = (await getPeople(request({})).json()) as { people: { id: string; sees: number[] | null }[] };
    expect(Object.fromEntries(people.map((p) => [p.id, p.sees]))).toMatchObject({ reader: [own], installer: null });
    // Whoever works sees all: he is held to nothing any more.
    await postPeople(request({ person: 'reader', role: 'installer' }));
    await postPeople(request({ person: 'reader', role: 'reader' }));
    const again = (await getPeople(request({})).json()) as { people: { id: string; sees: number[] | null }[] };
    expect(again.people.find((p) => p.id === 'reader')!.sees).toBeNull();
  });
});
