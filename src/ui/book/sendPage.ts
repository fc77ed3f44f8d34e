import * as z from 'zod';
import { pageSchema, PAGE_KINDS, type PageKind, type PageSent, type PageKept } from '@/core/book';
import { ask, wentWrong } from '../parts/ask';
import type { PagesOf } from './shown';

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

/** Writes a page. Never throws. @param key the same one writes it once, however often it is sent */
export async function sendPage(
  stationId: number,
  page: PageSent,
  key: string,
): Promise<{ ok: true; id: number } | { ok: false; why: string }> {
  const answer = await ask(`/api/stations/${stationId}/book`, z.object({ page: keptSchema }), {
    method: 'POST',
    body: JSON.stringify(page),
    key,
  });
  return answer.ok ? { ok: true, id: answer.value.page.id } : { ok: false, why: wentWrong(answer) };
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
  pageId: number,
  by: string,
  file: File,
  key: string,
): Promise<string | null> {
  const answer = await ask(
    `/api/stations/${stationId}/book/${pageId}/photos?by=${encodeURIComponent(by)}`,
    z.object({ id: z.number() }),
    { method: 'POST', body: file, key },
  );
  return answer.ok ? null : wentWrong(answer);
}
