import { gaugeOf, type Gauge } from '@/core/papers';
import { checkStation } from '@/core/station';
import { systemOf } from '@/core/units';

/** What is shown first of a station, kept beside its newest revision; or why it could not be worked out. */
export type StationFigures = Gauge | { readonly failed: string };

/** Works them out from a document as it is stored. Never throws: what fails is said. */
export function stationFigures(document: string): StationFigures {
  try {
    const checked = checkStation(JSON.parse(document));
    if (!checked.ok)
      return {
        failed: checked.problems
          .slice(0, 3)
          .map((p) => `${p.path}: ${p.message}`)
          .join('; '),
      };
    return gaugeOf(checked.station, systemOf(checked.station.profile));
  } catch (e) {
    return { failed: (e as Error).message };
  }
}
