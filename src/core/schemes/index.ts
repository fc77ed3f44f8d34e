import type { Station } from '../station';
import type { Phrase } from '../units';
import { alarmOnly } from './alarmOnly';
import { bells } from './bells';
import { bench } from './bench';
import { condensate } from './condensate';
import { contactorScheme } from './contactorScheme';
import { cord } from './cord';
import { doser } from './doser';
import { drive } from './drive';
import { duplex } from './duplex';
import { lowRelay } from './lowRelay';
import type { Panel } from './model';
import { choiceOf, type Scheme } from './scheme';

/** Every scheme, in the order in which a person weighs them: simple to rich. */
export const SCHEMES: readonly Scheme[] = [
  cord,
  lowRelay,
  contactorScheme,
  duplex,
  doser,
  bells,
  drive,
  condensate,
  alarmOnly,
];

export const schemeOf = (id: string): Scheme | undefined => SCHEMES.find((s) => s.id === id);

const chooser = (scheme: Scheme, station: Station) => (id: string) => choiceOf(scheme, station, id);

/** Every reason against a scheme at this station; empty where it fits. */
export const reasonsAgainst = (scheme: Scheme, station: Station): readonly Phrase[] =>
  scheme.against(station, chooser(scheme, station));

/**
 * The panel of a station by a scheme, its own unless another is given.
 * @returns the reasons against it where it cannot be built
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
  const b = bench(station);
  scheme.build(b, chooser(scheme, station));
  return { ok: true, panel: b.done(scheme.id), scheme };
}

export { choiceOf, type Option, type Scheme } from './scheme';
export {
  type CableRun,
  type Circuit,
  type Core,
  type Device,
  type Element,
  GROUND_PIN,
  type Link,
  type Outcome,
  type Panel,
  type Rung,
  type Sign,
  type Terminal,
  type Tree,
} from './model';
export { floatTag } from './floats';
export { coloursOf } from './colours';
