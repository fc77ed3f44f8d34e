import { readFileSync, statSync } from 'node:fs';
import { checkStation, type Station } from '@/core/station';
import type { UnitSystem } from '@/core/units';

/** Something wrong that the person at the shell can mend: said on standard error, exit 2. */
export class Complaint extends Error {
  readonly lines: readonly string[];
  constructor(lines: readonly string[]) {
    super(lines.join('\n'));
    this.lines = lines;
  }
}

const LARGEST = 2 * 1024 * 1024;

export function readJsonFile(file: string): unknown {
  let text: string;
  try {
    if (statSync(file).size > LARGEST)
      throw new Complaint([`${file}: is larger than ${LARGEST / 1024 / 1024} MB; a station file is a few kB`]);
    text = readFileSync(file, 'utf8');
  } catch (error) {
    if (error instanceof Complaint) throw error;
    throw new Complaint([`${file}: cannot be read: ${error instanceof Error ? error.message : String(error)}`]);
  }
  try {
    return JSON.parse(text);
  } catch (error) {
    throw new Complaint([`${file}: is not JSON: ${error instanceof Error ? error.message : String(error)}`]);
  }
}

/** The station in a file, or every problem of it as `file: path: what is wrong`. */
export function readStation(file: string, system?: UnitSystem): Station {
  const checked = checkStation(readJsonFile(file), system);
  if (!checked.ok) throw new Complaint(checked.problems.map((p) => `${file}: ${p.path}: ${p.message}`));
  return checked.station;
}

export function unitsFrom(text: string | undefined): UnitSystem | undefined {
  if (text === undefined || text === 'metric' || text === 'us') return text;
  throw new Complaint([`--units: “${text}” is not metric or us`]);
}
