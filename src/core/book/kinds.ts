/** What pages are called, in the order in which they are offered. */
export const PAGE_KINDS = [
  ['visit', 'visit'],
  ['alarm', 'alarm'],
  ['part', 'part'],
  ['site', 'site'],
  ['meter', 'meter'],
  ['rule', 'to be done again'],
  ['later', 'put off'],
  ['struck', 'struck out'],
] as const;
export type PageKind = (typeof PAGE_KINDS)[number][0];

/** Why somebody came. */
export const VISIT_REASONS = [
  ['due', 'it was due'],
  ['job', 'a job'],
  ['call', 'a call'],
  ['look', 'a look in passing'],
] as const;
