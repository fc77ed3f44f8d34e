import type { Station } from '../station';
import { sayPhrase, type UnitSystem } from '../units';
import { compare } from './compare';
import type { Rehearsal } from './rehearse';
import type { Scenario } from './scenario';

/** A rehearsal as a document: everything but the trace, its sentences in one system of units. The same for screen and command line. */
export function report(station: Station, scenario: Scenario, run: Rehearsal, system: UnitSystem) {
  const { trace: _, events, endedEarly, ...rest } = run;
  return {
    scenario: scenario.name,
    ...rest,
    endedEarly: endedEarly && sayPhrase(endedEarly, system),
    rules: compare(station, scenario, run).map((c) => ({
      ...c,
      rules: c.rules.value,
      run: c.run.value,
      why: sayPhrase(c.why, system),
    })),
    events: events.map((e) => ({ ...e, sentence: sayPhrase(e.sentence, system) })),
  };
}
