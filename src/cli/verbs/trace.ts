import type { Station } from '@/core/station';
import { nothingTold, readTold, think, traceJsonSchema, tracingOf, type Told } from '@/core/trace';
import { Complaint, readJsonFile, readStation, unitsFrom } from '../io';
import type { Verb } from '../verb';

function readTrace(file: string | undefined, { identity }: Station): Told {
  if (file === undefined) return nothingTold({ name: identity.name, site: identity.site, revision: null });
  const read = readTold(readJsonFile(file));
  if (!read.ok) throw new Complaint(read.problems.map((p) => `${file}: ${p}`));
  if (read.told.station.name !== identity.name)
    throw new Complaint([
      `${file}: it was told of “${read.told.station.name}”, and this station is “${identity.name}”`,
    ]);
  return read.told;
}

export const trace: Verb = {
  usage: 'pitbell trace STATION.json [OBSERVATIONS.json] [--schema] [--units metric|us]',
  about:
    'What is wrong, from what was seen: suspects with how likely each is and why, the next test as a card, what contradicts, and the traps that bite. Without observations, by how often each comes. --schema prints the form of OBSERVATIONS.json.',
  options: { units: { type: 'string' }, schema: { type: 'boolean' } },
  run([file, observations], { units, schema }) {
    if (schema !== undefined) return traceJsonSchema();
    const station = readStation(file!, unitsFrom(units));
    const told = readTrace(observations, station);
    const made = tracingOf(station);
    if (!made.ok) throw new Complaint(made.reasons);
    return { station: station.identity.name, ...think(made.tracing, told) };
  },
};
