import { database } from '@/server/db';
import { dueEverywhere } from '@/server/due';
import { dueCsv } from '@/server/dueFiles';

/** What is due everywhere as CSV, the most pressing first. */
export function GET(): Response {
  return new Response(dueCsv(dueEverywhere(database(), Date.now())), {
    headers: { 'content-type': 'text/csv; charset=utf-8', 'content-disposition': 'attachment; filename="due.csv"' },
  });
}
