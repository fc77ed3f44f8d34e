import type { DutyName } from '../duties';
import { newStation, type Station } from '../station';
import { assumedThroughout } from '../surveyed';
import type { Profile } from '../units';
import { condensateExample } from './condensate';
import { doseExample } from './dose';
import { fillExample } from './fill';
import { transferExample } from './transfer';

/** By duty, what a new station is changed into; a sump is what it is. */
const EXAMPLES: Readonly<Record<DutyName, (s: Station) => Station>> = {
  empty: (s) => s,
  dose: doseExample,
  fill: fillExample,
  transfer: transferExample,
  condensate: condensateExample,
};

/**
 * A station of a duty to begin a survey from: vessel, pump, floats, scheme and interlocks that fit together, in the round figures of the profile,
 * with every rule held. All of it is an example, assumed until it is surveyed.
 */
export const exampleStation = (name: string, site: string, profile: Profile, duty: DutyName): Station =>
  assumedThroughout(EXAMPLES[duty](newStation(name, site, profile)));

/** Fields by their names: in which order a document has them says nothing. */
const inOrder = (_: string, value: unknown): unknown =>
  typeof value === 'object' && value !== null && !Array.isArray(value)
    ? Object.fromEntries(Object.entries(value).sort(([a], [b]) => (a < b ? -1 : 1)))
    : value;

/** Whether a station is still the example that it began as: nothing but its name, site, contact and note was touched. */
export function isUntouched(station: Station): boolean {
  const { name, site } = station.identity;
  const example = exampleStation(name, site, station.profile, station.duty.kind);
  const plain = (s: Station) => JSON.stringify({ ...s, identity: null }, inOrder);
  return plain(example) === plain(station);
}

/** Another duty: of a station that nobody has touched its example; else null. */
export function untouchedWithDuty(station: Station, duty: DutyName): Station | null {
  if (!isUntouched(station)) return null;
  const { name, site } = station.identity;
  return { ...exampleStation(name, site, station.profile, duty), identity: station.identity };
}
