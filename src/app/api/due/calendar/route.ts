import { database } from '@/server/db';
import { dueEverywhere } from '@/server/due';
import { dueCalendar } from '@/server/dueFiles';

/** What is due everywhere as a calendar that can be subscribed to. */
export function GET(request: Request): Response {
  const { origin } = new URL(request.url);
  return new Response(dueCalendar(dueEverywhere(database(), Date.now()), origin), {
    headers: { 'content-type': 'text/calendar; charset=utf-8' },
  });
}
