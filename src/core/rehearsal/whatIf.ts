import type { Station } from '../station';
import type { Account } from './ledger';
import { account } from './rehearse';
import type { Scenario } from './scenario';
import { prepare } from './faultedModel';

/** One fault put into a scenario: what the alarm does, how long a person has, what it harms. Times in s from the moment of the fault. */
export interface Consequence {
  readonly id: string;
  readonly label: string;
  /** When the alarm begins though without the fault it would not; null: it does not. */
  readonly alarmAfter: number | null;
  /** When water is where it should not be, or a pump runs dry; null: never in this scenario. */
  readonly harmAfter: number | null;
  readonly harm: 'overflow' | 'dry' | 'chatter' | null;
  /** From alarm to harm: what a person has; null where there is no harm, negative or infinite where the alarm comes too late or never. */
  readonly timeToAct: number | null;
  /** Nothing shows: neither alarm nor harm, and pumps as ever. It waits for a second fault. */
  readonly hidden: boolean;
  /** How it is mended. */
  readonly remedy: string;
}

/** When the alarm first rings at or after a time. */
const alarm = ({ alarmSpans }: Account, from: number): number | null => {
  const found = alarmSpans.find((r) => r.to > from);
  return found ? Math.max(found.from, from) : null;
};
const spill = ({ overflowSpans }: Account, from: number): number | null =>
  overflowSpans.find((s) => s.from >= from)?.from ?? null;
const earlier = (a: number | null, b: number | null): boolean => a !== null && (b === null || a < b);

/** Pumps that ran as long and as often as without the fault, within a hundredth. */
const alike = (a: Account, b: Account): boolean =>
  a.pumps.every(
    (p, i) =>
      Math.abs(p.runTime - b.pumps[i]!.runTime) <= 0.01 * Math.max(p.runTime, 1) &&
      Math.abs(p.starts - b.pumps[i]!.starts) <= Math.max(1, 0.01 * p.starts),
  );

/**
 * Every single fault of a station, each put into the same scenario at the same moment and rehearsed: ranked by how soon it harms, those that
 * hide last but one, those that only ring or only show last. A harm that comes without the fault too does not count.
 * @param at when each fault comes, s
 * @example
 * const sump = newStation('Sump', 'Yard', 'metric-230');
 * const [worst] = whatIf(sump, readyScenarios(sump)[0], 3600);
 * [worst.id, worst.harm] // → ['pump-stuck-up', 'dry']
 */
export function whatIf(
  station: Station,
  scenario: Scenario,
  at: number,
  told?: (share: number) => void,
): Consequence[] {
  const made = prepare(station);
  const healthy = account(station, { ...scenario, faults: [] });
  if (!made.ok || !healthy.ok) return [];
  const { faults } = made.prepared;
  const quiet = { alarm: alarm(healthy.account, at), spill: spill(healthy.account, at) };
  const found = faults.map((fault, i): Consequence => {
    told?.(i / faults.length);
    const answer = account(station, {
      ...scenario,
      faults: [{ from: at, to: null, id: fault.id }],
      responseTime: null,
    });
    if (!answer.ok) throw new Error(fault.id);
    const run = answer.account;
    const rang = alarm(run, at);
    const rings = earlier(rang, quiet.alarm);
    const over = spill(run, at);
    const [wet, dry] = [
      earlier(over, quiet.spill) ? over : null,
      run.firstDryRunAt !== null && healthy.account.firstDryRunAt === null ? run.firstDryRunAt : null,
    ];
    const chatter = answer.ended !== null && healthy.ended === null;
    const harm =
      wet !== null && (dry === null || wet <= dry) ? 'overflow' : dry !== null ? 'dry' : chatter ? 'chatter' : null;
    const when = harm === 'overflow' ? wet : harm === 'dry' ? dry : harm === 'chatter' ? at : null;
    return {
      id: fault.id,
      label: fault.label,
      alarmAfter: rings ? rang! - at : null,
      harmAfter: when === null ? null : when - at,
      harm,
      timeToAct: when === null ? null : when - (rings ? rang! : Infinity),
      hidden: !rings && harm === null && alike(run, healthy.account),
      remedy: fault.remedy,
    };
  });
  const rank = (c: Consequence) => (c.harmAfter !== null ? c.harmAfter : c.hidden ? 1e12 : 1e13);
  return found.sort((a, b) => rank(a) - rank(b));
}
