import * as z from 'zod';
import { pageSchema, PAGE_KINDS, type PageKind, type PageSent, type PageKept } from '@/core/book';
import { through } from '../outbox/through';
import { ask, wentWrong } from '../parts/ask';
import { smaller } from '../parts/smaller';
import type { PageId, PagesOf } from './shown';

const keptSchema = z.object({
  id: z.number(),
  revision: z.number(),
  at: z.string(),
  writtenAt: z.string(),
  by: z.string(),
  page: pageSchema.nullable(),
  corrects: z.number().nullable(),
  correctedBy: z.number().nullable(),
  readings: z.array(
    z.object({
      id: z.number(),
      meter: z.string(),
      value: z.number(),
      newFrom: z.number().nullable(),
      corrects: z.number().nullable(),
      stands: z.boolean(),
    }),
  ),
  photos: z.array(z.number()),
  foundRevision: z.number().nullable(),
});
const hitsSchema = z.object({
  hits: z.array(
    z.object({
      id: z.number(),
      stationId: z.number(),
      name: z.string(),
      at: z.string(),
      kind: z.enum(PAGE_KINDS.map(([k]) => k) as [PageKind, ...PageKind[]]),
      words: z.string(),
    }),
  ),
});
export type Hit = z.infer<typeof hitsSchema>['hits'][number];

/** What a page says, in a line. */
const inWords = ({ page, readings }: PageSent): string => {
  const name = PAGE_KINDS.find(([k]) => k === page.kind)?.[1] ?? page.kind;
  const words = 'words' in page && page.words !== '' ? `, “${page.words.slice(0, 60)}”` : '';
  return `book, ${name}${words}${readings.length > 0 ? `, ${readings.length} readings` : ''}`;
};

/** A station that has no number yet: the act that makes it. */
interface NotYet {
  readonly after: string;
}

/**
 * Writes a page. Never throws.
 * @param now whether it tells of the moment it is written
 * @param key the same one writes it once, however often it is sent
 */
export async function sendPage(
  station: number | NotYet,
  page: PageSent,
  now: boolean,
  key: string,
): Promise<{ ok: true; id: PageId; here: boolean } | { ok: false; why: string }> {
  const answer = await through(
    {
      id: key,
      kind: 'page',
      what: inWords(page),
      ...(typeof station === 'number'
        ? { stationId: station, about: `book:${station}`, url: `/api/stations/${station}/book` }
        : { stationId: null, about: `book:${station.after}`, after: station.after, url: '/api/stations/{id}/book' }),
      now,
      method: 'POST',
      body: JSON.stringify(page),
    },
    z.object({ page: keptSchema }),
  );
  if (answer.ok === 'kept') return { ok: true, id: key, here: true };
  return answer.ok ? { ok: true, id: answer.value.page.id, here: false } : { ok: false, why: wentWrong(answer) };
}

/** Pages before one, of a kind or of all, about a pump or a part or anything; null where the server does not say. */
export async function pagesBefore(
  stationId: number,
  before: number | null,
  { kind, about }: PagesOf,
): Promise<readonly PageKept[] | null> {
  const query = new URLSearchParams({
    ...(before !== null && { before: String(before) }),
    ...(kind !== null && { kind }),
    ...(about !== null && { [about.what]: String(about.number) }),
  });
  const answer = await ask(`/api/stations/${stationId}/book?${query}`, z.object({ pages: z.array(keptSchema) }));
  return answer.ok ? answer.value.pages : null;
}

/** Pages of this book that have all of the words; null where the server does not say. */
export async function searchPages(stationId: number, words: string): Promise<readonly Hit[] | null> {
  const answer = await ask(`/api/book?${new URLSearchParams({ words, station: String(stationId) })}`, hitsSchema);
  return answer.ok ? answer.value.hits : null;
}

/** Sends a photograph of a page. Never throws; why it was not kept, or null. */
export async function sendPagePhoto(
  stationId: number,
  page: PageId,
  by: string,
  file: File,
  key: string,
): Promise<string | null> {
  const answer = await through(
    {
      id: key,
      kind: 'page-photo',
      what: `photograph of a page: ${file.name}`,
      stationId,
      about: `book:${stationId}`,
      after: typeof page === 'number' ? null : page,
      url: `/api/stations/${stationId}/book/${typeof page === 'number' ? page : '{id}'}/photos?by=${encodeURIComponent(by)}`,
      method: 'POST',
      body: await smaller(file),
    },
    z.object({ id: z.number() }),
  );
  return answer.ok === 'kept' || answer.ok ? null : wentWrong(answer);
}
