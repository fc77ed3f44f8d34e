import { readingWords, expectedReadings, usualInputs, wire } from '../wiring';
import { panelOf } from '../schemes';
import type { Station } from '../station';

/** The card of expected readings for the panel door. */
export interface ReadingsCard {
  readonly title: string;
  readonly site: string;
  readonly revision: string;
  /** Where the probes go, what is dialled, what is shown at rest and when that input is worked. */
  readonly rows: readonly (readonly [input: string, probes: string, rest: string, worked: string])[];
  readonly note: string;
}

const shown = (r: Parameters<typeof readingWords>[0]): string => {
  const { shown: figure, means } = readingWords(r);
  return means === '' ? figure : `${figure}, ${means}`;
};

/** What a meter reads over each field input of the panel as it is designed, at rest and worked. Empty rows where no panel can be drawn. */
export function readingsCard(station: Station, revision: number): ReadingsCard {
  const made = panelOf(station);
  const wired = made.ok ? wire(station, made.panel, { cores: [], links: [] }) : null;
  const rows = wired ? expectedReadings(wired, usualInputs(station, wired)) : [];
  return {
    title: station.identity.name,
    site: station.identity.site,
    revision: `revision ${revision}`,
    rows: rows.map((r) => [
      r.label,
      `${r.a} – ${r.b}, ${r.mode === 'ac-volts' ? 'volts AC' : 'volts DC'}`,
      shown(r.rest),
      shown(r.worked),
    ]),
    note: 'As designed, supplies there, the other floats as on an ordinary day; within ten in a hundred with the supply. Live: rated meter and leads, and whoever may do this work.',
  };
}
