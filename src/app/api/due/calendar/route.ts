import { database } from '@/server/db';
import { dueEverywhere } from '@/server/due';
import { dueCalendar } from '@/server/dueFiles';
import { originOf } from '@/server/edge';

/** What is due everywhere as a calendar that can be subscribed to. */
export function GET(request: Request): Response {
  const origin = originOf(request) ?? new URL(request.url).origin;
  return new Response(dueCalendar(dueEverywhere(database(), Date.now()), origin), {
    headers: { 'content-type': 'text/calendar; charset=utf-8' },
  });
}
