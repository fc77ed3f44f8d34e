import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { describe, expect, it } from 'vitest';
import { leastFor, mayPass, ROLES, WAYS, type Least, type Role } from './roles';

const APP = path.resolve(import.meta.dirname, '../../app');
const files = readdirSync(APP, { recursive: true, encoding: 'utf8' });
const addressOf = (file: string) => `/${path.dirname(file)}`.replace(/\/\.$/, '/');
/** Every way in that the application has: its pages, and its routes by what they answer. */
const built = files.flatMap((file): { methods: 'looks' | 'changes'; path: string }[] => {
  if (/(^|\/)page\.tsx$/.test(file)) return [{ methods: 'looks', path: addressOf(file) }];
  if (!/(^|\/)route\.ts$/.test(file)) return [];
  const text = readFileSync(path.join(APP, file), 'utf8');
  const answers = [...text.matchAll(/export (?:(?:async )?function|const) (GET|POST|PUT|PATCH|DELETE)\b/g)].map(
    (m) => m[1]!,
  );
  expect([file, answers.length > 0]).toEqual([file, true]);
  return [...new Set(answers.map((a) => (a === 'GET' ? ('looks' as const) : ('changes' as const))))].map((methods) => ({
    methods,
    path: addressOf(file),
  }));
});
const named = (w: { methods: string; path: string }) => `${w.methods} ${w.path}`;

describe('ways in', () => {
  it('every page and every route has a row, and no row stands for nothing', () => {
    const rows = WAYS.map(named);
    // Answered at the door itself, and what makes it installable, which is no page.
    const installs = ['icon.svg', 'icon-192.png', 'icon-512.png', 'manifest.webmanifest', 'along.js'];
    const elsewhere = [
      ...['enter', 'join', 'leave'].map((d) => `changes /api/door/${d}`),
      ...installs.map((f) => `looks /${f}`),
    ];
    expect(built.map(named).filter((b) => !rows.includes(b))).toEqual([]);
    expect(rows.filter((r) => !built.map(named).includes(r) && !elsewhere.includes(r))).toEqual([]);
    expect(new Set(rows).size).toBe(rows.length);
  });

  it.each<[method: string, path: string, least: Least | null]>([
    ['GET', '/', 'reader'],
    ['HEAD', '/', 'reader'],
    ['GET', '/sign-in', 'anyone'],
    ['GET', '/join/abc', 'anyone'],
    ['GET', '/join/', null],
    ['GET', '/stations/7/levels', 'reader'],
    ['GET', '/stations/7/levels/', 'reader'],
    ['GET', '/stations/7/trace', 'installer'],
    ['GET', '/stations/7/prove/3', 'reader'],
    ['GET', '/stations/7/prove/begun', 'reader'],
    ['GET', '/along', 'reader'],
    ['GET', '/along.js', 'anyone'],
    ['GET', '/manifest.webmanifest', 'anyone'],
    ['POST', '/along.js', null],
    ['GET', '/people', 'owner'],
    ['GET', '/api/stations/7/file', 'reader'],
    ['PUT', '/api/stations/7', 'installer'],
    ['POST', '/api/stations/7/feed', 'owner'],
    ['POST', '/api/stations/7/feed/try', 'owner'],
    ['GET', '/api/stations/7/feed', 'reader'],
    ['POST', '/api/panel/word', 'anyone'],
    ['GET', '/api/panel/word', null],
    ['GET', '/api/people', 'owner'],
    ['POST', '/api/people', 'owner'],
    ['POST', '/api/door/enter', 'anyone'],
    ['GET', '/api/door/enter', null],
    // What changes nothing elsewhere changes nothing here.
    ['POST', '/stations/7/levels', null],
    ['POST', '/', null],
    ['GET', '/api/nothing', null],
    ['GET', '//', null],
    ['GET', '/stations//levels', null],
  ])('%s %s asks for %s', (method, address, least) => expect(leastFor(method, address)).toBe(least));

  it('each role may what those before it may, and nobody may what asks for somebody', () => {
    const order: readonly (Role | null)[] = [null, ...ROLES];
    const leasts: readonly Least[] = ['anyone', ...ROLES];
    for (const [i, role] of order.entries())
      expect(leasts.map((least) => mayPass(role, least))).toEqual(leasts.map((_, k) => k <= i));
  });

  it('a reader changes nothing: everything that changes something asks for more, but for the door, panels and marks of his own', () => {
    const open = WAYS.filter((w) => w.methods === 'changes' && mayPass('reader', w.least)).map((w) => w.path);
    expect(open.sort()).toEqual([
      ...['/api/door/enter', '/api/door/join', '/api/door/leave', '/api/drills/results', '/api/panel/[word]'],
    ]);
  });
});
