/* Writes docs/station.schema.json from the schema that the program uses. */
import { writeFileSync } from 'node:fs';
import { stationJsonSchema } from '@/core/station';

writeFileSync(new URL('../docs/station.schema.json', import.meta.url), `${JSON.stringify(stationJsonSchema(), null, 2)}\n`);
