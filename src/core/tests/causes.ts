import { faultsOf, type Fault } from '../faults';
import type { Station } from '../station';
import { sayPhrase } from '../units';
import { predictByTurn } from './predict';
import type { Prediction } from './prediction';
import type { Test } from './test';
import { worldOf, type World } from './world';

/** A single fault that would make a test come out otherwise than it should. */
export interface Cause {
  readonly fault: Fault;
  /** It would show just what was found; otherwise it only would not show what is expected. */
  readonly fits: boolean;
}

const text = (p: Prediction): string =>
  p.kind === 'value' || p.kind === 'untold' ? '' : sayPhrase(p.sentence, 'metric');

/** Whether a prediction is another than that of the healthy station, by more than its own spread. */
function differs(healthy: Prediction, now: Prediction): boolean {
  if (healthy.kind !== now.kind) return true;
  if (healthy.kind !== 'value' || now.kind !== 'value') return text(healthy) !== text(now);
  const { value } = now.value;
  return (
    (healthy.least !== null && value < healthy.least) || (healthy.most !== null && value > healthy.most * (1 + 1e-9))
  );
}

/** Whether by somebody's turn it is another than that of the healthy station by anybody's. */
const mayDiffer = (healthy: readonly Prediction[], now: readonly Prediction[]): boolean =>
  now.some((p) => healthy.every((h) => differs(h, p)));

const shows = (now: Prediction, found: number | boolean): boolean =>
  typeof found === 'number' &&
  now.kind === 'value' &&
  (now.least === null || found >= now.least) &&
  (now.most === null || found <= now.most);

/**
 * What a failed test could mean, by asking each single fault of the catalogue that this station can have: those under which everything that
 * failed would come out otherwise than it should; first those that would show just the figures that were found, then the more frequent.
 * Nothing is said of two faults at once, nor of what no fault of the catalogue is.
 * @param failed what was found of each observation that failed, by its id: a figure in SI, or false for a look
 */
export function causesOf(
  station: Station,
  test: Test,
  failed: Readonly<Record<string, number | boolean>>,
  healthy: World = worldOf(station),
): Cause[] {
  if (!healthy.panel) return [];
  const expected = predictByTurn(healthy, test);
  const ids = Object.keys(failed).filter((id) => expected.has(id));
  if (ids.length === 0) return [];
  const causes = faultsOf(station, healthy.panel).flatMap((fault): Cause[] => {
    const found = predictByTurn(worldOf(station, [fault], 'designed', healthy), test);
    const all = ids.every((id) => mayDiffer(expected.get(id)!, found.get(id)!));
    return all ? [{ fault, fits: ids.every((id) => found.get(id)!.some((p) => shows(p, failed[id]!))) }] : [];
  });
  return causes.sort((a, b) => Number(b.fits) - Number(a.fits) || b.fault.perYear - a.fault.perYear);
}
