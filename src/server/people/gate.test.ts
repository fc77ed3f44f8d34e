import { createServer, type IncomingMessage, type Server } from 'node:http';
import { mkdtempSync, rmSync } from 'node:fs';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openDatabase, type Db } from '../db';
import { accountsOf } from './accounts';
import { comesFrom, gateOf } from './gate';
import { newStation } from '@/core/station';
import { createStation } from '../stations';
import { invite, peopleIn, setRole } from './people';
import { ROLES, WAYS, type Role } from './roles';
import { holdTo, maySee } from './sees';
import { PERSON, personFrom, signedBy } from './who';

const AT = '2026-11-24T09:41:00.000Z';
const GOOD = 'otter brick lantern nine';
let folder = '';
let db: Db;
let server: Server;
let base = '';
let clock = Date.now();
const cookies = new Map<Role, string>();

const ask = (method: string, url: string, role: Role | null = null, body?: unknown) =>
  fetch(base + url, {
    method,
    redirect: 'manual',
    headers: { 'content-type': 'application/json', ...(role && { cookie: cookies.get(role)! }) },
    ...(body !== undefined && { body: JSON.stringify(body) }),
  });

beforeAll(async () => {
  folder = mkdtempSync(path.join(tmpdir(), 'pitbell-gate-'));
  db = openDatabase(path.join(folder, 'pitbell.sqlite'));
  const accounts = await accountsOf(db, 'a secret of at least so many letters, for tests alone', false);
  const gate = gateOf({ accounts, proxies: [], clock: () => clock });
  // Behind the gate: who it says that asks.
  server = createServer((request, response) => {
    void gate(request, response).then(
      (on) => on && response.end(JSON.stringify({ who: request.headers[PERSON] ?? null })),
    );
  });
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
  base = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  for (const role of ROLES) {
    const word = invite(db, role, 'B. M.', new Date().toISOString());
    const said = await ask('POST', '/api/door/join', null, { word, name: `An ${role}`, passphrase: GOOD });
    cookies.set(
      role,
      said.headers
        .getSetCookie()
        .map((c) => c.split(';')[0]!)
        .join('; '),
    );
  }
});
afterAll(() => {
  server.close();
  db.close();
  rmSync(folder, { recursive: true });
});

