import { expose } from 'comlink';
import { chance, record, whatIf, type Chances, type Recording, type Scenario } from '@/core/rehearsal';
import type { Station } from '@/core/station';

let recording: Recording | null = null;

/** A rehearsal, off the page: it stays here to be asked about. `told` hears now and then what share of it is done. */
const api = {
  rehearse(station: Station, scenario: Scenario, told: (share: number) => void) {
    const recorded = record(station, scenario, { progress: told });
    recording = recorded.ok ? recorded : null;
    return recorded.ok ? { ok: true as const, run: recorded.run } : recorded;
  },
  window: (from: number, to: number) => recording?.window(from, to) ?? null,
  moment: (at: number) => recording?.moment(at) ?? null,
  whatIf: (station: Station, scenario: Scenario, at: number, told: (share: number) => void) =>
    whatIf(station, scenario, at, told),
  chance: (station: Station, chances: Chances, told: (share: number) => void) =>
    chance(station, chances, { progress: told }),
};

export type RehearseApi = typeof api;

expose(api);
