import { createHash, randomBytes } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import type { BetterAuthOptions } from 'better-auth';
import * as z from 'zod';
import { dataFolder, type Db } from '../db';
import { bookTried, giveBack, mustWait, plainName, takeInvitation, type Person } from './people';
import { holdTo, maySee, seesOf } from './sees';
import type { Role } from './roles';

/** A passphrase has at least so many letters; what is longer than the most is no passphrase. */
export const LEAST_LETTERS = 10;
const MOST_LETTERS = 128;
/** So many wait at the door at once. */
const QUEUE = 40;
/** A session ends after so long, s. */
const LASTS = 30 * 86_400;

/** The library knows people by an address for letters; ours have a name, and get one that leads nowhere. */
const addressOf = (name: string): string =>
  `${createHash('sha256').update(plainName(name)).digest('hex').slice(0, 40)}@people.invalid`;

/** What the library is set to: passphrases by scrypt, sessions in our database, nothing sent anywhere. @param secure cookies go over TLS alone */
export const authOptions = (db: Db, secret: string, secure: boolean) =>
  ({
    database: db,
    secret,
    // Nothing of the library is asked over the network by itself: it answers to no address.
    baseURL: 'http://localhost',
    telemetry: { enabled: false },
    logger: { disabled: true },
    rateLimit: { enabled: false },
    emailAndPassword: { enabled: true, minPasswordLength: LEAST_LETTERS, maxPasswordLength: MOST_LETTERS },
    user: {
      modelName: 'people',
      additionalFields: { role: { type: 'string', required: true, defaultValue: 'reader', input: false } },
    },
    session: { modelName: 'people_sessions', expiresIn: LASTS, disableSessionRefresh: true },
    account: { modelName: 'people_secrets' },
    verification: { modelName: 'people_words' },
    advanced: {
      cookiePrefix: 'pitbell',
      useSecureCookies: secure,
      defaultCookieAttributes: { httpOnly: true, sameSite: 'lax', path: '/' },
      ipAddress: { ipAddressHeaders: ['x-pitbell-address'] },
    },
  }) satisfies BetterAuthOptions;

/** What sessions are signed with: made once, kept beside the database and readable by its owner alone. */
export function secretIn(folder: string = dataFolder()): string {
  const file = path.join(folder, 'door.secret');
  if (!existsSync(file)) writeFileSync(file, randomBytes(48).toString('base64url'), { mode: 0o600, flag: 'wx' });
  return readFileSync(file, 'utf8');
}

const name = z
  .string()
  .trim()
  .min(2, 'a name has at least two letters')
  .max(60, 'is longer than 60 letters')
  .regex(/^[\p{L}\p{N}][\p{L}\p{N} .,’'()-]*$/u, 'a name has letters, figures, blanks, dots and hyphens');
const passphrase = z
  .string()
  .min(
    LEAST_LETTERS,
    `a passphrase has at least ${LEAST_LETTERS} letters: four words that do not belong together are good`,
  )
  .max(MOST_LETTERS, `is longer than ${MOST_LETTERS} letters`);

export const enterSchema = z.strictObject({ name: z.string().max(200), passphrase: z.string().max(1000) });
export const joinSchema = z.strictObject({ word: z.string().max(200), name, passphrase });

/** From where and with what somebody comes. */
export interface Coming {
  readonly address: string;
  readonly device: string;
  readonly cookie: string;
}

/** What the door says: let in, with the cookies to be set; or why not. */
export type Said =
  | { readonly ok: true; readonly cookies: readonly string[] }
  | { readonly ok: false; readonly status: 403 | 409 | 410 | 422 | 429; readonly why: string; readonly wait?: number };

const headersOf = ({ address, device, cookie }: Coming): Headers =>
  new Headers({ 'x-pitbell-address': address, 'user-agent': device, cookie });

/** Accounts and sessions of a data folder. The library is read only where people sign in. */
export async function accountsOf(db: Db, secret: string, secure: boolean, clock: () => number = Date.now) {
  const { betterAuth } = await import('better-auth');
  const { api } = betterAuth(authOptions(db, secret, secure));

  const opened = async (said: string, given: string, from: Coming): Promise<readonly string[] | null> => {
    const answer = await api.signInEmail({
      body: { email: addressOf(said), password: given, rememberMe: true },
      headers: headersOf(from),
      asResponse: true,
    });
    return answer.ok ? answer.headers.getSetCookie() : null;
  };

  // One at a time: each costs memory and time, and a wrong one must be booked before the next is looked at.
  let door: Promise<unknown> = Promise.resolve();
  let waiting = 0;
  const alone = async (look: () => Promise<Said>): Promise<Said> => {
    if (waiting >= QUEUE)
      return { ok: false, status: 429, why: 'too many people at the door: try again in a moment', wait: 5 };
    waiting++;
    const said = door.then(look);
    door = said.catch(() => {});
    return said.finally(() => void waiting--);
  };

  return {
    /** Lets somebody in by name and passphrase; wrong ones slow down, by name and by address, and are booked. */
    enter: ({ name: said, passphrase: given }: z.infer<typeof enterSchema>, from: Coming): Promise<Said> =>
      alone(async () => {
        const now = clock();
        const wait = mustWait(db, said, from.address, now);
        if (wait > 0)
          return { ok: false, status: 429, why: `too many wrong passphrases: wait ${wait} s, then try again`, wait };
        const cookies = await opened(said, given, from);
        bookTried(db, said, from.address, cookies !== null, now);
        return cookies
          ? { ok: true, cookies }
          : { ok: false, status: 403, why: 'nobody of this name has this passphrase' };
      }),

    /** Makes the account that somebody was invited to, and lets them in. */
    async join({ word, name: said, passphrase: given }: z.infer<typeof joinSchema>, from: Coming): Promise<Said> {
      const invited = takeInvitation(db, word, said, new Date(clock()).toISOString());
      if (invited === null)
        return { ok: false, status: 410, why: 'this address was used already, or is too old: ask for another' };
      const made = await api
        .signUpEmail({ body: { email: addressOf(said), name: said, password: given }, headers: headersOf(from) })
        .catch(() => null);
      if (!made) {
        giveBack(db, word);
        return { ok: false, status: 409, why: 'somebody is called so here: say another name' };
      }
      db.prepare('UPDATE people SET role = ? WHERE id = ?').run(invited.role, made.user.id);
      holdTo(db, made.user.id, invited.sees);
      // The session that came with the account is not used: one comes in as at every other time.
      db.prepare('DELETE FROM people_sessions WHERE userId = ?').run(made.user.id);
      const cookies = await opened(said, given, from);
      return cookies ? { ok: true, cookies } : { ok: false, status: 403, why: 'come in by the front door' };
    },

    /** Ends the session of whoever asks. @returns the cookies that take it back */
    async leave(from: Coming): Promise<readonly string[]> {
      const answer = await api.signOut({ headers: headersOf(from), asResponse: true });
      return answer.headers.getSetCookie();
    },

    /** Whether somebody may see what is at an address: a reader may be held to stations of his own. */
    maySee: (person: Person | null, address: string): boolean => !person?.sees || maySee(db, person.sees, address),

    /** Who asks; null where nobody is signed in. */
    async personAt(from: Coming): Promise<Person | null> {
      if (!from.cookie.includes('pitbell')) return null;
      const found = await api.getSession({ headers: headersOf(from) });
      if (!found) return null;
      const { id, name: called, role } = found.user;
      return { id, name: called, role: role as Role, sees: seesOf(db, id) };
    },
  };
}

export type Accounts = Awaited<ReturnType<typeof accountsOf>>;