describe('the gate', () => {
  /** What is answered to nobody, a reader, an installer, an owner. */
  it.each<[string, string, readonly [number, number, number, number]]>([
    ['GET', '/sign-in', [200, 200, 200, 200]],
    ['GET', '/', [303, 200, 200, 200]],
    ['GET', '/stations/1/levels?rule=gap', [303, 200, 200, 200]],
    ['GET', '/stations/1/trace', [303, 403, 200, 200]],
    ['GET', '/people', [303, 403, 403, 200]],
    ['GET', '/api/stations', [401, 200, 200, 200]],
    ['POST', '/api/stations', [401, 403, 200, 200]],
    ['PUT', '/api/stations/1', [401, 403, 200, 200]],
    ['POST', '/api/stations/1/feed', [401, 403, 403, 200]],
    ['GET', '/api/people', [401, 403, 403, 200]],
    ['POST', '/api/people', [401, 403, 403, 200]],
    ['POST', '/api/panel/some-word', [200, 200, 200, 200]],
    ['GET', '/api/what-is-not-there', [401, 404, 404, 404]],
    ['GET', '/what-is-not-there', [303, 404, 404, 404]],
    ['GET', '/_next/static/chunk.js', [200, 200, 200, 200]],
    ['GET', '/_next/image?url=x', [303, 404, 404, 404]],
  ])('%s %s is answered %j', async (method, url, wanted) => {
    const answers = [];
    for (const role of [null, ...ROLES])
      answers.push((await ask(method, url, role, method === 'GET' ? undefined : {})).status);
    expect(answers).toEqual(wanted);
  });
  it('says to the application who asks, and of nobody nothing', async () => {
    const told = (await (await ask('GET', '/api/stations', 'installer')).json()) as { who: string };
    const headers = new Headers({ [PERSON]: told.who });
    expect(personFrom(headers)).toMatchObject({ name: 'An installer', role: 'installer' });
    expect(signedBy(new Request('http://x', { headers }), 'somebody else')).toBe('An installer');
    expect(signedBy(new Request('http://x'), 'somebody else')).toBe('somebody else');
    expect(await (await ask('GET', '/sign-in')).json()).toEqual({ who: null });
  });
  it('what somebody else wrote on the same device waits until they sign in again; their own goes', async () => {
    const send = (by: string | null) =>
      fetch(`${base}/api/stations/1/book`, {
        method: 'POST',
        headers: {
          'content-type': 'application/json',
          cookie: cookies.get('installer')!,
          ...(by !== null && { 'act-by': by }),
        },
        body: '{}',
      });
    const told = await send(encodeURIComponent('M. Oak'));
    expect([told.status, await told.json()]).toEqual([
      401,
      {
        problems: [{ path: 'door', message: 'this was written by M. Oak: it is sent when M. Oak signs in here again' }],
      },
    ]);
    expect((await send('%E0%A4%A')).status).toBe(401);
    expect((await send(encodeURIComponent('An installer'))).status).toBe(200);
    expect((await send(null)).status).toBe(200);
  });
  it('sends whoever is not in back to where they wanted to go', async () => {
    const asked = await ask('GET', '/stations/5/prove?job=J6');
    expect(asked.headers.get('location')).toBe('/sign-in?to=%2Fstations%2F5%2Fprove%3Fjob%3DJ6');
  });
  it('wrong passphrases are said so, and how long one waits', async () => {
    const wrong = (n: number) => ask('POST', '/api/door/enter', null, { name: 'An owner', passphrase: `wrong ${n}` });
    for (let n = 0; n < 5; n++) expect((await wrong(n)).status).toBe(403);
    const told = await wrong(6);
    expect([told.status, Number(told.headers.get('retry-after'))]).toEqual([429, expect.any(Number)]);
    expect(await told.json()).toMatchObject({ problems: [{ message: expect.stringMatching(/wait \d+ s/) as string }] });
    // Nobody is sent out by another's mistakes.
    expect((await ask('GET', '/people', 'owner')).status).toBe(200);
  });
  it('what is no JSON, too long, or asks for more than there is, is refused', async () => {
    const raw = (body: string) =>
      fetch(`${base}/api/door/enter`, { method: 'POST', headers: { 'content-type': 'application/json' }, body });
    expect((await raw('{"name":')).status).toBe(422);
    expect((await raw(JSON.stringify({ name: 'x', passphrase: 'y'.repeat(10_000) }))).status).toBe(422);
    expect((await raw(JSON.stringify({ name: 'x', passphrase: 'y', role: 'owner' }))).status).toBe(422);
  });
  it('another role holds with the next request', async () => {
    const { who } = (await (await ask('GET', '/api/stations', 'installer')).json()) as { who: string };
    const { id } = JSON.parse(decodeURIComponent(who)) as { id: string };
    setRole(db, id, 'reader');
    expect((await ask('POST', '/api/stations', 'installer', {})).status).toBe(403);
    setRole(db, id, 'installer');
    expect((await ask('POST', '/api/stations', 'installer', {})).status).toBe(200);
  });
  it('a reader who is held to a station of his own sees that one, and is sent away from every other', async () => {
    const station = (name: string) => createStation(db, newStation(name, 'Yard', 'metric-230'), AT).id;
    const [own, other] = [station('Own'), station('Other')];
    const run = (of: number) =>
      Number(
        db
          .prepare(
            "INSERT INTO proof_runs (station_id, revision, started_at, tester, plan) VALUES (?, 1, ?, 'R. T.', '{}')",
          )
          .run(of, AT).lastInsertRowid,
      );
    const [ownRun, otherRun] = [run(own), run(other)];
    const word = invite(db, 'reader', 'B. M.', new Date().toISOString(), [own, 99_999]);
    const said = await ask('POST', '/api/door/join', null, { word, name: 'The owner of the house', passphrase: GOOD });
    const cookie = said.headers
      .getSetCookie()
      .map((c) => c.split(';')[0]!)
      .join('; ');
    const get = async (url: string) => (await fetch(base + url, { redirect: 'manual', headers: { cookie } })).status;
    const answers = async (...urls: string[]) => Promise.all(urls.map(get));
    expect(
      await answers(
        '/',
        `/stations/${own}/book/owner`,
        `/api/stations/${own}/file`,
        `/api/runs/${ownRun}/report`,
        `/api/figures?ids=${own}`,
        '/api/pumps',
        '/api/stations',
        `/api/book?words=float&station=${own}`,
      ),
    ).toEqual([200, 200, 200, 200, 200, 200, 200, 200]);
    expect(await answers(`/stations/${other}/book/owner`, '/due', '/along', '/resting')).toEqual([303, 303, 303, 303]);
    expect(
      await answers(
        `/api/stations/${other}/file`,
        `/api/runs/${otherRun}/report`,
        `/api/figures?ids=${own},${other}`,
        '/api/figures',
        '/api/book',
        `/api/book?words=float&station=${other}`,
        '/api/due',
        '/api/photos/1',
        '/api/runs/9999/report',
        `/api/stations/%3${other}/file`,
      ),
    ).toEqual([403, 403, 403, 403, 403, 403, 403, 403, 403, 403]);
    expect(peopleIn(db, new Date().toISOString()).find((p) => p.name === 'The owner of the house')!.sees).toEqual([
      own,
    ]);
    // What is for anybody is for him; every way that answers for many stations is not, whichever comes to be added.
    const many = WAYS.filter((w) => w.methods === 'looks' && w.least === 'reader' && !w.path.includes('['));
    for (const { path: way } of many)
      expect([way, maySee(db, [own], way)]).toEqual([
        way,
        ['/', '/api/stations', '/api/firm/rules', '/api/firm/rates', '/api/pumps'].includes(way),
      ]);
    holdTo(db, peopleIn(db, new Date().toISOString()).find((p) => p.name === 'The owner of the house')!.id, null);
    expect(await get(`/api/stations/${other}/file`)).toBe(200);
  });
  it('more than a person asks for in a minute is not answered, and the next minute is another', async () => {
    clock += 60_000;
    for (let n = 0; n < 24; n++)
      await Promise.all(Array.from({ length: 50 }, () => ask('GET', '/api/stations', 'reader').then((r) => r.text())));
    expect((await ask('GET', '/api/stations', 'reader')).status).toBe(429);
    expect((await ask('GET', '/api/stations', 'owner')).status).toBe(200);
    clock += 60_000;
    expect((await ask('GET', '/api/stations', 'reader')).status).toBe(200);
  });
  it('who leaves is out', async () => {
    const left = await ask('POST', '/api/door/leave', 'reader', {});
    expect(left.headers.getSetCookie().join()).toMatch(/Max-Age=0/i);
    expect((await ask('GET', '/api/stations', 'reader')).status).toBe(401);
  });
});

