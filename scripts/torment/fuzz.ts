import { request as rawRequest } from 'node:http';
import { request as secureRequest } from 'node:https';
import { exampleStation } from '@/core/starting';
import { randomFrom } from '@/core/numeric';
import { ownFolder, send, startSecured, startServer, type Running } from './server';
import type { Torment } from './torment';

const METHODS = ['GET', 'POST', 'PUT', 'HEAD', 'OPTIONS', 'TRACE', 'DELETE', 'PATCH', 'BREW'];
const PLACES = [
  '/',
  '*',
  '/%',
  '/%ff',
  '/%00',
  '/..%2f..%2fetc/passwd',
  '/stations/1/levels',
  '/stations/1',
  '/stations/-1/panel',
  '/stations/1e9/prove',
  '/stations/99999999999999999999/card',
  '/stations/1/prove/1',
  '/api/stations',
  '/api/stations/1',
  '/api/stations/1/file',
  '/api/stations/1/card',
  '/api/stations/1/runs',
  '/api/runs/1/entries',
  '/api/figures?ids=1,x,,-4,9999999',
  '/api/figures',
  '/api/pumps',
  '/api/firm/rates',
  '/api/people',
  '/people',
  '/join/no-word',
  '/sign-in?to=//evil.test',
  '/api/door/enter',
  '/api/door/join',
  '/api/door/leave',
  '/backup',
  '/api/backup',
  '/api/backup/20260101-000000-abcd',
  '/api/backup/pieces/some-word-of-it?at=0&of=9',
  '/api/pieces/some-word-of-it?at=0',
  '/api/pieces/some-word-of-it?at=-1',
  '/api/pieces/..%2f..%2fsome-word?at=0',
  '/nowhere',
  '/_next/static/chunks/none.js',
  '/api/stations/1/card?units=cubits',
  `/${'a'.repeat(4000)}`,
  '/stations/1/levels?rule=%F0%9F%92%A7',
];
const HEADERS: readonly Readonly<Record<string, string>>[] = [
  {},
  { 'content-type': 'application/json' },
  { 'content-type': 'text/plain' },
  { origin: 'http://evil.test' },
  { origin: 'null' },
  { 'sec-fetch-site': 'cross-site' },
  { 'idempotency-key': "'; DROP TABLE stations" },
  { cookie: 'pb-theme=%; pb-units=\\' },
  { 'content-type': 'application/json', 'idempotency-key': 'aaaaaaaaaaaa' },
  { 'content-type': 'application/octet-stream' },
  { 'x-pitbell-person': '%7B%22id%22%3A%22x%22%2C%22name%22%3A%22x%22%2C%22role%22%3A%22owner%22%7D' },
  { cookie: '__Secure-pitbell.session_token=none.none' },
  { 'act-by': '%E0%A4%A', 'act-age': '-1e9' },
  { rsc: '1' },
  { 'next-action': 'abc', 'content-type': 'multipart/form-data' },
];

interface Answer {
  readonly status: number;
  readonly ms: number;
}

/** Sends what no browser would. */
const raw = (
  address: string,
  method: string,
  path: string,
  headers: Readonly<Record<string, string>>,
  body: string,
): Promise<Answer> =>
  new Promise((resolve, reject) => {
    const { hostname, port, protocol } = new URL(address);
    const ask = protocol === 'https:' ? secureRequest : rawRequest;
    const began = performance.now();
    const asked = ask({ hostname, port, method, path, headers, timeout: 15_000 }, (answer) => {
      answer.resume();
      answer.on('end', () => resolve({ status: answer.statusCode ?? 0, ms: performance.now() - began }));
    });
    asked.on('timeout', () => asked.destroy(new Error('no answer in 15 s')));
    asked.on('error', reject);
    asked.end(method === 'GET' || method === 'HEAD' ? undefined : body);
  });

/** Bodies of every kind of wrong, among them documents with a few figures of another kind. */
function bodies(even: () => number): readonly (() => string)[] {
  const sound = () => JSON.stringify(exampleStation('Fuzzed', 'Yard', 'metric-230', 'empty'));
  const spoilt = () => {
    const text = sound();
    const at = Math.floor(even() * text.length);
    return text.slice(0, at) + String.fromCharCode(32 + Math.floor(even() * 90)) + text.slice(at + 1);
  };
  return [
    () => '',
    () => '{',
    () => 'null',
    () => '[]',
    () => '{"base":1}',
    () => '1e999',
    sound,
    spoilt,
    spoilt,
    spoilt,
    () => JSON.stringify({ base: 1, document: JSON.parse(sound()) as unknown }),
    () => sound().replace(/:(\d[\d.]*)/g, (m) => (even() < 0.1 ? ':1e308' : m)),
    () => sound().replace(/"version":\d+/, `"version":${Math.floor(even() * 9)}`),
    () => '['.repeat(Math.floor(even() * 100_000)),
    () => `{"a":`.repeat(2000) + '1' + '}'.repeat(2000),
    () => JSON.stringify({ tester: 'x'.repeat(Math.floor(even() * 100)) }),
    () => JSON.stringify({ stepId: 'isolate', verdict: 'pass', found: { a: 1 }, note: '' }),
    () => '"' + 'x'.repeat(2_200_000) + '"',
  ];
}

/** Sends what nobody should: every request is answered in time, none with a failure of the server, which lives on. */
const fuzzOf = (about: string, start: (folder: string) => Promise<Running>): Torment => ({
  about,
  usual: 3000,
  small: 150,
  async run(size, seed) {
    const { even } = randomFrom(seed);
    const some = <T>(list: readonly T[]): T => list[Math.floor(even() * list.length)]!;
    const folder = ownFolder('fuzz');
    const server = await start(folder);
    await server.ask('/api/stations', send('POST', exampleStation('Sound', 'Yard', 'metric-230', 'empty')));
    const broken: string[] = [];
    const statuses: Record<string, number> = {};
    let slowest = 0;
    for (let n = 0; n < size; n++) {
      const [method, path, wrong] = [some(METHODS), some(PLACES), some(HEADERS)];
      // One of four comes as nobody, the others as one of the people, where there are any.
      const headers = even() < 0.25 ? wrong : { ...server.cookieOf(n), ...wrong };
      const body = some(bodies(even))();
      const what = `${method} ${path.slice(0, 60)} ${JSON.stringify(wrong)} ${body.slice(0, 60)}`;
      try {
        const { status, ms } = await raw(server.address, method, path, headers, body);
        statuses[`answered ${status}`] = (statuses[`answered ${status}`] ?? 0) + 1;
        slowest = Math.max(slowest, Math.round(ms));
        if (status >= 500) broken.push(`${status}: ${what}`);
      } catch (error) {
        // A body that is not wanted may be cut off while it is still being sent; a method that is none, by the protocol itself.
        const { code, message } = error as NodeJS.ErrnoException;
        if (code !== 'EPIPE' && code !== 'ECONNRESET' && code !== 'HPE_INVALID_METHOD')
          broken.push(`${message}: ${what}`);
      }
    }
    const after = await server.ask('/', undefined, 1 + Math.floor(even() * 4));
    if (after.status !== 200) broken.push('Round does not answer afterwards');
    const status = await server.kill('SIGTERM');
    if (status !== 0) broken.push(`the server ended with ${status}`);
    return { figures: { requests: size, ...statuses, 'slowest ms': slowest }, broken: broken.slice(0, 20) };
  },
});

export const fuzz = fuzzOf('sends requests of every kind of wrong (size: requests)', startServer);

export const intruders = fuzzOf(
  'the same over TLS, by five people who are signed in and by nobody (size: requests)',
  startSecured,
);
