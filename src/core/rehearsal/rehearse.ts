import type { States } from '../circuit';
import type { Fault } from '../faults';
import type { Station } from '../station';
import type { Phrase } from '../units';
import { compileScenario, type CompiledScenario } from './compile';
import { advance, beginning, copyOf, inflowNow, type Listener, type State } from './engine';
import { ledger, type Account } from './ledger';
import type { Scenario } from './scenario';
import { story, type RunEvent } from './eventLog';
import { addStretch, BUCKETS, type Trace, traceFor } from './trace';
import { prepare } from './faultedModel';

/** What a rehearsal was: its account, what is drawn of it, what happened and why. */
export interface Rehearsal extends Account {
  /** s */
  readonly duration: number;
  /** Why it ended before its time; null when it ran to its end. */
  readonly endedEarly: Phrase | null;
  readonly trace: Trace;
  readonly events: readonly RunEvent[];
  /** Events beyond those kept. */
  readonly eventsLeftOut: number;
}

/** How everything stands at one moment. */
export interface Moment {
  readonly at: number;
  /** m */
  readonly level: number;
  /** Every device of the panel. */
  readonly states: States;
  /** Faults that are there, by id, protectors that are open among them. */
  readonly faults: readonly string[];
  readonly running: number;
  /** m³/s */
  readonly inflow: number;
}

/** A stretch of a rehearsal, closer. */
export interface Closer {
  readonly trace: Trace;
  readonly events: readonly RunEvent[];
  readonly eventsLeftOut: number;
}

/** A rehearsal that can be asked about: any stretch of it closer, any moment of it. */
export interface Recording {
  readonly run: Rehearsal;
  /** The same rehearsal between two times, s: drawn closer, every peak there however short, and what happened then. */
  window(from: number, to: number): Closer;
  moment(at: number): Moment;
}

export interface Rehearsing {
  /** Told now and then, a share of the length. */
  progress?(share: number): void;
  /** Asked now and then: true gives up. */
  stopped?(): boolean;
  /** Most events kept; the rest are counted. */
  keep?: number;
}

export type Refused = { readonly ok: false; readonly problems: readonly (Phrase | string)[] };

const KEEP = 4000;

/** Several listeners as one. */
const together = (listeners: readonly Listener[]): Listener => ({
  passed(p) {
    for (const l of listeners) l.passed?.(p);
  },
  turned(t, before, after, why, since) {
    for (const l of listeners) l.turned?.(t, before, after, why, since);
  },
  told(t, v, kind, sentence) {
    for (const l of listeners) l.told?.(t, v, kind, sentence);
  },
  ranBack(v) {
    for (const l of listeners) l.ranBack?.(v);
  },
});

/** Hears what happens from a time on: what leads up to it is run all the same, step for step as it was. */
const fromOn = (from: number, { passed, told, turned }: Listener): Listener => ({
  ...(passed && { passed }),
  told: (t, v, kind, sentence) => void (t >= from && told?.(t, v, kind, sentence)),
  turned: (t, before, after, why, since) => void (t >= from && turned?.(t, before, after, why, since)),
});

function begin(
  station: Station,
  scenario: Scenario,
  more: readonly Fault[] = [],
): { ok: true; compiled: CompiledScenario } | Refused {
  const made = prepare(station);
  if (!made.ok) return { ok: false, problems: made.reasons };
  return compileScenario(more.length > 0 ? made.prepared.andFaults(more) : made.prepared, scenario);
}

/**
 * Runs a station through time and keeps only its account: for many rehearsals in a row.
 * @param more faults that the scenario may name beside those of the catalogue
 * @param hears what happens on the way as well
 * @returns problems where the scheme does not fit or the scenario names what the panel has not
 */
export function account(
  station: Station,
  scenario: Scenario,
  { more = [], hears = {} }: { more?: readonly Fault[]; hears?: Listener } = {},
): { ok: true; account: Account; ended: Phrase | null } | Refused {
  const begun = begin(station, scenario, more);
  if (!begun.ok) return begun;
  const state = beginning(begun.compiled);
  const book = ledger(begun.compiled.prepared, state.v);
  advance(begun.compiled, state, scenario.duration, together([book.listener, hears]));
  return { ok: true, account: book.close(state.t, state.v), ended: state.ended };
}

/**
 * Runs a station through time. The water moves by its law between events, each of which is located; the panel answers by its solved
 * circuit. States on the way are kept, one a bucket of the trace, from which any stretch can be run again.
 * @returns problems where the scheme does not fit or the scenario names what the panel has not
 */
export function record(
  station: Station,
  scenario: Scenario,
  { progress, stopped, keep = KEEP }: Rehearsing = {},
): ({ ok: true } & Recording) | Refused {
  const begun = begin(station, scenario);
  if (!begun.ok) return begun;
  const { compiled } = begun;
  const { prepared } = compiled;
  const { duration } = scenario;
  const state = beginning(compiled);
  const kept: State[] = [copyOf(state)];
  const book = ledger(prepared, state.v);
  const tale = story(prepared, keep);
  const trace = traceFor(0, duration, prepared.lanes);
  let due = trace.step;
  const all = together([book.listener, tale.listener, { passed: (p) => addStretch(trace, p) }]);
  advance(compiled, state, duration, all, {
    stopped(t) {
      progress?.(t / duration);
      return stopped?.() ?? false;
    },
    rests(s) {
      if (s.t < due) return;
      kept.push(copyOf(s));
      due = s.t + duration / BUCKETS;
    },
  });
  const run: Rehearsal = {
    duration: state.t,
    endedEarly: state.ended,
    ...book.close(state.t, state.v),
    trace,
    events: tale.events,
    eventsLeftOut: tale.more(),
  };

  /** The last state kept at or before a time. */
  const before = (at: number): State => {
    let [low, high] = [0, kept.length];
    while (high - low > 1) {
      const middle = (low + high) >> 1;
      if (kept[middle]!.t <= at) low = middle;
      else high = middle;
    }
    return copyOf(kept[low]!);
  };
  return {
    ok: true,
    run,
    window(from, to) {
      const closer = traceFor(from, to, prepared.lanes);
      const told = story(prepared, keep);
      const s = before(from);
      advance(
        compiled,
        s,
        Math.min(to, state.t),
        together([fromOn(from, told.listener), { passed: (p) => addStretch(closer, p) }]),
      );
      return { trace: closer, events: told.events, eventsLeftOut: told.more() };
    },
    moment(at) {
      const s = before(Math.min(at, state.t));
      advance(compiled, s, Math.min(at, state.t), {});
      return {
        at: s.t,
        level: prepared.vessel.height(s.v),
        states: s.panel.states,
        faults: s.model.faults,
        running: s.panel.running,
        inflow: inflowNow(s),
      };
    },
  };
}

/**
 * Runs a station through time, and what it was.
 * @example
 * const sump = newStation('Sump', 'Yard', 'metric-230');
 * const { run } = rehearse(sump, readyScenarios(sump)[0]);
 * [run.pumps[0].starts, run.alarms] // → [251, 0]
 */
export function rehearse(
  station: Station,
  scenario: Scenario,
  how: Rehearsing = {},
): { ok: true; run: Rehearsal } | Refused {
  const recorded = record(station, scenario, how);
  return recorded.ok ? { ok: true, run: recorded.run } : recorded;
}
