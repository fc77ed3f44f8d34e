import type { WaitingShown } from './sendBackup';

/** What is here now, in the same counts as a backup. */
export type HereShown = WaitingShown['holds'] & Pick<WaitingShown, 'last'>;

const many = (n: number, one: string, more = `${one}s`): string =>
  `${n.toLocaleString('en-GB')} ${n === 1 ? one : more}`;

/** What is held, in a line. */
export const heldWords = (h: WaitingShown['holds']): string =>
  [
    many(h.stations, 'station'),
    many(h.revisions, 'revision'),
    many(h.testRuns, 'test run'),
    many(h.pages, 'page of the book', 'pages of the book'),
    many(h.readings, 'reading'),
    many(h.photos, 'photograph'),
  ].join(', ');
