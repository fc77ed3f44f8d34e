import { expose } from 'comlink';
import { rehearse, whatIf, type Scenario } from '@/core/rehearsal';
import type { Station } from '@/core/station';

/** A rehearsal, off the page. `told` hears now and then what share of it is done. */
const api = {
  rehearse: (station: Station, scenario: Scenario, told: (share: number) => void) => rehearse(station, scenario, { progress: told }),
  whatIf: (station: Station, scenario: Scenario, at: number, told: (share: number) => void) => whatIf(station, scenario, at, told),
};

export type RehearseApi = typeof api;

expose(api);