describe('where a request comes from', () => {
  const seen = (remote: string, forwarded: string | undefined, proxies: string[]) =>
    comesFrom(
      { headers: { 'x-forwarded-for': forwarded }, socket: { remoteAddress: remote } } as unknown as IncomingMessage,
      proxies,
    );
  it.each([
    ['203.0.113.5', undefined, [], '203.0.113.5'],
    ['::ffff:203.0.113.5', undefined, [], '203.0.113.5'],
    // Nobody but a proxy that is named says who stands before it.
    ['203.0.113.5', '198.51.100.1', [], '203.0.113.5'],
    ['127.0.0.1', '198.51.100.1', ['127.0.0.1'], '198.51.100.1'],
    // What stands further before the proxy anybody may have written.
    ['127.0.0.1', '10.0.0.9, 198.51.100.1', ['127.0.0.1'], '198.51.100.1'],
    ['127.0.0.1', '198.51.100.1, 192.0.2.9', ['127.0.0.1', '192.0.2.9'], '198.51.100.1'],
    ['127.0.0.1', '', ['127.0.0.1'], '127.0.0.1'],
  ])('%s with “%s” behind %j is %s', (remote, forwarded, proxies, is) =>
    expect(seen(remote, forwarded, proxies)).toBe(is),
  );
});
