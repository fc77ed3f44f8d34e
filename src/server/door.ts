import { randomBytes } from 'node:crypto';
import type { IncomingMessage } from 'node:http';

/*
 * The door of the server: what comes in is looked at before anything answers it. The application trusts whoever may reach it, so a page of
 * another site, or a name that was rebound to this machine, must not get through as if a person of ours had asked.
 */

/** What stands in the way of a request. */
export interface Refusal {
  readonly status: 204 | 400 | 403 | 404 | 405 | 415 | 421;
  readonly message: string;
}

const refusal = (status: Refusal['status'], message: string): Refusal => ({ status, message });

/** Requests that are answered; POST and PUT change something. */
export const METHODS = ['GET', 'HEAD', 'POST', 'PUT', 'OPTIONS'] as const;
const CHANGES: readonly string[] = ['POST', 'PUT'];

/** The name of a host without its port: `[::1]:4310` is `[::1]`. */
const nameOf = (host: string): string => host.toLowerCase().replace(/:\d+$/, '').replace(/\.$/, '');

/** Names that always mean this machine to itself. */
export const LOOPBACK: readonly string[] = ['localhost', '127.0.0.1', '[::1]'];

/** An address that can be read: its escapes stand for letters, and none of them for nothing. */
function readable(url: string): boolean {
  try {
    return url.startsWith('/') && !decodeURIComponent(url.split('?')[0]!).includes('\0');
  } catch {
    return false;
  }
}

/** Whether a page of `origin` is one that this server sent to the host that is asked. */
function ownOrigin(origin: string, host: string): boolean {
  try {
    return new URL(origin).host.toLowerCase() === host.toLowerCase();
  } catch {
    return false;
  }
}

function changeRefused({ headers }: Pick<IncomingMessage, 'headers'>, host: string): Refusal | null {
  const { origin, 'sec-fetch-site': site, 'content-type': type = '' } = headers;
  // Every browser says where a change comes from; what says nothing is no browser, and holds nobody's trust.
  if (origin !== undefined && !ownOrigin(origin, host))
    return refusal(403, 'this change comes from a page of another site');
  if (origin === undefined && site !== undefined && site !== 'same-origin' && site !== 'none')
    return refusal(403, 'this change comes from another site');
  if (!/^(application\/(json|octet-stream)|image\/(jpeg|png|webp))\s*(;|$)/i.test(type))
    return refusal(
      415,
      'changes are sent as JSON (content-type: application/json), photographs as JPEG, PNG or WebP, pieces of files as application/octet-stream',
    );
  return null;
}

/**
 * What stands in the way of a request, or null.
 * @param names hosts that this server answers to, without ports
 * @param asked whether people sign in here
 */
export function refused(
  { method = 'GET', url = '/', headers }: Pick<IncomingMessage, 'method' | 'url' | 'headers'>,
  names: ReadonlySet<string>,
  asked = false,
): Refusal | null {
  const { host } = headers;
  // What stands before it may let anybody in: where nobody is asked who he is, nothing may stand before it.
  if (!asked && (headers['x-forwarded-for'] !== undefined || headers.forwarded !== undefined))
    return refusal(
      403,
      'something forwards to this server, where nobody signs in: start it with --proxy and its address',
    );
  if (host === undefined) return refusal(400, 'which host? A request names it');
  if (!names.has(nameOf(host)))
    return refusal(
      421,
      `this server is not “${nameOf(host)}”: it answers to ${[...names].join(', ')} (start it with --name to add one)`,
    );
  if (!(METHODS as readonly string[]).includes(method)) return refusal(405, `${method} means nothing here`);
  if (method === 'OPTIONS') return refusal(204, '');
  if (!readable(url)) return refusal(404, 'there is nothing at this address');
  return CHANGES.includes(method) ? changeRefused({ headers }, host) : null;
}

/** What scripts and styles a page may run: its own, known by a word that is new for each answer. */
export const newNonce = (): string => randomBytes(16).toString('base64');

/** Styles are not held to the word: the drawings set theirs on the element. */
export const contentPolicy = (nonce: string): string =>
  [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic'`,
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "font-src 'self'",
    "connect-src 'self'",
    "worker-src 'self' blob:",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join('; ');

/** What goes out with every answer, beside the policy. */
export const GUARDS: Readonly<Record<string, string>> = {
  'x-content-type-options': 'nosniff',
  'referrer-policy': 'no-referrer',
  'permissions-policy':
    'accelerometer=(), browsing-topics=(), camera=(), display-capture=(), geolocation=(), gyroscope=(), magnetometer=(), microphone=(), midi=(), payment=(), serial=(), usb=()',
  'cross-origin-opener-policy': 'same-origin',
  'cross-origin-resource-policy': 'same-origin',
};
