import type { Station } from '../station';
import type { Phrase } from '../units';
import { panelBuilder } from './panelBuilder';
import type { Panel } from './model';
import { choiceOf, type Scheme } from './scheme';
import { SCHEMES } from './table';

export const schemeOf = (id: string): Scheme | undefined => SCHEMES.find((s) => s.id === id);

const chooser = (scheme: Scheme, station: Station) => (id: string) => choiceOf(scheme, station, id);

/** Every reason against a scheme at this station; empty where it fits. */
export const reasonsAgainst = (scheme: Scheme, station: Station): readonly Phrase[] =>
  scheme.against(station, chooser(scheme, station));

/** Whether the pump of a station hangs on a plug, by its scheme. */
export function isPlugged(station: Station): boolean {
  const scheme = schemeOf(station.control.scheme);
  return scheme?.plugged?.(chooser(scheme, station)) ?? false;
}

/**
 * The panel of a station by a scheme, its own unless another is given.
 * @returns the reasons against it where it cannot be built
 * @example
 * const made = panelOf(newStation('Sump', 'Yard', 'metric-230'), 'contactor');
 * made.panel.outcomes.map((o) => o.id) // → ['M1', 'lamp', 'horn']
 */
export function panelOf(
  station: Station,
  id: string = station.control.scheme,
): { ok: true; panel: Panel; scheme: Scheme } | { ok: false; scheme: Scheme | null; reasons: readonly Phrase[] } {
  const scheme = schemeOf(id);
  if (!scheme)
    return {
      ok: false,
      scheme: null,
      reasons: [[`“${id}” is not a control scheme; there are ${SCHEMES.map((s) => s.id).join(', ')}`]],
    };
  const reasons = reasonsAgainst(scheme, station);
  if (reasons.length > 0) return { ok: false, scheme, reasons };
  const b = panelBuilder(station);
  scheme.build(b, chooser(scheme, station));
  return { ok: true, panel: b.done(scheme.id), scheme };
}

export { SCHEMES } from './table';
export { choiceOf, type Option, type Scheme, type SchemeField } from './scheme';
export {
  type CableRun,
  type Circuit,
  type Core,
  type Device,
  type DeviceFunction,
  type Element,
  GROUND_PIN,
  type Link,
  type Outcome,
  type Panel,
  type Rung,
  type Sign,
  type Terminal,
  type Tree,
  type WireFunction,
} from './model';
export { fold, leaves, namesOf, nets, pinOf, rungOf } from './tree';
export { usedContact } from './usedContact';
export { coloursOf } from './colours';
export { CAPACITOR_CHARGE } from './motor';
