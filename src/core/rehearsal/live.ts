import type { Station } from '../station';
import { compileScenario } from './compile';
import { advance, beginning, inflowNow } from './engine';
import { prepare } from './faultedModel';
import { ledger, type PumpRecord } from './ledger';
import type { Moment, Refused } from './rehearse';
import { LONGEST, type Scenario } from './scenario';

/** How a station stands that is being run on, and what its meters have counted. */
export interface LiveMoment extends Moment {
  readonly alarm: boolean;
  readonly pumps: readonly Pick<PumpRecord, 'starts' | 'runTime' | 'energy'>[];
}

/** A station that lives on, step by step, and in which something can be done at any time. */
export interface Live {
  /** Faults that can be put in, by id. */
  readonly faults: readonly { readonly id: string; readonly label: string }[];
  /** Lets so many seconds pass. */
  pass(seconds: number): LiveMoment;
  /** Puts a fault in from now on. @returns false where the station has no part that could fail so */
  fault(id: string): boolean;
  /** Mends it. @returns false where it was not there */
  mend(id: string): boolean;
  now(): LiveMoment;
}

/** What is done now is met just after what has been met already, s. */
const JUST_AFTER = 1e-3;

/**
 * Runs a station on without end, as long as somebody asks it to. What it does is what a rehearsal of the same scenario does.
 * @param scenario its duration is not asked
 */
export function live(station: Station, scenario: Scenario): ({ ok: true } & Live) | Refused {
  const made = prepare(station);
  if (!made.ok) return { ok: false, problems: made.reasons };
  const { prepared } = made;
  let told: Scenario = { ...scenario, duration: LONGEST };
  const first = compileScenario(prepared, told);
  if (!first.ok) return first;
  let { compiled } = first;
  const state = beginning(compiled);
  const book = ledger(prepared, state.v);

  const tell = (next: Scenario): boolean => {
    const made = compileScenario(prepared, next);
    if (!made.ok) return false;
    told = next;
    compiled = made.compiled;
    return true;
  };
  const now = (): LiveMoment => ({
    at: state.t,
    level: prepared.vessel.height(state.v),
    states: state.panel.states,
    faults: state.model.faults,
    running: state.panel.running,
    inflow: inflowNow(state),
    alarm: state.panel.alarm,
    pumps: book.close(state.t, state.v).pumps,
  });
  return {
    ok: true,
    faults: prepared.faults.map(({ id, label }) => ({ id, label })),
    now,
    pass(seconds) {
      advance(compiled, state, state.t + seconds, book.listener);
      return now();
    },
    fault: (id) => tell({ ...told, faults: [...told.faults, { from: state.t + JUST_AFTER, to: null, id }] }),
    mend(id) {
      const there = told.faults.findLastIndex((f) => f.id === id && f.to === null);
      if (there < 0) return false;
      const to = state.t + 2 * JUST_AFTER;
      return tell({ ...told, faults: told.faults.map((f, i) => (i === there ? { ...f, to } : f)) });
    },
  };
}
