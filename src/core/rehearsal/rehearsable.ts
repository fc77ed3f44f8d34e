import { faultsOf, type Fault } from '../faults';
import { panelOf, type Device } from '../schemes';
import type { Station } from '../station';
import { readyScenarios } from './ready';
import type { Scenario } from './scenario';

/** What can be rehearsed at a station: scenarios to begin with, faults to put in, and what a hand can operate. Plain data. */
export interface Rehearsable {
  readonly scenarios: readonly Scenario[];
  readonly faults: readonly Pick<Fault, 'id' | 'label' | 'group'>[];
  /** Empty where the scheme does not fit, as faults are. */
  readonly controls: readonly Pick<Device, 'tag' | 'label' | 'positions'>[];
}

export function rehearsable(station: Station): Rehearsable {
  const made = panelOf(station);
  return {
    scenarios: readyScenarios(station),
    faults: made.ok ? faultsOf(station, made.panel).map(({ id, label, group }) => ({ id, label, group })) : [],
    controls: made.ok
      ? made.panel.devices
          .filter((d) => d.sensor === undefined && d.positions.length > 0)
          .map(({ tag, label, positions }) => ({ tag, label, positions }))
      : [],
  };
}
