import { faultsOf } from '../faults';
import type { Station } from '../station';
import { causesOf, GHOST, predictByTurn, worldOf, type Prediction, type Test } from '../tests';
import { readingShown } from './shown';
import { testsOf } from './card';

/** What a failed step could mean. */
export interface Meant {
  /** Single faults under which all that failed would come out otherwise; first those that show just what was found, then the more frequent. */
  readonly causes: readonly { readonly id: string; readonly label: string; readonly fits: boolean }[];
  /** How many single faults were asked. */
  readonly asked: number;
}

const find = (station: Station, job: string, stepId: string): Test | undefined =>
  testsOf(station, job)?.tests.find((t) => t.id === stepId);

/** What a failed step of a job could mean, asked of the model. @param failed what was found of each observation that failed, in SI */
export function meaningOf(
  station: Station,
  job: string,
  stepId: string,
  failed: Readonly<Record<string, number | boolean>>,
): Meant {
  const world = worldOf(station);
  const test = find(station, job, stepId);
  if (!world.panel || !test) return { causes: [], asked: 0 };
  return {
    causes: causesOf(station, test, failed, world).map(({ fault, fits }) => ({
      id: fault.id,
      label: fault.label,
      fits,
    })),
    asked: faultsOf(station, world.panel).length,
  };
}

/** What a meter reads at an observation of a step, in the station with some faults in it: for the stand-in of a logging meter. */
export function meterReads(
  station: Station,
  job: string,
  stepId: string,
  expectation: string,
  faultIds: readonly string[],
): { ok: true; value: number | null; shown: string } | { ok: false; reason: string } {
  const healthy = worldOf(station);
  const test = find(station, job, stepId);
  if (!test) return { ok: false, reason: `the card of ${job} has no step “${stepId}”` };
  const all = healthy.panel ? faultsOf(station, healthy.panel) : [];
  const faults = faultIds.map((id) => all.find((f) => f.id === id));
  const strange = faultIds.find((_, i) => !faults[i]);
  if (strange !== undefined) return { ok: false, reason: `this station has no part that could fail as “${strange}”` };
  const world = worldOf(
    station,
    faults.filter((f) => f !== undefined),
    'landed',
  );
  // The stand-in is as from new.
  const found: Prediction | undefined = predictByTurn(world, test).get(expectation)?.[0];
  if (!found) return { ok: false, reason: `step “${stepId}” reads nothing called “${expectation}”` };
  return readingShown(found, found.kind === 'value' && found.mostly === GHOST);
}
