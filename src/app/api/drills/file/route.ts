import { database } from '@/server/db';
import { resultsCsv } from '@/server/drills';

/** What came of all drills as CSV. */
export const GET = (): Response =>
  new Response(resultsCsv(database()), {
    headers: { 'content-type': 'text/csv; charset=utf-8', 'content-disposition': 'attachment; filename="drills.csv"' },
  });
