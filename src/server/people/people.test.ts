import { mkdtempSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { getMigrations } from 'better-auth/db/migration';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { openDatabase, type Db } from '../db';
import { accountsOf, authOptions, enterSchema, joinSchema, secretIn, type Accounts, type Coming } from './accounts';
import { endSession, invite, invitedAs, mustWait, nobodyIn, peopleIn, setRole, triedLately } from './people';

const SECRET = 'a secret of at least so many letters, for tests alone';
const GOOD = 'otter brick lantern nine';
let folder = '';
let db: Db;
let accounts: Accounts;
let clock = Date.parse('2026-11-27T10:00:00Z');
const at = () => new Date(clock).toISOString();
const from = (cookie = '', address = '192.0.2.7'): Coming => ({ address, device: 'a phone', cookie });
/** Cookies that were set, as they come back. */
const back = (cookies: readonly string[]) => cookies.map((c) => c.split(';')[0]!).join('; ');

beforeEach(async () => {
  folder = mkdtempSync(path.join(tmpdir(), 'pitbell-people-'));
  db = openDatabase(path.join(folder, 'pitbell.sqlite'));
  clock = Date.now();
  accounts = await accountsOf(db, SECRET, true, () => clock);
});
afterEach(() => {
  db.close();
  rmSync(folder, { recursive: true });
});

async function joined(name: string, role: 'reader' | 'installer' | 'owner' = 'owner') {
  const said = await accounts.join({ word: invite(db, role, 'B. M.', at()), name, passphrase: GOOD }, from());
  if (!said.ok) throw new Error(said.why);
  return back(said.cookies);
}
const enter = (name: string, passphrase: string, address?: string) =>
  accounts.enter({ name, passphrase }, from('', address));

describe('people', () => {
  it('are kept in tables to which the library has nothing to add', async () => {
    const { toBeCreated, toBeAdded } = await getMigrations(authOptions(db, SECRET, true));
    expect([toBeCreated, toBeAdded]).toEqual([[], []]);
  });
  it('the first of all comes in by an address that is good once, and each start voids the one before', async () => {
    expect(nobodyIn(db)).toBe(true);
    const earlier = invite(db, 'owner', null, at());
    const word = invite(db, 'owner', null, at());
    expect([invitedAs(db, earlier, at()), invitedAs(db, word, at())]).toEqual([null, 'owner']);
    const first = await accounts.join({ word, name: 'R. Teal', passphrase: GOOD }, from());
    expect(first.ok).toBe(true);
    expect(await accounts.join({ word, name: 'Another', passphrase: GOOD }, from())).toMatchObject({ status: 410 });
    expect(nobodyIn(db)).toBe(false);
    expect(peopleIn(db, at()).map((p) => [p.name, p.role])).toEqual([['R. Teal', 'owner']]);
  });
  it('an invitation is too old after three days, and one that came to nothing is good again', async () => {
    const word = invite(db, 'installer', 'B. M.', at());
    expect(invitedAs(db, word, new Date(clock + 3 * 86_400_000 - 1000).toISOString())).toBe('installer');
    expect(invitedAs(db, word, new Date(clock + 3 * 86_400_000 + 1000).toISOString())).toBeNull();
    await joined('R. Teal');
    // The same name, whatever its letters’ size.
    expect(await accounts.join({ word, name: 'r.  TEAL', passphrase: GOOD }, from())).toMatchObject({ status: 409 });
    expect(invitedAs(db, word, at())).toBe('installer');
  });
  it('keep no word and no passphrase as it was said', async () => {
    const word = invite(db, 'reader', 'B. M.', at());
    await joined('R. Teal');
    const all = ['people', 'people_secrets', 'people_invited', 'people_sessions', 'people_tried']
      .flatMap((t) => db.prepare(`SELECT * FROM ${t}`).all())
      .map((row) => JSON.stringify(row))
      .join('\n');
    expect(all).not.toContain(word);
    expect(all).not.toContain(GOOD);
    const { password } = db.prepare('SELECT password FROM people_secrets').get() as { password: string };
    // Salt and a key of 64 bytes, by scrypt.
    expect(password).toMatch(/^[0-9a-f]{32}:[0-9a-f]{128}$/);
  });
  it('come in by name and passphrase, are known by their cookie, and by no other', async () => {
    await joined('R. Teal', 'installer');
    const said = await enter('r. teal', GOOD);
    if (!said.ok) throw new Error(said.why);
    for (const cookie of said.cookies) expect(cookie).toMatch(/HttpOnly/i);
    expect(said.cookies.join()).toMatch(/__Secure-pitbell/);
    expect(said.cookies.join()).toMatch(/SameSite=Lax/i);
    expect(await accounts.personAt(from(back(said.cookies)))).toMatchObject({ name: 'R. Teal', role: 'installer' });
    expect(await accounts.personAt(from())).toBeNull();
    expect(await accounts.personAt(from(back(said.cookies).replace(/.$/, 'x').replace('.', '.A')))).toBeNull();
  });
  it('have sessions that are seen and ended, one by one or by leaving', async () => {
    const one = await joined('R. Teal');
    const said = await enter('R. Teal', GOOD, '198.51.100.4');
    if (!said.ok) throw new Error(said.why);
    const [{ sessions }] = peopleIn(db, at()) as [ReturnType<typeof peopleIn>[number]];
    expect(sessions.map((s) => [s.address, s.device])).toEqual([
      ['192.0.2.7', 'a phone'],
      ['198.51.100.4', 'a phone'],
    ]);
    expect(endSession(db, sessions[0]!.id)).toBe(true);
    expect(endSession(db, sessions[0]!.id)).toBe(false);
    expect(await accounts.personAt(from(one))).toBeNull();
    expect(await accounts.personAt(from(back(said.cookies)))).toMatchObject({ name: 'R. Teal' });
    await accounts.leave(from(back(said.cookies)));
    expect(await accounts.personAt(from(back(said.cookies)))).toBeNull();
    expect(peopleIn(db, new Date(clock + 31 * 86_400_000).toISOString())[0]!.sessions).toEqual([]);
  });
  it('another role holds at once; the last owner stays one; who is taken away is out, and may come anew', async () => {
    const cookie = await joined('R. Teal');
    await joined('M. Oak', 'reader');
    const idOf = (name: string) => peopleIn(db, at()).find((p) => p.name === name)!.id;
    expect(setRole(db, idOf('R. Teal'), 'installer')).toBe('last owner');
    expect(setRole(db, idOf('R. Teal'), null)).toBe('last owner');
    expect(setRole(db, 'nobody', 'reader')).toBe('nobody');
    expect(setRole(db, idOf('M. Oak'), 'owner')).toBeNull();
    expect(setRole(db, idOf('R. Teal'), 'reader')).toBeNull();
    expect(await accounts.personAt(from(cookie))).toMatchObject({ role: 'reader' });
    expect(setRole(db, idOf('R. Teal'), null)).toBeNull();
    expect(await accounts.personAt(from(cookie))).toBeNull();
    expect(await enter('R. Teal', GOOD)).toMatchObject({ status: 403 });
    await joined('R. Teal', 'reader');
    expect(peopleIn(db, at()).map((p) => p.name)).toEqual(['M. Oak', 'R. Teal']);
  });
});

describe('wrong passphrases', () => {
  it('say the same of a name that there is and of one that there is not', async () => {
    await joined('R. Teal');
    expect(await enter('R. Teal', 'not this one at all')).toEqual(await enter('Nobody', 'not this one at all'));
  });
  it('slow down after five, by name: 2 s, 4 s, 8 s …; the right one waits as well, and then all is as before', async () => {
    await joined('R. Teal');
    for (let n = 0; n < 5; n++)
      expect(await enter('R. Teal', `wrong ${n}`, `203.0.113.${n}`)).toMatchObject({ status: 403 });
    expect(await enter('R. Teal', GOOD, '203.0.113.9')).toMatchObject({ status: 429, wait: 2 });
    clock += 2000;
    expect(await enter('R. Teal', 'wrong', '203.0.113.9')).toMatchObject({ status: 403 });
    expect(mustWait(db, 'R. Teal', '203.0.113.10', clock)).toBe(4);
    // Somebody else is not kept waiting.
    expect(mustWait(db, 'M. Oak', '203.0.113.10', clock)).toBe(0);
    clock += 4000;
    expect((await enter('R. Teal', GOOD)).ok).toBe(true);
    expect(mustWait(db, 'R. Teal', '203.0.113.10', clock)).toBe(0);
  });
  it('are looked at one after another: many at once are no way round', async () => {
    await joined('R. Teal');
    const all = await Promise.all(
      Array.from({ length: 60 }, (_, n) => enter('R. Teal', `wrong ${n}`, `203.0.113.${n}`)),
    );
    expect(all.filter((s) => !s.ok && s.status === 403)).toHaveLength(5);
    expect(all.filter((s) => !s.ok && s.status === 429)).toHaveLength(55);
    clock += 3000;
    expect((await enter('R. Teal', GOOD)).ok).toBe(true);
  });
  it('slow down by address as well, whatever names are tried, and are forgotten after a quarter of an hour', async () => {
    for (let n = 0; n < 20; n++) await enter(`name ${n}`, 'wrong', '203.0.113.66');
    expect(mustWait(db, 'R. Teal', '203.0.113.66', clock)).toBe(2);
    expect(mustWait(db, 'R. Teal', '203.0.113.67', clock)).toBe(0);
    expect(mustWait(db, 'R. Teal', '203.0.113.66', clock + 15 * 60_000 + 1)).toBe(0);
  });
  it('never wait longer than a quarter of an hour', () => {
    const tried = db.prepare("INSERT INTO people_tried (at, name, address, let_in) VALUES (?, 'x', 'y', 0)");
    for (let n = 0; n < 200; n++) tried.run(clock);
    expect(mustWait(db, 'X', 'z', clock)).toBe(900);
  });
  it('are booked with the name that was said and where they came from', async () => {
    await enter(' Some  One ', 'wrong', '203.0.113.5');
    expect(triedLately(db, clock - 1000)).toEqual([{ at: clock, name: 'some one', address: '203.0.113.5' }]);
    expect(triedLately(db, clock)).toEqual([]);
  });
});

describe('what is said at the door', () => {
  it.each([
    [{ name: 'B', passphrase: GOOD }, /at least two letters/],
    [{ name: '<b>', passphrase: GOOD }, /a name has letters/],
    [{ name: 'x'.repeat(61), passphrase: GOOD }, /longer than 60/],
    [{ name: 'R. Teal', passphrase: 'too short' }, /at least 10 letters/],
    [{ name: 'R. Teal', passphrase: 'x'.repeat(129) }, /longer than 128/],
  ])('%o is not taken', (said, why) => {
    const read = joinSchema.safeParse({ word: 'w', ...said });
    expect(read.success ? '' : read.error.issues[0]!.message).toMatch(why);
  });
  it('names of every alphabet are', () => {
    for (const name of ['Ødegård, K.', "O'Hara-Li", '李 明', 'Jean 2'])
      expect([name, joinSchema.safeParse({ word: 'w', name, passphrase: GOOD }).success]).toEqual([name, true]);
    expect(enterSchema.safeParse({ name: 'x', passphrase: '', role: 'owner' }).success).toBe(false);
  });
  it('sessions are signed with a secret of this data folder, made once, that only its owner reads', () => {
    const secret = secretIn(folder);
    expect(secret.length).toBeGreaterThan(40);
    expect(secretIn(folder)).toBe(secret);
    expect(statSync(path.join(folder, 'door.secret')).mode & 0o777).toBe(0o600);
  });
});
