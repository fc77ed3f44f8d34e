import { panelOf } from '@/core/schemes';
import type { Station } from '@/core/station';
import { sayPhrase, type UnitSystem } from '@/core/units';
import { wire, type Wired } from '@/core/wiring';
import { Complaint } from '../io';

/** The panel of a station as it is landed, or every reason why its scheme does not fit. */
export function wiredPanel(file: string, station: Station, scheme: string | undefined, system: UnitSystem): Wired {
  const made = panelOf(station, scheme);
  if (!made.ok) throw new Complaint(made.reasons.map((r) => `${file}: control.scheme: ${sayPhrase(r, system)}`));
  return wire(station, made.panel);
}
