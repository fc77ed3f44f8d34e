/* Fills an empty data folder with the demo stations; leaves one that has stations alone. */
import { database } from '@/server/db';
import { seedDemo } from '@/server/seed';

const made = seedDemo(database(), new Date().toISOString());
if (made > 0) process.stdout.write(`${made} demo stations written\n`);
