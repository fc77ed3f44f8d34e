import * as z from 'zod';
import { database } from '@/server/db';
import { notFound, now, readAs, writing } from '@/server/edge';
import { feedOf, stationOfWord } from '@/server/feeds/feeds';
import { judgedBy, takeIn } from '@/server/feeds/takeIn';

const bodySchema = z.strictObject({
  ringing: z.boolean('say whether it rings'),
  what: z.string().trim().max(120).default(''),
  /** When, by the clock of the panel; without it, now. */
  at: z.iso.datetime({ offset: true, error: 'must be a time, as 2026-11-27T09:41:00Z' }).optional(),
});

/** A panel, or a dialler, that sends its alarm: it is known by the word in the address. */
export async function POST(request: Request, { params }: { params: Promise<{ word: string }> }): Promise<Response> {
  const { word } = await params;
  const body = await readAs(request, bodySchema);
  if (!body.ok) return body.response;
  return writing(() => {
    const db = database();
    const stationId = stationOfWord(db, word);
    const kept = stationId === null ? null : feedOf(db, stationId);
    const station = stationId === null ? null : judgedBy(db, stationId);
    if (!kept || !station || !kept.feed.on) return notFound('panel that is known by this address');
    const { ringing, at } = body.value;
    const values = {
      alarm: { ok: true as const, value: ringing ? 1 : 0 },
      ...(at !== undefined && { clock: { ok: true as const, value: Date.parse(at) / 1000 } }),
    };
    takeIn(db, kept, station, { ok: true, raw: JSON.stringify(body.value), values, pushed: true }, Date.parse(now()));
    return Response.json({ taken: true }, { status: 201 });
  });
}
