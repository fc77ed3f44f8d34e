import { sensorTrips } from '../../levels';
import type { Phrase } from '../../units';
import { resetting } from '../../wiring';
import type { CompiledScenario } from '../compile';
import type { Step } from '../inflow';
import type { PanelState } from '../panelMachine';
import type { FaultedModel } from '../faultedModel';
import { setOf } from '../pumping';

/** What waits for its time, s. Pumps are numbered from 0. */
export type Clock =
  /** A timer of the panel, and the state it goes to. */
  | { readonly kind: 'timer'; readonly at: number; readonly device: string; readonly to: string }
  /** A motor that heats until its protector opens, and one that cools until it closes again. */
  | { readonly kind: 'heats' | 'cools'; readonly at: number; readonly pump: number }
  /** Water of a pump that has stopped still runs in. */
  | { readonly kind: 'runs-on'; readonly at: number; readonly pump: number }
  /** A person on the way. */
  | { readonly kind: 'person'; readonly at: number };

/** Everything that the future of a rehearsal depends on. */
export interface State {
  /** s */
  t: number;
  /** m³ */
  v: number;
  panel: PanelState;
  model: FaultedModel;
  /** Faults of the scenario that are there, by their place in it. */
  active: ReadonlySet<number>;
  /** Pumps whose thermal protector is open, and that draw air: bits, the first pump the lowest. */
  open: number;
  dry: number;
  /** Pumps that have stopped and whose water still runs into the tank that they fill: bits. */
  runsOn: number;
  /** Pumps that run and are held shut by stronger ones: bits. */
  shut: number;
  /** In the order in which they were started. */
  clocks: Clock[];
  /** The line is full, and what flows in it goes on with no pump running: only where a siphon pulls. */
  full: boolean;
  /** What falls back out of the line after a stop, m³/s, and until when, s. */
  falls: { readonly flow: number; readonly until: number } | null;
  now: Step;
  nextScheduled: number;
  /** When the cut-off stopped the appliances, s; null: they may run. And what they shed after it. */
  cutAt: number | null;
  readonly sheds: CompiledScenario['sheds'];
  spill: boolean;
  /** Where power and hands last put devices, held or not. */
  puts: Readonly<Record<string, string>>;
  /** When each pump last started or stopped, s. */
  since: number[];
  /** When the panel last switched, to find chatter. */
  switches: number[];
  ended: Phrase | null;
}

/** What comes in at this moment, m³/s: nothing once appliances have shed what they had. */
export function inflowNow({ t, now, model, cutAt, sheds }: State): number {
  const comes = now.flow * model.inflow;
  if (cutAt === null) return comes;
  let share = 0;
  for (const s of sheds) if (t < cutAt + s.lasts) share += s.share;
  return comes * share;
}

/** What falls back out of the line at this moment, m³/s. */
export const fallsNow = ({ falls, t }: State): number => (falls && t < falls.until ? falls.flow : 0);

/** Pumps that move water, as bits: they have voltage or run on, nothing keeps them from it, and they draw no air. */
export const movingNow = (s: State): number => (s.panel.running | s.runsOn) & s.model.moves & ~s.dry;

/** What moves the water, by its number among the deliveries: those pumps, or the line by itself. */
export const pumpingNow = (s: State): number => setOf(movingNow(s), s.panel.backwards, s.full);

export const copyOf = (s: State): State => ({
  ...s,
  clocks: [...s.clocks],
  switches: [...s.switches],
  since: [...s.since],
});

/** Where the rehearsal begins: at its start level, the panel as it rests, nothing yet heard. */
export function beginning({ prepared, scenario, inflowOf, way, sheds }: CompiledScenario): State {
  const { station, vessel, top } = prepared;
  const model = prepared.withFaults([]);
  const stops = sensorTrips(station).flatMap((t) =>
    t.sensor.role === 'pump' || t.sensor.role === 'stop' ? [t[way.stops]] : [],
  );
  const stop = Math.min(...stops, station.vessel.overflow);
  const v = Math.min(vessel.volume(scenario.startLevel ?? stop), top);
  // It is in service: what the water at the stop holds up is up before anything is switched on, so that no filling starts only to stop; and what
  // only its hanging floats had thrown or latched somebody has reset.
  const held = Math.min(v, vessel.volume(stop));
  const up = Object.fromEntries(model.floats.filter((f) => held >= f.rise).map((f) => [f.tag, 'up']));
  const { first, at, after } = model.machine;
  const filled = at({ ...first.states, ...up });
  const panel = resetting(prepared.panel.devices, filled.states).reduce(
    (node, [device, state]) => after(node, device, state),
    filled,
  );
  return {
    t: 0,
    v,
    panel,
    model,
    active: new Set(),
    open: 0,
    dry: 0,
    runsOn: 0,
    shut: 0,
    full: false,
    falls: null,
    clocks: panel.waiting.map((w) => ({ kind: 'timer', at: w.after, device: w.device, to: w.to })),
    now: inflowOf(0),
    nextScheduled: 0,
    cutAt: null,
    sheds,
    spill: false,
    puts: {},
    since: station.pumps.map(() => 0),
    switches: [],
    ended: null,
  };
}
