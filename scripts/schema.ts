/*
 * Writes docs/*.schema.json from the schemas that the program uses, and keeps the form of each version of the station document: its
 * schema and a document of it, once and for all. A form that has changed under the same version is refused.
 */
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { demoStations } from '@/core/demo';
import { readyScenarios, SCENARIO_VERSION, scenarioJsonSchema } from '@/core/rehearsal';
import { CURRENT_VERSION, formOf, stationJsonSchema } from '@/core/station';

const at = (path: string) => new URL(`../${path}`, import.meta.url);
const write = (path: string, value: unknown) => writeFileSync(at(path), `${JSON.stringify(value, null, 2)}\n`);

for (const [name, schema] of Object.entries({ station: stationJsonSchema(), scenario: scenarioJsonSchema() }))
  write(`docs/${name}.schema.json`, schema);

/** Keeps the form of a version once and for all, with a document of it; refuses another form under the same version. */
function keep(what: string, path: string, version: number, schema: object, sample: unknown): boolean {
  const form = JSON.stringify(formOf(schema));
  if (!existsSync(at(`${path}.form.json`))) {
    writeFileSync(at(`${path}.form.json`), `${form}\n`);
    write(`${path}.json`, sample);
    return true;
  }
  if (JSON.stringify(JSON.parse(readFileSync(at(`${path}.form.json`), 'utf8'))) === form) return true;
  process.stderr.write(
    `The form of the ${what} has changed and its version has not: files of version ${version} would become unreadable.\n` +
      'Raise the version with a step that reads the old ones (CONTRIBUTING, “The document”), then run this again.\n',
  );
  return false;
}

const duplex = demoStations().find((d) => d.station.control.scheme === 'duplex')!.station;
const kept = [
  keep(
    'station document',
    `src/core/station/fixtures/version-${CURRENT_VERSION}`,
    CURRENT_VERSION,
    stationJsonSchema(),
    duplex,
  ),
  keep(
    'scenario',
    `src/core/rehearsal/fixtures/scenario-${SCENARIO_VERSION}`,
    SCENARIO_VERSION,
    scenarioJsonSchema(),
    readyScenarios(duplex)[0],
  ),
];
if (kept.includes(false)) process.exit(1);
