/*
 * Writes docs/*.schema.json from the schemas that the program uses, and keeps the form of each version of the station document: its
 * schema and a document of it, once and for all. A form that has changed under the same version is refused.
 */
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { demoStations } from '@/core/demo';
import { scenarioJsonSchema } from '@/core/rehearsal';
import { CURRENT_VERSION, formOf, stationJsonSchema } from '@/core/station';

const at = (path: string) => new URL(`../${path}`, import.meta.url);
const write = (path: string, value: unknown) => writeFileSync(at(path), `${JSON.stringify(value, null, 2)}\n`);

for (const [name, schema] of Object.entries({ station: stationJsonSchema(), scenario: scenarioJsonSchema() }))
  write(`docs/${name}.schema.json`, schema);

const kept = `src/core/station/fixtures/version-${CURRENT_VERSION}`;
const form = formOf(stationJsonSchema());
if (!existsSync(at(`${kept}.form.json`))) {
  writeFileSync(at(`${kept}.form.json`), `${JSON.stringify(form)}\n`);
  write(`${kept}.json`, demoStations().find((d) => d.station.control.scheme === 'duplex')!.station);
} else if (JSON.stringify(JSON.parse(readFileSync(at(`${kept}.form.json`), 'utf8'))) !== JSON.stringify(form)) {
  process.stderr.write(
    `The form of the document has changed and its version has not: stored documents of version ${CURRENT_VERSION} would become unreadable.\n` +
      'Raise the version (a step in src/core/station/upgrade.ts, or `since` of a new setting), then run this again.\n',
  );
  process.exit(1);
}
