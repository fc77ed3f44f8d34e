import { createHash, randomBytes } from 'node:crypto';
import * as z from 'zod';
import type { Db } from '../db';
import type { Role } from './roles';
import { holdTo, seesOf } from './sees';

/* People, their sessions, invitations, and what came to the door, as they are kept. Passphrases are no matter of this file. */

export interface Person {
  readonly id: string;
  readonly name: string;
  readonly role: Role;
  /** The stations that a reader is held to; null: he sees all. */
  readonly sees: readonly number[] | null;
}

export interface SessionKept {
  readonly id: string;
  readonly since: string;
  readonly until: string;
  readonly address: string | null;
  readonly device: string | null;
}

export interface PersonKept extends Person {
  readonly since: string;
  readonly sessions: readonly SessionKept[];
}

/** A name as it is compared: two people are not told apart by letters' size or by blanks. */
export const plainName = (name: string): string => name.trim().replace(/\s+/g, ' ').toLowerCase();

const text = (date: unknown): string => new Date(date as string | number).toISOString();

/** Everybody, by name, with the sessions that are open. */
export function peopleIn(db: Db, now: string): PersonKept[] {
  const people = db
    .prepare<[], { id: string; name: string; role: Role; createdAt: unknown }>(
      'SELECT id, name, role, createdAt FROM people ORDER BY name',
    )
    .all();
  const sessions = db
    .prepare<
      [],
      {
        id: string;
        userId: string;
        createdAt: unknown;
        expiresAt: unknown;
        ipAddress: string | null;
        userAgent: string | null;
      }
    >('SELECT id, userId, createdAt, expiresAt, ipAddress, userAgent FROM people_sessions ORDER BY createdAt')
    .all();
  return people.map((p) => ({
    id: p.id,
    name: p.name,
    role: p.role,
    sees: seesOf(db, p.id),
    since: text(p.createdAt),
    sessions: sessions.flatMap((s): SessionKept[] =>
      s.userId === p.id && text(s.expiresAt) > now
        ? [
            {
              id: s.id,
              since: text(s.createdAt),
              until: text(s.expiresAt),
              address: s.ipAddress || null,
              device: s.userAgent || null,
            },
          ]
        : [],
    ),
  }));
}

export const nobodyIn = (db: Db): boolean => db.prepare('SELECT 1 FROM people LIMIT 1').get() === undefined;

/** Ends one session. @returns whether there was one */
export const endSession = (db: Db, id: string): boolean =>
  db.prepare('DELETE FROM people_sessions WHERE id = ?').run(id).changes > 0;

const owners = (db: Db): string[] =>
  db
    .prepare<[], { id: string }>("SELECT id FROM people WHERE role = 'owner'")
    .all()
    .map((o) => o.id);

/** What hinders a change among people. */
export type Hindered = 'nobody' | 'last owner';

/** Gives somebody another role, or none: then they are gone, and their sessions with them; what they wrote stays theirs. */
export function setRole(db: Db, id: string, role: Role | null): Hindered | null {
  return db
    .transaction((): Hindered | null => {
      if (db.prepare('SELECT 1 FROM people WHERE id = ?').get(id) === undefined) return 'nobody';
      if (role !== 'owner' && owners(db).join() === id) return 'last owner';
      // Who is held to some stations is a reader.
      if (role !== 'reader') holdTo(db, id, null);
      if (role === null) {
        for (const table of ['people_sessions', 'people_secrets'])
          db.prepare(`DELETE FROM ${table} WHERE userId = ?`).run(id);
        db.prepare('DELETE FROM people WHERE id = ?').run(id);
      } else db.prepare('UPDATE people SET role = ? WHERE id = ?').run(role, id);
      return null;
    })
    .immediate();
}

/** How long an invitation is good, ms. */
const GOOD = 3 * 86_400_000;

const digestOf = (word: string): string => createHash('sha256').update(word).digest('base64url');

