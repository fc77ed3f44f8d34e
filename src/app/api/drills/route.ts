import { database } from '@/server/db';
import { drillResults, drillSets } from '@/server/drills';

/** What is set to classes, and what came of drills. */
export const GET = (): Response => Response.json({ sets: drillSets(database()), results: drillResults(database()) });
