import { traitsOf, wayOf, type Way } from '../duties';
import { phrase, type Phrase } from '../units';
import { inflowing, type Inflowing } from './inflow';
import type { Station } from '../station';
import type { Scenario } from './scenario';
import type { Prepared } from './faultedModel';

export type EventKind =
  | 'float'
  | 'pump'
  | 'alarm'
  | 'interlock'
  | 'power'
  | 'hand'
  | 'fault'
  | 'timer'
  | 'overflow'
  | 'dry'
  | 'protection'
  | 'report'
  | 'lamp'
  | 'call'
  | 'person';

/** What will happen at a known time. */
export interface ScheduledEvent {
  readonly at: number;
  readonly kind: EventKind;
  readonly sentence: Phrase;
  readonly put?: Readonly<Record<string, string>>;
  readonly fault?: { readonly place: number; readonly on: boolean };
}

/** A scenario at a station: what does not change while it runs. */
export interface CompiledScenario {
  readonly prepared: Prepared;
  readonly scenario: Scenario;
  readonly inflowOf: Inflowing;
  readonly schedule: readonly ScheduledEvent[];
  readonly cutOffs: readonly string[];
  /** What appliances still shed after the cut-off has stopped them: for how long each, s, and which share of all that they make. */
  readonly sheds: readonly { readonly lasts: number; readonly share: number }[];
  readonly way: Way;
  /** How long a filling still runs in after its call to stop, s. */
  readonly runOn: number;
}

/** Everything in a scenario that this panel has no part for, each as `path: what`. */
function strangers({ panel, faults }: Prepared, scenario: Scenario): string[] {
  return [
    ...scenario.faults.flatMap((f, i) =>
      faults.some((x) => x.id === f.id) ? [] : [`faults.${i}: this station has no part that could fail as “${f.id}”`],
    ),
    ...scenario.operations.flatMap((h, i) => {
      const device = panel.devices.find((d) => d.tag === h.device);
      if (!device) return [`operations.${i}: this panel has no ${h.device}`];
      return device.positions.some((p) => p.state === h.position)
        ? []
        : [`operations.${i}: ${h.device} has no position “${h.position}”`];
    }),
  ];
}

/** What will happen at known times, in order; what happens together in the order cuts, faults, hands. */
function schedule({ panel, faults }: Prepared, scenario: Scenario): ScheduledEvent[] {
  const mains = panel.devices.flatMap((d) => (d.function === 'supply' || d.function === 'alarm-supply' ? [d.tag] : []));
  const all = (state: string) => Object.fromEntries(mains.map((tag) => [tag, state]));
  const list: ScheduledEvent[] = [
    ...scenario.powerCuts.flatMap((c): ScheduledEvent[] => [
      { at: c.from, kind: 'power', sentence: phrase`power fails`, put: all('cut') },
      { at: c.to, kind: 'power', sentence: phrase`power is back`, put: all('there') },
    ]),
    ...scenario.faults.flatMap((f, place): ScheduledEvent[] => {
      const { label } = faults.find((x) => x.id === f.id)!;
      return [
        { at: f.from, kind: 'fault', sentence: phrase`fault: ${label}`, fault: { place, on: true } },
        ...(f.to === null
          ? []
          : [{ at: f.to, kind: 'fault' as const, sentence: phrase`repaired: ${label}`, fault: { place, on: false } }]),
      ];
    }),
    ...scenario.operations.flatMap((h): ScheduledEvent[] => {
      const { positions, springs } = panel.devices.find((d) => d.tag === h.device)!;
      const to = (state: string, at: number): ScheduledEvent => ({
        at,
        kind: 'hand',
        sentence: phrase`${h.device} to ${positions.find((p) => p.state === state)!.label}`,
        put: { [h.device]: state },
      });
      // What springs back is held for a second.
      return springs === undefined || h.position === springs
        ? [to(h.position, h.at)]
        : [to(h.position, h.at), to(springs, h.at + 1)];
    }),
  ];
  return list
    .map((d, i) => ({ d, i }))
    .sort((a, b) => a.d.at - b.d.at || a.i - b.i)
    .map(({ d }) => d);
}

/** What comes of each appliance after it was stopped: its own amount, over its own time, as a share of what all make while they run. */
function shedsOf(source: Station['inflow']['source']): CompiledScenario['sheds'] {
  if (source.kind !== 'appliances') return [];
  const all = source.list.reduce((sum, a) => sum + a.rate, 0);
  return source.list
    .filter((a) => a.after > 0)
    .map((a) => {
      const lasts = a.over ?? a.after / a.rate;
      return { lasts, share: a.after / lasts / all };
    });
}

/** @returns problems where the scenario names what the panel has not */
export function compileScenario(
  prepared: Prepared,
  scenario: Scenario,
): { ok: true; compiled: CompiledScenario } | { ok: false; problems: readonly string[] } {
  const problems = strangers(prepared, scenario);
  if (problems.length > 0) return { ok: false, problems };
  const { station, panel } = prepared;
  const { source } = station.inflow;
  return {
    ok: true,
    compiled: {
      prepared,
      scenario,
      inflowOf: inflowing(station, scenario),
      schedule: schedule(prepared, scenario),
      cutOffs: panel.outcomes.filter((o) => o.makesWater).map((o) => o.id),
      sheds: shedsOf(source),
      way: wayOf(station),
      runOn: traitsOf(station).runOn,
    },
  };
}
