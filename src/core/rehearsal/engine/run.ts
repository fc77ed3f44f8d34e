import type { Phrase } from '../../units';
import type { CompiledScenario, EventKind } from '../compile';
import type { PanelState } from '../panelMachine';
import type { FaultedModel } from '../faultedModel';
import { flowOn, type Delivery } from '../pumping';
import type { Stretch } from '../trace';
import { pumpingNow, type State } from './state';

/** What happened in a stretch, beside what the trace shows of it. Filled anew for each: to be read at once. */
export interface Passed extends Stretch {
  panel: PanelState;
  /** Pumps that had voltage and drew air, as bits. */
  dry: number;
  /** m³ moved by pumps; that left with none of them running, or came back (below zero); and run over. */
  pumped: number;
  still: number;
  overflow: number;
  /** m³ that came in (of a tank that is filled: that were drawn). */
  came: number;
  over: boolean;
  /** Electrical input of a pump that turned, by number from 0, in the mean, W. */
  watts(pump: number): number;
}

/** Who hears what happens. Nothing that hears changes what happens. */
export interface Listener {
  passed?(stretch: Passed): void;
  /** The panel went from one combination to another; `since` is when each pump last started or stopped. `why` is made only where it is wanted. */
  turned?(time: number, before: PanelState, after: PanelState, why: () => Phrase, since: readonly number[]): void;
  told?(time: number, volume: number, kind: EventKind, sentence: () => Phrase): void;
  ranBack?(volume: number): void;
}

/** A rehearsal that is under way: what it is of, how it stands, and who hears. */
export interface Run {
  readonly compiled: CompiledScenario;
  readonly s: State;
  readonly listener: Listener;
  readonly stretch: Passing;
}

export const tell = ({ s, listener }: Run, kind: EventKind, sentence: () => Phrase): void =>
  listener.told?.(s.t, s.v, kind, sentence);

/** The one stretch that is filled again and again. */
export class Passing implements Passed {
  from = 0;
  to = 0;
  v0 = 0;
  v1 = 0;
  on = 0;
  inflow = 0;
  dry = 0;
  pumped = 0;
  still = 0;
  falls = 0;
  overflow = 0;
  came = 0;
  over = false;
  private delivery: Delivery | null = null;
  private model: FaultedModel | null = null;

  constructor(
    public panel: PanelState,
    private readonly sense: 1 | -1,
    private readonly top: number,
    private readonly overLane: number,
  ) {}

  /** What holds at the end of it; the rest is filled by whom it concerns. */
  close({ s }: { readonly s: State }): void {
    this.to = s.t;
    this.v1 = s.v;
    this.panel = s.panel;
    this.on = s.panel.lanes | (this.over ? this.overLane : 0);
    this.dry = s.panel.running & s.dry;
    this.delivery = s.model.delivery(pumpingNow(s));
    this.model = s.model;
  }

  readonly watts = (pump: number): number => {
    const { delivery, model, dry, v0, v1 } = this;
    if (!delivery || !model) return 0;
    const bit = 1 << pump;
    if ((dry | model.air) & bit) return model.idle(pump, true);
    return model.moves & bit ? delivery.watts(pump, (v0 + v1) / 2) : model.idle(pump, false);
  };

  readonly at = (time: number): number => {
    const { v0, sense, top, from, delivery } = this;
    const inflow = this.inflow + this.falls;
    if (v0 === this.v1 || delivery === null) return v0;
    return flowOn({ delivery, volume: v0, inflow, sense, low: 0, high: top, most: time - from }).volume;
  };
}

/** Hands the stretch that ends now to whom it concerns. */
export function hear(run: Run): void {
  const { s, listener, stretch } = run;
  if (!stretch.over && s.v < run.compiled.prepared.top) s.spill = false;
  if (!listener.passed || s.t === stretch.from) return;
  stretch.close(run);
  listener.passed(stretch);
}