/** Makes an address that is good once. @param by who asks somebody in; null: the first of all, and then no earlier one is good any more */
export function invite(
  db: Db,
  role: Role,
  by: string | null,
  now: string,
  sees: readonly number[] | null = null,
): string {
  const word = randomBytes(24).toString('base64url');
  db.transaction(() => {
    if (by === null) db.prepare('DELETE FROM people_invited WHERE used_at IS NULL AND made_by IS NULL').run();
    db.prepare(
      'INSERT INTO people_invited (digest, role, made_at, made_by, until, sees) VALUES (?, ?, ?, ?, ?, ?)',
    ).run(digestOf(word), role, now, by, new Date(Date.parse(now) + GOOD).toISOString(), sees && JSON.stringify(sees));
  })();
  return word;
}

/** The role that a word is good for, while it is. */
export function invitedAs(db: Db, word: string, now: string): Role | null {
  const row = db
    .prepare<[string, string], { role: Role }>(
      'SELECT role FROM people_invited WHERE digest = ? AND used_at IS NULL AND until > ?',
    )
    .get(digestOf(word), now);
  return row?.role ?? null;
}

/** What somebody was asked in to. */
export interface Invited {
  readonly role: Role;
  readonly sees: readonly number[] | null;
}

const listed = z.array(z.number().int()).nullable();

/** Takes a word, which is then no longer good. @returns what it was good for, or null where it was not */
export function takeInvitation(db: Db, word: string, name: string, now: string): Invited | null {
  return db
    .transaction((): Invited | null => {
      const role = invitedAs(db, word, now);
      if (role === null) return null;
      db.prepare('UPDATE people_invited SET used_at = ?, used_by = ? WHERE digest = ?').run(now, name, digestOf(word));
      const sees = db
        .prepare<[string], string | null>('SELECT sees FROM people_invited WHERE digest = ?')
        .pluck()
        .get(digestOf(word));
      return { role, sees: listed.parse(JSON.parse(sees ?? 'null')) };
    })
    .immediate();
}

/** Gives a word back that was taken and came to nothing. */
export const giveBack = (db: Db, word: string): void =>
  void db.prepare('UPDATE people_invited SET used_at = NULL, used_by = NULL WHERE digest = ?').run(digestOf(word));

/** Wrong passphrases count for so long, ms; so many cost nothing; after them each doubles the wait, up to the longest, s. */
const COUNTS = 15 * 60_000;
const FREE = 5;
const LONGEST = 900;

/** How long one must wait before a passphrase is looked at, s: after wrong ones for this name, or from this address. */
export function mustWait(db: Db, name: string, address: string, now: number): number {
  const since = now - COUNTS;
  const waits = (['name', 'address'] as const).map((by) => {
    const said = by === 'name' ? plainName(name) : address;
    const rows = db
      .prepare<[string, number], { at: number; let_in: number }>(
        `SELECT at, let_in FROM people_tried WHERE ${by} = ? AND at > ? ORDER BY at DESC`,
      )
      .all(said, since);
    // For a name the right one ends the row; an address may serve many people.
    const right = by === 'name' ? rows.findIndex((r) => r.let_in === 1) : -1;
    const wrong = (right < 0 ? rows : rows.slice(0, right)).filter((r) => r.let_in === 0);
    const over = wrong.length - (by === 'name' ? FREE : 4 * FREE);
    if (over < 0) return 0;
    const until = wrong[0]!.at + 1000 * Math.min(LONGEST, 2 ** (over + 1));
    return Math.max(0, Math.ceil((until - now) / 1000));
  });
  return Math.max(...waits);
}

/** Books what came to the door. */
export const bookTried = (db: Db, name: string, address: string, letIn: boolean, now: number): void =>
  void db
    .prepare('INSERT INTO people_tried (at, name, address, let_in) VALUES (?, ?, ?, ?)')
    .run(now, plainName(name).slice(0, 60), address, letIn ? 1 : 0);

/** Wrong passphrases of late, newest first. */
export const triedLately = (db: Db, since: number): { at: number; name: string; address: string }[] =>
  db
    .prepare<[number], { at: number; name: string; address: string }>(
      'SELECT at, name, address FROM people_tried WHERE let_in = 0 AND at > ? ORDER BY at DESC LIMIT 50',
    )
    .all(since);
