/*
 * Who may do what: every way in, by its method and address, with the least role that is let through. What stands in no row is not let in at all.
 */

/** From the one who may do least to the one who may do all. */
export const ROLES = ['reader', 'installer', 'owner'] as const;
export type Role = (typeof ROLES)[number];

/** What a role is for, in words. */
export const ROLE_WORDS: Readonly<Record<Role, string>> = {
  reader: 'looks and prints',
  installer: 'works: surveys, proves, traces, writes in the book',
  owner: 'works, and says who may come in',
};

/** The least that somebody must be; `anyone`: nobody is asked. */
export type Least = Role | 'anyone';

interface Way {
  readonly methods: 'looks' | 'changes';
  /** `[…]` stands for one part of the address. */
  readonly path: string;
  readonly least: Least;
}

const looks = (path: string, least: Least = 'reader'): Way => ({ methods: 'looks', path, least });
const changes = (path: string, least: Least = 'installer'): Way => ({ methods: 'changes', path, least });

/** Every way in. A route that is added without a row answers nobody, and a test says which. */
export const WAYS: readonly Way[] = [
  looks('/sign-in', 'anyone'),
  looks('/join/[word]', 'anyone'),
  // What makes it installable holds nothing of any station.
  ...['/icon.svg', '/icon-192.png', '/icon-512.png', '/manifest.webmanifest', '/along.js'].map((p) =>
    looks(p, 'anyone'),
  ),
  ...['/', '/due', '/along', '/learn', '/resting', '/stations/[id]'].map((p) => looks(p)),
  ...[
    'survey',
    'levels',
    'panel',
    'rehearse',
    'prove',
    'prove/[run]',
    'prove/begun',
    'card',
    'drill',
    'book',
    'book/owner',
    'book/whole',
    'book/revisions',
  ].map((p) => looks(`/stations/[id]/${p}`)),
  looks('/trace', 'installer'),
  looks('/unsent', 'installer'),
  looks('/stations/[id]/trace', 'installer'),
  looks('/people', 'owner'),
  looks('/backup', 'owner'),

  changes('/api/door/enter', 'anyone'),
  changes('/api/door/join', 'anyone'),
  changes('/api/door/leave', 'anyone'),
  // A panel, or a dialler, is known by the word in its address.
  changes('/api/panel/[word]', 'anyone'),

  ...[
    'along',
    'book',
    'drills',
    'drills/file',
    'due',
    'due/bring',
    'due/calendar',
    'due/reminder',
    'figures',
    'firm/[profile]',
    'firm/rates',
    'firm/rules',
    'photos/[photo]',
    'photos/book/[photo]',
    'pieces/[word]',
    'pumps',
    'runs/[run]/entries',
    'runs/[run]/file',
    'runs/[run]/probes',
    'runs/[run]/readings',
    'runs/[run]/report',
    'sparks',
    'stations',
    'stations/[id]/book',
    'stations/[id]/book/file',
    'stations/[id]/book/readings',
    'stations/[id]/card',
    'stations/[id]/feed',
    'stations/[id]/file',
    'stations/[id]/jobcard',
    'stations/[id]/readings',
  ].map((p) => looks(`/api/${p}`)),
  // As Trace, for which they are.
  looks('/api/stations/[id]/suspects', 'installer'),
  // Whoever may look may learn, and has marks of it.
  changes('/api/drills/results', 'reader'),
  ...[
    'drills/sets',
    'firm/[profile]',
    'firm/rates',
    'firm/rules',
    'pieces/[word]',
    'pumps',
    'runs/[run]/entries',
    'runs/[run]/photos',
    'runs/[run]/probes',
    'runs/[run]/readings',
    'runs/[run]/seal',
    'runs/[run]/words',
    'stations',
    'stations/[id]',
    'stations/[id]/archive',
    'stations/[id]/book',
    'stations/[id]/book/[page]/photos',
    'stations/[id]/book/readings',
    'stations/[id]/book/readings/parts',
    'stations/[id]/runs',
  ].map((p) => changes(`/api/${p}`)),
  // The server asks whatever address is set or tried here.
  changes('/api/stations/[id]/feed', 'owner'),
  changes('/api/stations/[id]/feed/try', 'owner'),

  changes('/api/stations/[id]/bin', 'owner'),

  // All that the firm has goes out, or is put in the place of what is there.
  looks('/api/backup', 'owner'),
  looks('/api/backup/file', 'owner'),
  looks('/api/backup/pieces/[word]', 'owner'),
  changes('/api/backup', 'owner'),
  changes('/api/backup/pieces/[word]', 'owner'),
  changes('/api/backup/[id]', 'owner'),

  looks('/api/people', 'owner'),
  changes('/api/people', 'owner'),
];

const fits = (pattern: string, path: string): boolean => {
  const [a, b] = [pattern.split('/'), path.split('/')];
  return a.length === b.length && a.every((part, i) => (part.startsWith('[') ? b[i] !== '' : part === b[i]));
};

/** The least role for a way in; null: nobody goes there. @param path without what is asked after `?` */
export function leastFor(method: string, path: string, ways: readonly Way[] = WAYS): Least | null {
  const kind = method === 'GET' || method === 'HEAD' ? 'looks' : 'changes';
  const plain = path.length > 1 ? path.replace(/\/+$/, '') : path;
  return ways.find((w) => w.methods === kind && fits(w.path, plain))?.least ?? null;
}

/** Whether a role is enough. */
export const mayPass = (role: Role | null, least: Least): boolean =>
  least === 'anyone' || (role !== null && ROLES.indexOf(role) >= ROLES.indexOf(least));
