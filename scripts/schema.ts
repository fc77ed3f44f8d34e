/* Writes docs/*.schema.json from the schemas that the program uses. */
import { writeFileSync } from 'node:fs';
import { scenarioJsonSchema } from '@/core/rehearsal';
import { stationJsonSchema } from '@/core/station';

for (const [name, schema] of Object.entries({ station: stationJsonSchema(), scenario: scenarioJsonSchema() }))
  writeFileSync(new URL(`../docs/${name}.schema.json`, import.meta.url), `${JSON.stringify(schema, null, 2)}\n`);
