import { panelOf } from '../schemes';
import type { Station } from '../station';
import { faultsOf } from './faults';
import { rehearse, type Rehearsal } from './engine';
import type { Scenario } from './scenario';

/** One fault put into a scenario: what the bell does, how long a person has, what it harms. Times in s from the moment of the fault. */
export interface Consequence {
  readonly id: string;
  readonly says: string;
  /** When the bell begins though without the fault it would not; null: it does not. */
  readonly bellAfter: number | null;
  /** When water is where it should not be, or a pump runs dry; null: never in this scenario. */
  readonly harmAfter: number | null;
  readonly harm: 'overflow' | 'dry' | null;
  /** From bell to harm: what a person has; null where there is no harm, negative where the bell comes too late. */
  readonly has: number | null;
  /** Nothing shows: neither bell nor harm, and pumps as ever. It waits for a second fault. */
  readonly hides: boolean;
}

const first = ({ events }: Rehearsal, from: number, kinds: readonly string[]): number | null => events.find((e) => e.at >= from && kinds.includes(e.kind))?.at ?? null;

const onsets = (run: Rehearsal, from: number): number | null => {
  const step = run.trace.step;
  const i = run.trace.bell.findIndex((share, k) => share > 0 && (k + 1) * step > from);
  return i < 0 ? null : Math.max(first(run, from, ['bell', 'lamp']) ?? i * step, from);
};

/** Pumps that ran as long and as often as without the fault, within a hundredth. */
const alike = (a: Rehearsal, b: Rehearsal): boolean => a.pumps.every((p, i) => Math.abs(p.ran - b.pumps[i]!.ran) <= 0.01 * Math.max(p.ran, 1) && Math.abs(p.starts - b.pumps[i]!.starts) <= Math.max(1, 0.01 * p.starts));

/**
 * Every single fault of a station, each put into the same scenario at the same moment and rehearsed: ranked by how soon it harms, those that
 * hide last but one, those that only ring last.
 * @param at when each fault comes, s
 */
export function whatIf(station: Station, scenario: Scenario, at: number, told?: (share: number) => void): Consequence[] {
  const made = panelOf(station);
  const well = rehearse(station, { ...scenario, faults: [] });
  if (!made.ok || !well.ok) return [];
  const faults = faultsOf(station, made.panel);
  const quietBefore = onsets(well.run, at);
  const found = faults.map((fault, i): Consequence => {
    told?.(i / faults.length);
    const answer = rehearse(station, { ...scenario, faults: [{ from: at, to: null, id: fault.id }] });
    if (!answer.ok) throw new Error(fault.id);
    const { run } = answer;
    const bell = onsets(run, at);
    const rings = bell !== null && (quietBefore === null || bell < quietBefore);
    const [spill, dry] = [first(run, at, ['overflow']), first(run, at, ['dry'])];
    const harm = spill !== null && (dry === null || spill <= dry) ? 'overflow' : dry !== null ? 'dry' : null;
    const when = harm === 'overflow' ? spill : dry;
    return {
      id: fault.id,
      says: fault.says,
      bellAfter: rings ? bell - at : null,
      harmAfter: when === null ? null : when - at,
      harm,
      has: when === null ? null : when - (rings ? bell : Infinity),
      hides: !rings && harm === null && alike(run, well.run),
    };
  });
  const rank = (c: Consequence) => (c.harmAfter !== null ? c.harmAfter : c.hides ? 1e12 : 1e13);
  return found.sort((a, b) => rank(a) - rank(b));
}
